import { Button, Tabs } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';
import type { Destination } from '@/core/brand/document/destination-shape';
import { RELOADS } from '@/core/formats/kit/format';
import { optionKinds } from '@/core/formats/kit/option-kinds';
import { formatById } from '@/core/formats/registry';
import { stops } from '@/core/findings/finding';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Readout } from '@/ui/readout/readout';
import { DestinationOptions } from './destination-options';
import { FileBar, FilePreview, useChosenFile } from './file-preview';
import { SinceRelease } from './since-release';
import { TemplateEditor } from './template-editor';
import { useWritten } from './use-written';
import { WeightView } from './weight-view';
import css from './ship.module.css';

const VIEWS = ['file', 'since', 'weight'] as const;
type View = (typeof VIEWS)[number];

/**
 * A destination as it stands: its options, what stops it, and its files. One that is only being looked at, before it is
 * added, has no weight and no past.
 */
export function DestinationView({
  destination,
  kept,
  heading,
  onOptions,
}: {
  destination: Destination;
  kept: boolean;
  heading: ReactNode;
  onOptions: (options: Destination['options'], what: string) => boolean;
}) {
  const release = useBrand((state) => state.release?.number);
  const mayEdit = useMayEdit();
  /** Whether the readout of a colour that was pressed stands where the options do. */
  const [reading, setReading] = useState(false);
  const [view, setView] = useState<View>('file');
  const format = formatById(destination.format);
  const { written, busy } = useWritten(destination);
  const { file, choose } = useChosenFile(written.files);
  const stopped = stops(written.findings);
  if (!format) return <section className={css.view}>This destination’s format, {destination.format}, is not known here.</section>;
  const source = optionKinds(format).find(({ value }) => value.kind === 'source');
  const template = source && String(destination.options[source.name] ?? source.usual);
  const labels: Record<View, string> = {
    file: written.files.length === 1 ? 'File' : `Files (${written.files.length})`,
    since: release === undefined ? 'Since the last release' : `Since release ${release}`,
    weight: 'Weight',
  };
  return (
    <section className={css.view} aria-label={destination.name}>
      {heading}
      <p className={css.purpose}>
        {format.purpose} {RELOADS[format.reload]}
      </p>
      {written.findings.map((problem) => (
        <p key={problem.message} className={css.problem} data-severity={problem.severity}>
          <b>{problem.severity === 'error' ? 'Stops the release.' : 'Note.'}</b> {problem.message}
        </p>
      ))}
      <div className={css.work}>
        <Tabs.Root
          value={view}
          onValueChange={({ value }) => setView(value as View)}
          variant="plain"
          size="sm"
          lazyMount
          unmountOnExit
          className={css.file}
        >
          {kept && (
            <Tabs.List className={css.views} aria-label="Views of the destination">
              {VIEWS.map((name) => (
                <Tabs.Trigger key={name} value={name} className={css.tab}>
                  {labels[name]}
                </Tabs.Trigger>
              ))}
            </Tabs.List>
          )}
          <Tabs.Content value="file" className={css.content} aria-busy={busy}>
            {template && (
              <TemplateEditor
                source={template}
                disabled={!mayEdit}
                onSource={(source) => onOptions({ ...destination.options, source }, 'the template')}
              />
            )}
            {file && <FileBar files={written.files} file={file} stopped={stopped} onChoose={choose} />}
            {file ? (
              <FilePreview file={file} onToken={() => setReading(true)} />
            ) : (
              <p className={css.soft}>{busy ? 'Writing…' : 'No file is written as long as something above stops it.'}</p>
            )}
          </Tabs.Content>
          <Tabs.Content value="since" className={css.content}>
            {file && <FileBar files={written.files} file={file} stopped={stopped} onChoose={choose} />}
            {file && <SinceRelease file={file} />}
          </Tabs.Content>
          <Tabs.Content value="weight" className={css.content}>
            <WeightView destination={destination} disabled={!mayEdit} onChange={onOptions} />
          </Tabs.Content>
        </Tabs.Root>
        {reading ? (
          <div className={css.reading}>
            <Button size="2xs" variant="outline" onClick={() => setReading(false)}>
              Back to the options
            </Button>
            <Readout />
          </div>
        ) : (
          <DestinationOptions format={format} options={destination.options} disabled={!mayEdit} onChange={onOptions} />
        )}
      </div>
    </section>
  );
}

/** A button that takes a destination away; its files are shipped no more from the next release on. */
export function RemoveDestination({ destination }: { destination: Destination }) {
  const run = useBrand((state) => state.run);
  const mayEdit = useMayEdit();
  return (
    <Button
      size="2xs"
      variant="ghost"
      disabled={!mayEdit}
      onClick={() =>
        run({ label: `Stop shipping ${destination.name}`, steps: [{ do: 'destination.remove', id: destination.id }] })
      }
    >
      Remove
    </Button>
  );
}
