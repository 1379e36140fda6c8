import { useMemo, useState, type ReactNode } from 'react';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { readColour } from '@/core/colour/read';
import { CLASSES, sequential, type Sequential } from '@/core/palette/series';
import { Choice, Dial } from '@/ui/dial';
import { SeriesPlot } from '@/ui/plots/series-plot';
import { Strip } from '@/ui/strip';
import { numberedNames, PlaceButtons, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

const FIRST = ['light', 'dark'] as const;
/** Past more hues than this a series would be a rainbow. */
const HUES = 8;

/** Lightness falls at every step, by steps equal to the eye, past the hues of the chosen colours. */
export function SequentialSeries({ palette, chosen, choice }: ToolProps & { choice: ReactNode }) {
  const [count, setCount] = useState(9);
  const [continuous, setContinuous] = useState(false);
  const [light, setLight] = useState(0.96);
  const [dark, setDark] = useState(0.32);
  const [chroma, setChroma] = useState(1);
  const [first, setFirst] = useState<Sequential['first']>('light');
  const sources = useMemo(
    () => (chosen.all.length > 0 ? chosen.all : liveliest(palette.swatches)),
    [chosen.all, palette.swatches],
  );
  const values = useMemo(() => {
    const hues = sources.slice(0, HUES).map(({ value }) => value);
    return hues.length === 0
      ? []
      : sequential({ hues, count: continuous ? CLASSES.continuous : count, light, dark, first, chroma });
  }, [sources, count, continuous, light, dark, first, chroma]);
  const label = `${sources[0]?.name ?? 'Sequential'} series`;
  return (
    <ToolFrame
      title="Series"
      choice={choice}
      on={
        sources.length === 0
          ? 'needs a colour to start from'
          : `past ${sources
              .map(({ name }) => name)
              .slice(0, 3)
              .join(', ')}; choose several for several hues`
      }
      acts={<PlaceButtons palette={palette} label={label} kind="sequential" colours={numberedNames(label, values)} />}
    >
      <Strip label="Series" values={values} />
      <div className={css.dials}>
        <Dial
          label="Classes"
          shown={continuous ? 'continuous' : count}
          value={count}
          min={CLASSES.least}
          max={CLASSES.most}
          disabled={continuous}
          onMove={setCount}
        />
        <Dial label="Lightest" shown={light.toFixed(2)} value={light} min={0.6} max={0.99} step={0.01} onMove={setLight} />
        <Dial label="Darkest" shown={dark.toFixed(2)} value={dark} min={0.12} max={0.55} step={0.01} onMove={setDark} />
        <label className={css.check}>
          <input type="checkbox" checked={continuous} onChange={(event) => setContinuous(event.target.checked)} />
          continuous, as {CLASSES.continuous} stops
        </label>
        <Dial
          label="Chroma"
          shown={`${Math.round(chroma * 100)} %`}
          value={chroma}
          min={0}
          max={1.6}
          step={0.02}
          onMove={setChroma}
        />
        <Choice label="First" options={FIRST} value={first} onChoose={setFirst} />
      </div>
      {values.length > 1 && <SeriesPlot values={values} />}
    </ToolFrame>
  );
}

/** The one with the most chroma, which says best what hue is meant; none of none. */
function liveliest(swatches: readonly Swatch[]): readonly Swatch[] {
  const chroma = ({ value }: Swatch) => readColour(value)!.oklch[1];
  return swatches.length === 0 ? [] : [swatches.reduce((best, swatch) => (chroma(swatch) > chroma(best) ? swatch : best))];
}
