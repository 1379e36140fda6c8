import { Button } from '@chakra-ui/react';
import { memo, useCallback, useMemo, useState } from 'react';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { adjust, NO_ADJUSTMENT, type Adjustment } from '@/core/palette/adjust';
import { ordered, ORDERS, shuffled } from '@/core/palette/order';
import { ApplyButtons } from '@/ui/apply-buttons';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Dial } from '@/ui/dial';
import { recolour, reorder } from '../swatch-edits';
import { useTrial } from '@/ui/use-trial';
import { targetsOf, targetWords, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

const DIALS: readonly {
  readonly key: keyof Adjustment;
  readonly label: string;
  readonly range: number;
  readonly unit: string;
}[] = [
  { key: 'lightness', label: 'Lightness', range: 1, unit: '%' },
  { key: 'chroma', label: 'Chroma', range: 1, unit: '%' },
  { key: 'hue', label: 'Hue', range: 180, unit: '°' },
  { key: 'warmth', label: 'Cold to warm', range: 1, unit: '%' },
  { key: 'contrast', label: 'Contrast', range: 1, unit: '%' },
];

/** All colours, or the chosen ones, moved together; and put in another order. */
export function AdjustTool(props: ToolProps) {
  const { palette } = props;
  const mayEdit = useMayEdit();
  const [adjustment, setAdjustment] = useState(NO_ADJUSTMENT);
  const reset = useCallback(() => setAdjustment(NO_ADJUSTMENT), []);
  const targets = targetsOf(props);
  const command = useMemo(() => {
    const values = adjust(
      targets.map(({ value }) => value),
      adjustment,
    );
    return recolour(
      targets.map((swatch, at) => ({ swatch, value: values[at]! })),
      `Adjust ${targets.length === palette.swatches.length ? palette.name : `${targets.length} swatches`}`,
    );
  }, [targets, adjustment, palette]);
  useTrial(command);
  const percent = (value: number, unit: string) =>
    `${value > 0 ? '+' : ''}${Math.round(unit === '°' ? value : value * 100)} ${unit}`;
  return (
    <ToolFrame title="Adjust" on={targetWords(props)} acts={<ApplyButtons onDone={reset} />}>
      <div className={`${css.dials} ${css.five}`}>
        {DIALS.map(({ key, label, range, unit }) => (
          <Dial
            key={key}
            label={label}
            shown={percent(adjustment[key], unit)}
            value={adjustment[key]}
            min={-range}
            max={range}
            step={range / 100}
            disabled={!mayEdit}
            onMove={(value) => setAdjustment({ ...adjustment, [key]: value })}
          />
        ))}
      </div>
      <p className={css.said}>
        <kbd>+</kbd> one step brighter, <kbd>-</kbd> one step dimmer. Locked swatches stay.
      </p>
      <Order palette={palette} targets={targets} />
    </ToolFrame>
  );
}

/** Puts the colours in another order; by itself, because its buttons need not be drawn while a dial moves. */
const Order = memo(function Order({ palette, targets }: { palette: Palette; targets: readonly Swatch[] }) {
  const run = useBrand((state) => state.run);
  const mayEdit = useMayEdit();
  const [seed, setSeed] = useState(1);
  const arrange = (swatches: typeof targets, label: string) => {
    const places = new Set(targets.map(({ id }) => id));
    const next = swatches[Symbol.iterator]();
    // The chosen ones change places among themselves; the others stay where they are.
    const ids = palette.swatches.map(({ id }) => (places.has(id) ? next.next().value!.id : id));
    const step = reorder(palette, ids, label);
    if (step) run(step);
  };
  return (
    <div className={css.title} role="group" aria-label="Order" style={{ marginTop: 12 }}>
      <h2>Order</h2>
      {ORDERS.map((by) => (
        <Button
          key={by}
          size="2xs"
          variant="outline"
          disabled={!mayEdit}
          onClick={() => arrange(ordered(targets, by), `Sort by ${by}`)}
        >
          {by === 'path' ? 'Path of least steps' : `By ${by}`}
        </Button>
      ))}
      <Button
        size="2xs"
        variant="outline"
        disabled={!mayEdit}
        onClick={() => {
          arrange(shuffled(targets, seed), `Shuffle, seed ${seed}`);
          setSeed(seed + 1);
        }}
      >
        Shuffle
      </Button>
      <code>seed {seed}</code>
    </div>
  );
});
