import { colourAlong, placesAlong, type ByValue } from '@/core/data/by-value';
import css from '@/ui/charts/charts.module.css';

interface Props {
  hexes: readonly string[];
  /** Every amount that is drawn. */
  values: readonly number[];
  how: ByValue;
}

const STEPS = 48;

/** Which amount has which colour, the greatest on top. */
export function Scale({ hexes, values, how }: Props) {
  const known = values.filter((value) => !Number.isNaN(value)).sort((one, two) => one - two);
  const [low, high] = [known[0] ?? 0, known.at(-1) ?? 0];
  const amounts = Array.from({ length: STEPS }, (_, at) =>
    // By rank equal parts of the scale stand for as many amounts each, by value for as much.
    how.by === 'rank' ? known[Math.round((at / (STEPS - 1)) * (known.length - 1))]! : low + ((high - low) * at) / (STEPS - 1),
  );
  const places = placesAlong([...amounts, ...known], how).slice(0, STEPS);
  const words = (value: number) => Number(value.toPrecision(3)).toLocaleString('en');
  return (
    <figure className={css.scale} aria-label="Which amount has which colour">
      <div>
        {[...places].reverse().map((place, at) => (
          <i key={at} style={{ background: colourAlong(hexes, place) }} />
        ))}
      </div>
      <figcaption>
        {[1, 0.75, 0.5, 0.25, 0].map((share) => (
          <span key={share}>{words(amounts[Math.round(share * (STEPS - 1))] ?? 0)}</span>
        ))}
      </figcaption>
    </figure>
  );
}
