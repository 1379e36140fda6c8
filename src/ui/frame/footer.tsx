import { KEYS } from '../keys/keys';
import css from './frame.module.css';

/** So many of the keys that work everywhere fit on the line; the others are a press away. */
const SHOWN = 5;

export function Footer({ guideHidden, onGuide, onKeys }: { guideHidden: boolean; onGuide: () => void; onKeys: () => void }) {
  return (
    <footer className={css.footer}>
      {KEYS.everywhere.slice(0, SHOWN).map(({ keys, does }) => (
        <span key={does}>
          {keys.map((key) => (key === '…' ? '… ' : <kbd key={key}>{key}</kbd>))}
          {does}
        </span>
      ))}
      <button onClick={onKeys}>
        <kbd>?</kbd>all keys
      </button>
      {guideHidden && <button onClick={onGuide}>Show the guide</button>}
    </footer>
  );
}
