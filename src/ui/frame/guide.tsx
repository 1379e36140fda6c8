import { StageLink } from '../stage-link';
import { STAGES } from './stages';
import css from './frame.module.css';

/** Where to begin, for a first visit. */
export function Guide({ onHide }: { onHide: () => void }) {
  return (
    <section className={css.guide} aria-label="Guide">
      <h2>From a list of colours to screens proved identical, in six stops</h2>
      <button onClick={onHide}>Hide the guide</button>
      <ol>
        {STAGES.map((stage) => (
          <li key={stage.id}>
            <StageLink stage={stage.id}>{stage.label}</StageLink>
            {stage.first}
          </li>
        ))}
      </ol>
    </section>
  );
}
