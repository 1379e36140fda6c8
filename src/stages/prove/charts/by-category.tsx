import { memo } from 'react';
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
  ZAxis,
} from 'recharts';
import type { CategoryColour } from '@/core/data/category-colours';
import type { Sums } from '@/core/data/sums';
import { Chart, SIZE, type ChartLook } from './chart';
import css from './charts.module.css';

interface Props extends ChartLook {
  sums: Sums;
  colours: readonly CategoryColour[];
  /** The charts that are wanted, by their titles; all, when not given. */
  only?: readonly CategoryChart[];
  /** The category that a dragged swatch is over. */
  over?: string | null;
}

/** What categories are drawn as, from the same rows. */
export const CATEGORY_CHARTS = ['Bars', 'Ring', 'Lines', 'Stacked areas', 'Scatter'] as const;
export type CategoryChart = (typeof CATEGORY_CHARTS)[number];

/** One colour for each category: bars, a ring, lines and stacked areas of the same sums, and single rows by two amounts. */
export const ByCategory = memo(function ByCategory({ sums, colours, ground, ink, only = CATEGORY_CHARTS, over = null }: Props) {
  const look = { ground, ink };
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
    <div className={css.grid}>
      {wanted('Bars') && (
        <Chart title="Bars" {...look}>
          <BarChart {...SIZE} data={bars} accessibilityLayer={false}>
            <XAxis dataKey="name" {...axis} interval="preserveStartEnd" height={20} />
            <YAxis {...axis} width={40} axisLine={false} />
            <Bar dataKey="sum" isAnimationActive={false}>
              {colours.map(({ name, hex }) => (
                <Cell key={name} fill={hex} stroke={stroke(name)} data-category={name} />
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
              {colours.map(({ name, hex }) => (
                <Cell key={name} fill={hex} data-category={name} />
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
            {colours.map(({ name, hex }, at) => (
              <Line
                key={name}
                dataKey={`c${at}`}
                name={name}
                stroke={hex}
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
            {colours.map(({ name, hex }, at) => (
              <Area
                key={name}
                dataKey={`c${at}`}
                name={name}
                stackId="all"
                fill={hex}
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
            <XAxis dataKey="x" type="number" {...axis} height={20} />
            <YAxis dataKey="y" type="number" {...axis} width={40} axisLine={false} />
            <ZAxis range={[22, 22]} />
            <Scatter data={points} isAnimationActive={false}>
              {points.map(({ category }, at) => (
                <Cell key={at} fill={colours[category]?.hex ?? ink} />
              ))}
            </Scatter>
          </ScatterChart>
        </Chart>
      )}
    </div>
  );
});
