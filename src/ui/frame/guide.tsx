import Link from 'next/link';
import { useBrand } from '../brand-context';
import { STAGES } from './stages';
import css from './frame.module.css';

/** Where to begin, for a first visit. */
export function Guide({ onHide }: { onHide: () => void }) {
  const id = useBrand((state) => state.id);
  return (
    <section className={css.guide} aria-label="Guide">
      <h2>From a list of colours to screens proved identical, in six stops</h2>
      <button onClick={onHide}>Hide the guide</button>
      <ol>
        {STAGES.map((stage) => (
          <li key={stage.id}>
            <Link href={`/brand/${id}/${stage.id}`}>{stage.label}</Link>
            {stage.first}
          </li>
        ))}
      </ol>
    </section>
  );
}
