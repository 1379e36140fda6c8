import type { CategoryColour } from '@/core/data/category-colours';
import css from './charts.module.css';

const HOW: Readonly<Record<CategoryColour['how'], string>> = {
  pinned: '● pinned',
  given: '',
  repeated: '△ repeated',
  'filled in': '△ filled in',
};

/** Each category with its colour; a swatch of the strand that is dropped on one is pinned to it. */
export function Legend({ colours, over }: { colours: readonly CategoryColour[]; over: string | null }) {
  return (
    <ul className={css.legend} aria-label="Categories">
      {colours.map(({ name, hex, how }) => (
        <li key={name} data-category={name} data-how={how} data-over={over === name || undefined}>
          <i style={{ background: hex }} />
          <span>{name}</span>
          <small>{HOW[how]}</small>
        </li>
      ))}
    </ul>
  );
}
