import { memo } from 'react';
import { Area, AreaChart, Bar, BarChart, CartesianGrid, Cell, Line, LineChart, Pie, PieChart, XAxis, YAxis } from 'recharts';
import type { CategoryColour } from '@/core/data/category-colours';
import type { Sums } from '@/core/data/sums';
import { Chart, SIZE, type ChartLook } from './chart';
import css from './charts.module.css';

interface Props extends ChartLook {
  sums: Sums;
  colours: readonly CategoryColour[];
  /** The category that a dragged swatch is over. */
  over: string | null;
}

/** One colour for each category: bars, lines, stacked areas and a ring of the same sums. */
export const ByCategory = memo(function ByCategory({ sums, colours, ground, ink, over }: Props) {
  const look = { ground, ink };
  const { categories, places } = sums;
  const bars = categories.map(({ name, sum }) => ({ name, sum }));
  const along = places.map((place, at) => ({
    place,
    ...Object.fromEntries(categories.map((category, n) => [`c${n}`, category.along[at]!])),
  }));
  const stroke = (name: string) => (over === name ? ink : 'none');
  const axis = { stroke: ink, tick: { fill: ink, fontSize: 10, fontFamily: 'inherit' }, tickLine: false } as const;
  return (
    <div className={css.grid}>
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
      {places.length > 1 && (
        <>
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
        </>
      )}
    </div>
  );
});
