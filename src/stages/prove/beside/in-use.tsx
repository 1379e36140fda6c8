import { useMemo } from 'react';
import { tintGroups, tintsOf } from '@/core/brand/tools/tint-tokens';
import type { AlignedBy } from '@/core/brand/reading/beside';
import { colouredCells } from '@/core/data/cells';
import { fromPalette } from '@/core/data/category-colours';
import { readColour } from '@/core/colour/read';
import { ByCategory } from '@/ui/charts/by-category';
import { SIZE } from '@/ui/charts/chart';
import { groundColours } from '@/ui/charts/ground';
import { HeatMap } from '@/ui/charts/heat-map';
import { useCategoryColours } from '@/ui/charts/use-category-colours';
import { useData, type ChartData } from '@/ui/charts/use-data';
import { Sheet } from '@/ui/interface/sheet';
import { drawnWith, type Lane, type Material } from './lanes';
import css from './beside.module.css';

interface InUseProps {
  lanes: readonly Lane[];
  material: Material;
  by: AlignedBy;
}

/** The same interface under each lane. */
export function InterfacesBeside({ lanes, material, by }: InUseProps) {
  return (
    <div className={css.lanes}>
      {lanes.map((lane, at) => (
        <LaneSheet key={at} lane={lane} first={lanes[0]!} material={material} by={by} />
      ))}
    </div>
  );
}

interface LaneProps {
  lane: Lane;
  first: Lane;
  material: Material;
  by: AlignedBy;
}

function LaneSheet({ lane, first, material, by }: LaneProps) {
  const { brand, theme } = useMemo(() => drawnWith(lane, first, material, by), [lane, first, material, by]);
  const [group] = useMemo(() => tintGroups(brand), [brand]);
  const tints = useMemo(() => (group ? tintsOf(brand, group) : null), [brand, group]);
  return <Sheet brand={brand} theme={theme} group={group} tints={tints} />;
}

/** The same charts under each lane. */
export function ChartsBeside({ lanes, material, by }: InUseProps) {
  const { data } = useData();
  if (!data) return null;
  return (
    <div className={css.lanes}>
      {lanes.map((lane, at) => (
        <LaneCharts key={at} data={data} lane={lane} first={lanes[0]!} material={material} by={by} />
      ))}
    </div>
  );
}

const BY_VALUE = { by: 'value', classes: null, middle: null } as const;
const SHOWN = ['Bars', 'Lines', 'Stacked areas'] as const;

function LaneCharts({ data, lane, first, material, by }: LaneProps & { data: ChartData }) {
  const { brand, theme } = useMemo(() => drawnWith(lane, first, material, by), [lane, first, material, by]);
  const { colours } = useCategoryColours(brand, theme, data, null, 'repeats');
  const look = groundColours(brand, theme, 'theme');
  const palette = 'palette' in lane.of ? lane.of.palette : null;
  const own = useMemo(
    () =>
      palette &&
      fromPalette(
        palette,
        data.sums.categories.map(({ name }) => name),
        'repeats',
      ),
    [palette, data],
  );
  // The order of a series is what it is for, so it is shown as amounts.
  const isSeries = palette && (palette.kind === 'sequential' || palette.kind === 'diverging');
  const cells = useMemo(
    () =>
      isSeries
        ? colouredCells(
            data.sums,
            palette.swatches.map(({ value }) => readColour(value)!.hex),
            BY_VALUE,
          )
        : [],
    [isSeries, data, palette],
  );
  if (isSeries) return <HeatMap sums={data.sums} cells={cells} width={SIZE.width} {...look} />;
  return <ByCategory sums={data.sums} colours={own ?? colours} only={SHOWN} {...look} />;
}
