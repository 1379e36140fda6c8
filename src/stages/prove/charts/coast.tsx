import { SIZE } from '@/ui/charts/chart';

interface Props {
  regions: readonly { readonly name: string; readonly sum: number; readonly hex: string }[];
  ink: string;
}

/** Regions along an invented coast, as many as there are amounts, each in its colour. The same regions, the same coast. */
export function Coast({ regions, ink }: Props) {
  const { width, height } = SIZE;
  const count = regions.length;
  const x = (at: number) => 6 + ((width - 12) * at) / count;
  const wave = (at: number, long: number, deep: number) => deep * (Math.sin(at * long) + Math.sin(at * long * 2.7 + 1));
  const shore = (at: number) => height * 0.74 + wave(at, 0.9, height * 0.07);
  const inland = (at: number) => height * 0.24 + wave(at + 3, 0.6, height * 0.05);
  /** A few points between two borders, so that a coast is no straight line. */
  const along = (from: number, to: number, line: (at: number) => number) =>
    Array.from({ length: 6 }, (_, step) => {
      const at = from + ((to - from) * step) / 5;
      return `${x(at).toFixed(1)},${line(at).toFixed(1)}`;
    });
  return (
    <svg width={width} height={height} role="img" aria-label="Map of an invented coast">
      {regions.map(({ name, sum, hex }, at) => (
        <polygon
          key={name}
          points={[...along(at, at + 1, inland), ...along(at + 1, at, shore)].join(' ')}
          fill={hex}
          stroke={ink}
          strokeWidth={0.6}
        >
          <title>{`${name}: ${sum}`}</title>
        </polygon>
      ))}
    </svg>
  );
}
