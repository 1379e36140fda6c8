import { useMemo } from 'react';
import type { Brand } from '@/core/brand/document/document';
import { tintGroups, tintsOf } from '@/core/brand/tools/tint-tokens';
import { useBrand } from '@/ui/store/brand-context';
import { themeIn } from '@/ui/changes/colours-of';
import { ByCategory } from '@/ui/charts/by-category';
import { groundColours } from '@/ui/charts/ground';
import { useCategoryColours } from '@/ui/charts/use-category-colours';
import { useData, type ChartData } from '@/ui/charts/use-data';
import { Sheet } from '@/ui/interface/sheet';
import css from './sign-off.module.css';

interface BeforeAfterProps {
  before: Brand | null;
  after: Brand;
}

/** The same interface with the colours that were released and with those of now. */
export function InterfaceBeforeAfter({ before, after }: BeforeAfterProps) {
  return (
    <div className={css.pair} data-testid="before-after">
      {before && <OneInterface brand={before} />}
      <OneInterface brand={after} />
    </div>
  );
}

function OneInterface({ brand }: { brand: Brand }) {
  const theme = themeIn(
    brand,
    useBrand((state) => state.theme),
  );
  const [group] = useMemo(() => tintGroups(brand), [brand]);
  const tints = useMemo(() => (group ? tintsOf(brand, group) : null), [brand, group]);
  return <Sheet brand={brand} theme={theme} group={group} tints={tints} />;
}

const CHARTS = ['Bars', 'Lines'] as const;

/** The same charts with the colours that were released and with those of now. */
export function ChartsBeforeAfter({ before, after }: BeforeAfterProps) {
  const { data } = useData();
  if (!data) return <p>Drawing the charts…</p>;
  return (
    <div className={css.pair} data-testid="before-after">
      {before && <OneChart brand={before} data={data} />}
      <OneChart brand={after} data={data} />
    </div>
  );
}

function OneChart({ brand, data }: { brand: Brand; data: ChartData }) {
  const theme = themeIn(
    brand,
    useBrand((state) => state.theme),
  );
  const { colours } = useCategoryColours(brand, theme, data, null, 'repeats');
  return <ByCategory sums={data.sums} colours={colours} only={CHARTS} {...groundColours(brand, theme, 'theme')} />;
}
