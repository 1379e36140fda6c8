'use client';

import { Button, Menu, Portal } from '@chakra-ui/react';
import { useDeferredValue, useMemo, useState } from 'react';
import type { Destination } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { bundle, manifestFile } from '@/core/formats/bundle';
import { zipFiles } from '@/core/formats/zip';
import { slug } from '@/core/formats/format';
import { FORMATS, formatById, writeDestination } from '@/core/formats/registry';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { Empty } from '@/ui/empty';
import { tell } from '@/ui/notices';
import { StageTitle } from '@/ui/stage-title';
import { DestinationOptions } from './destination-options';
import { download } from '@/ui/download';
import { FilePreview } from './file-preview';
import css from './ship.module.css';

export function Ship() {
  const { brand: newest, run } = useBrand((state) => ({ brand: state.brand, run: state.run }));
  const brand = useDeferredValue(newest);
  const mayEdit = useMayEdit();
  const [chosen, setChosen] = useState<string | null>(null);
  const destination = brand.destinations.find((one) => one.id === chosen) ?? brand.destinations[0];
  const add = (format: string) => {
    const made: Destination = { id: newId(), name: formatById(format)!.title, format, options: {} };
    if (run({ label: `Ship to ${made.name}`, steps: [{ do: 'destination.add', destination: made, before: null }] }))
      setChosen(made.id);
  };
  const all = async () => {
    const { files, manifest, problems } = await bundle(brand);
    const error = problems.find((problem) => problem.severity === 'error');
    if (error) return tell(`Nothing was packed: ${error.message}`);
    download(`${slug(brand.name)}.zip`, 'application/zip', zipFiles([...files, manifestFile(brand, manifest)]));
  };
  return (
    <>
      <StageTitle title="Ship" about="The files that screens read, as they stand now">
        <Menu.Root>
          <Menu.Trigger asChild>
            <Button size="xs" variant="outline" disabled={!mayEdit}>
              Add a destination
            </Button>
          </Menu.Trigger>
          <Portal>
            <Menu.Positioner>
              <Menu.Content>
                {FORMATS.filter((format) => format.write).map((format) => (
                  <Menu.Item key={format.id} value={format.id} onClick={() => add(format.id)}>
                    <span>
                      {format.title} <small>({format.family})</small>
                    </span>
                  </Menu.Item>
                ))}
              </Menu.Content>
            </Menu.Positioner>
          </Portal>
        </Menu.Root>
        <Button size="xs" disabled={brand.destinations.length === 0} onClick={() => void all()}>
          Download all as a zip
        </Button>
      </StageTitle>
      {!destination ? (
        <Empty title="Files are written here">
          A destination is a kind of file with its options: a theme for charts, variables for a site, a strip for a game,
          resources for an interface. Add one above.
        </Empty>
      ) : (
        <div className={css.columns}>
          <ul className={css.destinations}>
            {brand.destinations.map((one) => (
              <li key={one.id}>
                <button aria-current={one.id === destination.id || undefined} onClick={() => setChosen(one.id)}>
                  <b>{one.name}</b>
                  <small>{formatById(one.format)?.title ?? one.format}</small>
                </button>
              </li>
            ))}
          </ul>
          <DestinationView key={destination.id} destination={destination} />
        </div>
      )}
    </>
  );
}

function DestinationView({ destination }: { destination: Destination }) {
  const { brand: newest, run } = useBrand((state) => ({ brand: state.brand, run: state.run }));
  const brand = useDeferredValue(newest);
  const mayEdit = useMayEdit();
  const format = formatById(destination.format);
  const written = useMemo(() => writeDestination(brand, destination), [brand, destination]);
  return (
    <section className={css.view}>
      <p className={css.purpose}>{format?.purpose}</p>
      <DestinationOptions destination={destination} />
      {written.problems.map((problem) => (
        <p key={problem.message} className={css.problem} data-severity={problem.severity}>
          <b>{problem.severity === 'error' ? 'Stops the release.' : 'Note.'}</b> {problem.message}
        </p>
      ))}
      <FilePreview files={written.files} />
      <Button
        size="2xs"
        variant="ghost"
        alignSelf="flex-start"
        disabled={!mayEdit}
        onClick={() =>
          run({ label: `Stop shipping ${destination.name}`, steps: [{ do: 'destination.remove', id: destination.id }] })
        }
      >
        Remove this destination
      </Button>
    </section>
  );
}
