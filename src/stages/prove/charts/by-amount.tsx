import { NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { Bar, BarChart, Cell, Scatter, ScatterChart, XAxis, YAxis, ZAxis } from 'recharts';
import { readColour } from '@/core/colour/read';
import { colourAlong, placesAlong, type ByValue } from '@/core/data/by-value';
import { cellsOf, colouredCells } from '@/core/data/cells';
import type { Sums } from '@/core/data/sums';
import { useBrand } from '@/ui/store/brand-context';
import { Choice, Dial } from '@/ui/dial';
import { Chart, SIZE, type ChartLook } from '@/ui/charts/chart';
import { Coast } from './coast';
import { HeatMap } from '@/ui/charts/heat-map';
import { Scale } from './scale';
import css from '@/ui/charts/charts.module.css';

const CLASSES = [3, 5, 7, 9] as const;

/** How much as a colour: a heat map, bars and bubbles in a sequential or diverging palette. */
export function ByAmount({ sums, ground, ink }: ChartLook & { sums: Sums }) {
  const palettes = useBrand((state) => state.brand.palettes);
  const series = palettes.filter(({ kind }) => kind === 'sequential' || kind === 'diverging');
  const [chosen, setChosen] = useState<string | null>(null);
  const palette = [...series, ...palettes].find(({ id }) => chosen === null || id === chosen);
  const [by, setBy] = useState<ByValue['by']>('value');
  const [classes, setClasses] = useState<number | null>(null);
  const { categories, places } = sums;
  const cells = useMemo(() => cellsOf(sums), [sums]);
  const [low, high] = useMemo(
    () => cells.reduce(([least, most], { value }) => [Math.min(least, value), Math.max(most, value)], [Infinity, -Infinity]),
    [cells],
  );
  const [middle, setMiddle] = useState<number | null>(null);
  const isDiverging = palette?.kind === 'diverging';
  // A middle that lies outside of what is drawn is that of other data.
  const turning = isDiverging
    ? middle !== null && middle >= low && middle <= high
      ? middle
      : low < 0 && high > 0
        ? 0
        : (low + high) / 2
    : null;
  if (!palette || palette.swatches.length === 0)
    return <p className={css.note}>There is no palette with colours yet; mix one first.</p>;
  const hexes = palette.swatches.map(({ value }) => readColour(value)!.hex);
  const amounts = cells.map(({ value }) => value);
  const coloured = colouredCells(sums, hexes, { by, classes, middle: turning });
  /** The same middle, where it lies among other amounts of the data too. */
  const turningIn = (values: readonly number[]) =>
    turning !== null && values.some((value) => value < turning) && values.some((value) => value > turning) ? turning : null;
  const sumsAlone = categories.map(({ sum }) => sum);
  const binMiddles = sums.bins.map((bin) => (bin.from + bin.to) / 2);
  const sumPlaces = placesAlong(sumsAlone, { by, classes, middle: turningIn(sumsAlone) });
  const bars = categories.map(({ name, sum }, at) => ({ name, sum, hex: colourAlong(hexes, sumPlaces[at]!) }));
  const binPlaces = placesAlong(binMiddles, { by, classes, middle: turningIn(binMiddles) });
  const bins = sums.bins.map((bin, at) => ({
    name: Number(bin.from.toPrecision(3)),
    rows: bin.rows,
    hex: colourAlong(hexes, binPlaces[at]!),
  }));
  const axis = { stroke: ink, tick: { fill: ink, fontSize: 10 }, tickLine: false } as const;
  const look = { ground, ink };
  return (
    <>
      <div className={css.choices}>
        <label>
          Colours of
          <NativeSelect.Root size="xs" width="190px">
            <NativeSelect.Field
              aria-label="Palette of amounts"
              value={palette.id}
              onChange={({ target }) => setChosen(target.value)}
            >
              {[...series, ...palettes.filter((each) => !series.includes(each))].map(({ id, name, kind }) => (
                <option key={id} value={id}>
                  {name}, {kind}
                </option>
              ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
        <span>by</span>
        <Choice label="By" plain options={['value', 'rank']} value={by} onChoose={setBy} />
        <Choice
          label="Classes"
          plain
          options={['continuous', ...CLASSES.map(String)]}
          value={classes === null ? 'continuous' : String(classes)}
          onChoose={(words) => setClasses(words === 'continuous' ? null : Number(words))}
        />
        {turning !== null && high > low && (
          <div className={css.middle}>
            <Dial
              label="Middle"
              shown={turning.toFixed(1)}
              value={turning}
              min={low}
              max={high}
              step={(high - low) / 200}
              onMove={setMiddle}
            />
          </div>
        )}
      </div>
      <div className={css.both}>
        <div className={css.grid}>
          <HeatMap sums={sums} cells={coloured} width={SIZE.width * 2 + 12} {...look} />
          <Chart title="Bars by amount" {...look}>
            <BarChart {...SIZE} data={bars} accessibilityLayer={false}>
              <XAxis dataKey="name" {...axis} interval="preserveStartEnd" height={20} />
              <YAxis {...axis} width={40} axisLine={false} />
              <Bar dataKey="sum" isAnimationActive={false}>
                {bars.map(({ name, hex }) => (
                  <Cell key={name} fill={hex} />
                ))}
              </Bar>
            </BarChart>
          </Chart>
          {bins.length > 1 && (
            <Chart title="Histogram" {...look}>
              <BarChart {...SIZE} data={bins} barCategoryGap={1} accessibilityLayer={false}>
                <XAxis dataKey="name" {...axis} interval="preserveStartEnd" height={20} />
                <YAxis {...axis} width={40} axisLine={false} />
                <Bar dataKey="rows" isAnimationActive={false}>
                  {bins.map(({ name, hex }) => (
                    <Cell key={name} fill={hex} />
                  ))}
                </Bar>
              </BarChart>
            </Chart>
          )}
          <Chart title="Map" {...look}>
            <Coast regions={bars} ink={ink} />
          </Chart>
          <Chart title="Bubbles" {...look}>
            <ScatterChart {...SIZE} accessibilityLayer={false}>
              <XAxis dataKey="column" type="number" {...axis} domain={[-1, Math.max(1, places.length)]} hide />
              <YAxis dataKey="value" type="number" {...axis} width={40} axisLine={false} />
              <ZAxis dataKey="value" range={[10, 160]} />
              <Scatter data={coloured.slice(0, 2_000)} isAnimationActive={false}>
                {coloured.slice(0, 2_000).map(({ row, column, hex }) => (
                  <Cell key={`${row} ${column}`} fill={hex} />
                ))}
              </Scatter>
            </ScatterChart>
          </Chart>
        </div>
        <Scale hexes={hexes} values={amounts} how={{ by, classes, middle: turning }} />
      </div>
    </>
  );
}
