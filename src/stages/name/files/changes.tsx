import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import type { ThemeChange, TokenChange } from '@/core/intake/tokens/compare-tokens';
import { changeKey } from './change-key';
import css from './files.module.css';

const KINDS = ['added', 'changed', 'renamed', 'removed'] as const;
const HEADS: Record<TokenChange['kind'], string> = {
  added: 'New',
  changed: 'Changed',
  renamed: 'Renamed, by a guess from colours and paths',
  removed: 'Not in the files',
};
const ROW_HEIGHT = 38;

interface ChangesProps {
  changes: readonly TokenChange[];
  /** Keys of those that are left. */
  leaving: ReadonlySet<string>;
  onToggle: (keys: readonly string[], taken: boolean) => void;
}

/** Each difference as a line: taken or left, before and after in each theme, and how far apart. */
export function Changes({ changes, leaving, onToggle }: ChangesProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const lines = useMemo(
    () =>
      KINDS.flatMap((kind): (TokenChange | TokenChange[])[] => {
        const all = changes.filter((change) => change.kind === kind);
        return all.length > 0 ? [all, ...all] : [];
      }),
    [changes],
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 6,
  });
  if (changes.length === 0) return <p className={css.none}>These files say what the brand says: nothing is different.</p>;
  return (
    <div ref={scroller} className={css.changes} role="list" aria-label="Differences">
      <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
        {rows.getVirtualItems().map(({ index, start }) => {
          const line = lines[index]!;
          if (Array.isArray(line)) {
            const keys = line.map(changeKey);
            const taken = keys.filter((key) => !leaving.has(key)).length;
            return (
              <div key={`head ${line[0]!.kind}`} role="listitem" className={css.kind} style={{ top: start }}>
                <label>
                  <input
                    type="checkbox"
                    ref={(box) => {
                      if (box) box.indeterminate = taken > 0 && taken < keys.length;
                    }}
                    checked={taken === keys.length}
                    onChange={({ target }) => onToggle(keys, target.checked)}
                  />
                  <b>{HEADS[line[0]!.kind]}</b> {taken} of {keys.length}
                </label>
              </div>
            );
          }
          const key = changeKey(line);
          return (
            <div
              key={key}
              role="listitem"
              className={css.change}
              style={{ top: start }}
              data-change={key}
              title={line.notes.join(' ') || undefined}
            >
              <input
                type="checkbox"
                aria-label={`Take ${line.path}`}
                checked={!leaving.has(key)}
                onChange={({ target }) => onToggle([key], target.checked)}
              />
              <span className={css.names}>
                <code>{line.path}</code>
                <small>
                  {line.kind === 'renamed' && `was ${line.token!.path}`}
                  {line.kind === 'changed' && line.notes.join(' ')}
                </small>
              </span>
              <div>
                {line.themes.slice(0, 4).map((change) => (
                  <Pair key={change.theme.id} change={change} />
                ))}
              </div>
            </div>
          );
        })}
      </div>
    </div>
  );
}

function Pair({ change: { theme, before, after, wordsBefore, wordsAfter, distance } }: { change: ThemeChange }) {
  return (
    <span className={css.pair} title={`${theme.name}: ${wordsBefore || 'nothing'} becomes ${wordsAfter || 'nothing'}`}>
      <i className={before ? undefined : css.missing} style={{ background: before?.hex }} />
      <i className={after ? undefined : css.missing} style={{ background: after?.hex }} />
      <small>
        {theme.name}
        <br />
        {distance === null ? (before ? 'goes' : 'new') : distance === 0 ? 'same colour' : `ΔE ${distance.toFixed(1)}`}
      </small>
    </span>
  );
}
