import { useMemo, useState, type ReactNode } from 'react';
import { readColour } from '@/core/colour/read';
import { CLASSES, diverging } from '@/core/palette/series';
import { Dial } from '@/ui/dial';
import { SeriesPlot } from '@/ui/plots/series-plot';
import { Strip } from '@/ui/strip';
import { numberedNames, PlaceButtons, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

/** Two arms of equal lightness about a middle, in the hues of the first and the last chosen colour. */
export function DivergingSeries({ palette, chosen, choice }: ToolProps & { choice: ReactNode }) {
  const [count, setCount] = useState(11);
  const [middle, setMiddle] = useState(0.95);
  const [tint, setTint] = useState(0);
  const [end, setEnd] = useState<number | null>(null);
  const sources = chosen.all.length > 1 ? chosen.all : palette.swatches;
  const [low, high] = [sources[0], sources.at(-1)];
  const between = low && high ? (readColour(low.value)!.oklch[0] + readColour(high.value)!.oklch[0]) / 2 : 0.4;
  const ends = end ?? Math.min(0.6, Math.max(0.25, between));
  const values = useMemo(
    () => (low && high ? diverging({ low: low.value, high: high.value, count, middle, end: ends, tint }) : []),
    [low, high, count, middle, ends, tint],
  );
  const label = `${low?.name ?? ''} to ${high?.name ?? ''}`.slice(0, 110);
  return (
    <ToolFrame
      title="Series"
      choice={choice}
      on={
        low === high ? 'needs two colours for its arms' : `from ${low?.name} to ${high?.name}; choose two others for other arms`
      }
      acts={<PlaceButtons palette={palette} label={label} kind="diverging" colours={numberedNames(label, values)} />}
    >
      <Strip label="Series" values={values} />
      <div className={css.dials}>
        <Dial
          label={`Classes, ${count % 2 === 1 ? 'with' : 'without'} a middle`}
          shown={count}
          value={count}
          min={CLASSES.least}
          max={CLASSES.most}
          onMove={setCount}
        />
        <Dial
          label="Lightness of the middle"
          shown={middle.toFixed(2)}
          value={middle}
          min={0.1}
          max={0.99}
          step={0.01}
          onMove={setMiddle}
        />
        <Dial
          label="Lightness of the ends"
          shown={ends.toFixed(2)}
          value={ends}
          min={0.15}
          max={0.9}
          step={0.01}
          onMove={setEnd}
        />
        <Dial
          label={tint === 0 ? 'Neutral middle' : 'Tint of the middle'}
          shown={tint.toFixed(3)}
          value={tint}
          min={0}
          max={0.06}
          step={0.002}
          onMove={setTint}
        />
      </div>
      {values.length > 1 && <SeriesPlot values={values} />}
    </ToolFrame>
  );
}
