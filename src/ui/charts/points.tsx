import { useXAxisScale, useYAxisScale } from 'recharts';
import type { Point } from '@/core/data/sums';

/** Diameter of a mark, in pixels. */
const SIZE = 5.5;

interface PointsProps {
  points: readonly Point[];
  colours: readonly string[];
}

/** Single rows as marks within a chart's axes: those of a category are one path, so that thousands of them cost no more than a few lines. */
export function Points({ points, colours }: PointsProps) {
  const [x, y] = [useXAxisScale(), useYAxisScale()];
  if (!x || !y) return null;
  const marks = colours.map(() => '');
  // A line of no length with round ends is a dot.
  for (const point of points) marks[point.category] += `M${x(point.x)!.toFixed(1)} ${y(point.y)!.toFixed(1)}h0`;
  return marks.map(
    (path, at) =>
      path && <path key={at} d={path} fill="none" stroke={colours[at]} strokeWidth={SIZE} strokeLinecap="round" data-mark={at} />,
  );
}

/** From the least to the greatest, a little wider where all are the same. */
export function rangeOf(values: readonly number[]): [number, number] {
  const [low, high] = values.reduce(([least, most], value) => [Math.min(least, value), Math.max(most, value)], [
    Infinity,
    -Infinity,
  ] as [number, number]);
  return low < high ? [low, high] : [low - 1, high + 1];
}
