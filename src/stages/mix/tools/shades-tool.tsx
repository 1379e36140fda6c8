import { useMemo, useState } from 'react';
import { contrastRatio } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { SHADE_COUNT, SHADE_LABELS, shades } from '@/core/palette/shades';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { Strip } from '@/ui/strip';
import { nameOf, PlaceButtons, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

const PAPER = readColour('#ffffff')!;

/** A ladder of shades about the chosen colour, which stands in it untouched. */
export function ShadesTool({ palette, chosen }: ToolProps) {
  const [labels, setLabels] = useState<readonly string[]>(SHADE_LABELS);
  const base = chosen.lead ?? palette.swatches[0];
  const ladder = useMemo(() => (base ? shades(base.value, labels) : []), [base, labels]);
  if (!base) return <p className={css.note}>Shades are made from a swatch; there is none yet.</p>;
  const relabel = (text: string) => {
    const wanted = text
      .split(/[,\s]+/)
      .map((label) => label.slice(0, 20))
      .filter(Boolean);
    if (new Set(wanted).size !== wanted.length || wanted.length < SHADE_COUNT.least || wanted.length > SHADE_COUNT.most)
      tell(`A ladder has ${SHADE_COUNT.least} to ${SHADE_COUNT.most} labels, each another, with commas between.`);
    else setLabels(wanted);
    return true;
  };
  const baseShade = ladder.find((shade) => shade.base)!;
  return (
    <ToolFrame
      title={`Shades of ${base.name}`}
      on={`it stands at ${baseShade.label} by its lightness, untouched`}
      acts={
        <PlaceButtons
          palette={palette}
          label={base.name}
          kind="brand"
          colours={ladder.map(({ label, value }) => ({ name: nameOf(base.name, label), value }))}
        />
      }
    >
      <Strip
        label="Shades"
        values={ladder.map(({ value }) => value)}
        labels={ladder.map(({ label, base: it }) => (it ? `${label} •` : label))}
        height={84}
      />
      <ol className={css.under} aria-label="Contrast on white">
        {ladder.map(({ label, value }) => (
          <li key={label}>
            <code>{contrastRatio(readColour(value)!, PAPER).toFixed(1)}</code>
          </li>
        ))}
      </ol>
      <p className={css.said}>
        Below each: its contrast on white paper. It is the same for this step of every family, whatever the hue; text needs 4.5.
      </p>
      <div className={css.dials}>
        <label className={css.field} style={{ gridColumn: '1 / 4' }}>
          Labels, light to dark
          <CommitInput mono value={labels.join(', ')} onCommit={relabel} />
        </label>
        {labels !== SHADE_LABELS && (
          <button className={css.plain} onClick={() => setLabels(SHADE_LABELS)}>
            50 to 950 again
          </button>
        )}
      </div>
    </ToolFrame>
  );
}
