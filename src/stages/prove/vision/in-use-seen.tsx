import { useCallback, useMemo } from 'react';
import { tintGroups, tintsOf } from '@/core/brand/tools/tint-tokens';
import type { ReadColour } from '@/core/colour/read';
import { VISIONS, type Vision } from '@/core/colour/vision';
import type { CategoryColour } from '@/core/data/category-colours';
import { useBrand } from '@/ui/store/brand-context';
import { VISION_WORDS } from '@/ui/vision-words';
import { ByCategory } from '@/ui/charts/by-category';
import { groundColours } from '@/ui/charts/ground';
import { useCategoryColours } from '@/ui/charts/use-category-colours';
import { useData, type ChartData } from '@/ui/charts/use-data';
import { Sheet } from '@/ui/interface/sheet';
import { hexSeen } from './other-eyes';
import css from './vision.module.css';

interface SeenProps {
  /** How much the cone lacks, 0..1. */
  severity: number;
}

/** Bars and lines of the data with each kind of eyes. */
export function ChartSeen({ severity }: SeenProps) {
  const { brand, theme } = useBrand((state) => ({ brand: state.brand, theme: state.theme }));
  const { data } = useData();
  const { colours } = useCategoryColours(brand, theme, data, null, 'repeats');
  return (
    <div className={css.inUse}>
      {data &&
        VISIONS.map((vision) => (
          <section key={vision} aria-label={`The chart ${VISION_WORDS[vision]}`} data-vision={vision}>
            <h2>{VISION_WORDS[vision]}</h2>
            <SeenCharts
              data={data}
              colours={colours}
              look={groundColours(brand, theme, 'theme')}
              vision={vision}
              severity={severity}
            />
          </section>
        ))}
    </div>
  );
}

interface SeenChartsProps extends SeenProps {
  data: ChartData;
  colours: readonly CategoryColour[];
  look: ReturnType<typeof groundColours>;
  vision: Vision;
}

function SeenCharts({ data, colours, look, vision, severity }: SeenChartsProps) {
  const seen = useMemo(
    () => colours.map((colour) => ({ ...colour, hex: hexSeen(colour, vision, severity) })),
    [colours, vision, severity],
  );
  const [ground, ink] = [look.ground, look.ink].map((hex) => hexSeen({ hex }, vision, severity)) as [string, string];
  return <ByCategory sums={data.sums} colours={seen} ground={ground} ink={ink} only={SHOWN} />;
}

const SHOWN = ['Bars', 'Lines'] as const;

/** The interface with each kind of eyes. */
export function InterfaceSeen({ severity }: SeenProps) {
  return (
    <div className={css.sheets}>
      {VISIONS.map((vision) => (
        <section key={vision} aria-label={`The interface ${VISION_WORDS[vision]}`} data-vision={vision}>
          <h2>{VISION_WORDS[vision]}</h2>
          <SeenSheet vision={vision} severity={severity} />
        </section>
      ))}
    </div>
  );
}

function SeenSheet({ vision, severity }: SeenProps & { vision: Vision }) {
  const { brand, theme } = useBrand((state) => ({ brand: state.brand, theme: state.theme }));
  const [group] = useMemo(() => tintGroups(brand), [brand]);
  const see = useCallback((colour: ReadColour) => hexSeen(colour, vision, severity), [vision, severity]);
  return <Sheet brand={brand} theme={theme} see={see} group={group} tints={group ? tintsOf(brand, group) : null} />;
}
