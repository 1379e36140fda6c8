import type { Swatch } from '@/core/brand/document/palette-shape';
import { swatchesOf } from '@/core/brand/reading/resolve';
import type { CategoryColour } from '@/core/data/category-colours';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { SwatchSliders } from '@/ui/swatch-sliders';
import css from '@/ui/charts/charts.module.css';

const HOW: Readonly<Record<CategoryColour['how'], string>> = {
  pinned: '● pinned',
  given: '',
  repeated: '△ repeated',
  'filled in': '△ filled in',
};

interface LegendProps {
  colours: readonly CategoryColour[];
  over: string | null;
  /** The category whose colour is moved. */
  chosen: string | null;
  onChoose: (name: string | null) => void;
}

/** Each category with its colour, which moves with its sliders once it is pressed; a swatch of the strand that is dropped on one is pinned to it. */
export function Legend({ colours, over, chosen, onChoose }: LegendProps) {
  const swatches = useBrand((state) => swatchesOf(state.replica.brand));
  return (
    <ul className={css.legend} aria-label="Categories">
      {colours.map(({ name, hex, how, swatch }) => (
        <li key={name} data-category={name} data-how={how} data-over={over === name || undefined}>
          <button aria-expanded={chosen === name} onClick={() => onChoose(chosen === name ? null : name)}>
            <i style={{ background: hex }} />
            <span>{name}</span>
            <small>{HOW[how]}</small>
          </button>
          {chosen === name && <Move swatch={(swatch && swatches.get(swatch)?.swatch) || null} />}
        </li>
      ))}
    </ul>
  );
}

function Move({ swatch }: { swatch: Swatch | null }) {
  const mayEdit = useMayEdit();
  if (!swatch) return <p>Its colour is in no swatch of the brand; drop one on it.</p>;
  return (
    <div>
      <p>
        {swatch.name}
        {swatch.locked && ', locked'}
      </p>
      <SwatchSliders swatch={swatch} disabled={swatch.locked || !mayEdit} />
    </div>
  );
}
