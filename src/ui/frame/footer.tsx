import css from './frame.module.css';

export function Footer({ guideHidden, onGuide }: { guideHidden: boolean; onGuide: () => void }) {
  return (
    <footer className={css.footer}>
      <span>
        <kbd>1</kbd>
        <kbd>6</kbd>stages
      </span>
      <span>
        <kbd>Ctrl Z</kbd>undo
      </span>
      <span>
        <kbd>Ctrl Shift Z</kbd>redo
      </span>
      <span>
        <kbd>T</kbd>next theme
      </span>
      <span>
        <kbd>G</kbd>next surround: mid grey judges steadiest
      </span>
      {guideHidden && <button onClick={onGuide}>Show the guide</button>}
    </footer>
  );
}
