import { memo, useLayoutEffect, useRef } from 'react';
import {
  Area,
  AreaChart,
  Bar,
  BarChart,
  CartesianGrid,
  Cell,
  Line,
  LineChart,
  Pie,
  PieChart,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts';
import type { CategoryColour } from '@/core/data/category-colours';
import type { Sums } from '@/core/data/sums';
import { Chart, SIZE, type ChartLook } from './chart';
import { Points, rangeOf } from './points';
import css from './charts.module.css';

/** What categories are drawn as, from the same rows. */
export const CATEGORY_CHARTS = ['Bars', 'Ring', 'Lines', 'Stacked areas', 'Scatter'] as const;
export type CategoryChart = (typeof CATEGORY_CHARTS)[number];

interface DrawnProps {
  sums: Sums;
  /** The charts that are wanted, by their titles; all, when not given. */
  only?: readonly CategoryChart[];
  /** The category that a dragged swatch is over. */
  over?: string | null;
}

interface ByCategoryProps extends DrawnProps, ChartLook {
  /** Of the categories of the sums, in their order. */
  colours: readonly CategoryColour[];
}

/**
 * One colour for each category: bars, a ring, lines and stacked areas of the same sums, and single rows by two amounts. Making thousands of marks
 * takes longer than a frame; so a colour that moves is given to the marks that have it, and they are made anew only for other data.
 */
export function ByCategory(props: ByCategoryProps) {
  const charts = useRef<HTMLDivElement>(null);
  const { colours } = props;
  /** What the marks have. */
  const painted = useRef(colours);
  useLayoutEffect(() => {
    colours.forEach(({ hex }, at) => {
      if (painted.current[at]?.hex === hex) return;
      for (const mark of charts.current!.querySelectorAll(`[data-mark="${at}"]`))
        mark.setAttribute(mark.getAttribute('fill') === 'none' ? 'stroke' : 'fill', hex);
    });
    painted.current = colours;
  }, [colours]);
  return (
    <div ref={charts} className={css.grid}>
      <Drawn {...props} />
    </div>
  );
}

/** Whether charts are the same but for the colours of their categories. */
function sameBut(one: ByCategoryProps, two: ByCategoryProps): boolean {
  return (['sums', 'only', 'over', 'ground', 'ink'] as const).every((key) => one[key] === two[key]);
}

const Drawn = memo(function Drawn({ sums, colours, ground, ink, only = CATEGORY_CHARTS, over = null }: ByCategoryProps) {
  const look = { ground, ink };
  const colourOf = (category: number) => colours[category]?.hex ?? ink;
  const { categories, places, points } = sums;
  const wanted = (title: CategoryChart) => only.includes(title);
  const bars = categories.map(({ name, sum }) => ({ name, sum }));
  const along = places.map((place, at) => ({
    place,
    ...Object.fromEntries(categories.map((category, n) => [`c${n}`, category.along[at]!])),
  }));
  const stroke = (name: string) => (over === name ? ink : 'none');
  const axis = { stroke: ink, tick: { fill: ink, fontSize: 10, fontFamily: 'inherit' }, tickLine: false } as const;
  return (
    <>
      {wanted('Bars') && (
        <Chart title="Bars" {...look}>
          <BarChart {...SIZE} data={bars} accessibilityLayer={false}>
            <XAxis dataKey="name" {...axis} interval="preserveStartEnd" height={20} />
            <YAxis {...axis} width={40} axisLine={false} />
            <Bar dataKey="sum" isAnimationActive={false}>
              {categories.map(({ name }, at) => (
                <Cell key={name} fill={colourOf(at)} stroke={stroke(name)} data-mark={at} data-category={name} />
              ))}
            </Bar>
          </BarChart>
        </Chart>
      )}
      {wanted('Ring') && (
        <Chart title="Ring" {...look}>
          <PieChart {...SIZE} accessibilityLayer={false}>
            <Pie
              data={bars.map((each) => ({ ...each, sum: Math.max(0, each.sum) }))}
              dataKey="sum"
              nameKey="name"
              innerRadius={40}
              outerRadius={76}
              stroke={ground}
              isAnimationActive={false}
            >
              {categories.map(({ name }, at) => (
                <Cell key={name} fill={colourOf(at)} data-mark={at} data-category={name} />
              ))}
            </Pie>
          </PieChart>
        </Chart>
      )}
      {places.length > 1 && wanted('Lines') && (
        <Chart title="Lines" {...look}>
          <LineChart {...SIZE} data={along} accessibilityLayer={false}>
            <CartesianGrid stroke={ink} strokeOpacity={0.12} vertical={false} />
            <XAxis dataKey="place" {...axis} interval="preserveStartEnd" height={20} />
            <YAxis {...axis} width={40} axisLine={false} />
            {categories.map(({ name }, at) => (
              <Line
                key={name}
                dataKey={`c${at}`}
                name={name}
                stroke={colourOf(at)}
                data-mark={at}
                strokeWidth={2}
                dot={false}
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </Chart>
      )}
      {places.length > 1 && wanted('Stacked areas') && (
        <Chart title="Stacked areas" {...look}>
          <AreaChart {...SIZE} data={along} accessibilityLayer={false}>
            <XAxis dataKey="place" {...axis} interval="preserveStartEnd" height={20} />
            <YAxis {...axis} width={40} axisLine={false} />
            {categories.map(({ name }, at) => (
              <Area
                key={name}
                dataKey={`c${at}`}
                name={name}
                stackId="all"
                fill={colourOf(at)}
                data-mark={at}
                fillOpacity={1}
                stroke={ground}
                strokeWidth={0.5}
                isAnimationActive={false}
              />
            ))}
          </AreaChart>
        </Chart>
      )}
      {points.length > 0 && wanted('Scatter') && (
        <Chart title="Scatter" {...look}>
          <ScatterChart {...SIZE} accessibilityLayer={false}>
            <XAxis dataKey="x" type="number" {...axis} domain={rangeOf(points.map(({ x }) => x))} height={20} />
            <YAxis dataKey="y" type="number" {...axis} domain={rangeOf(points.map(({ y }) => y))} width={40} axisLine={false} />
            {/* Axes have a scale where something stands on them. */}
            <Scatter data={points.slice(0, 1)} shape={() => <g />} isAnimationActive={false} />
            <Points points={points} colours={categories.map((_, at) => colourOf(at))} />
          </ScatterChart>
        </Chart>
      )}
    </>
  );
}, sameBut);
