import { useMemo } from 'react';
import type { Difference } from '@/core/brand/history/compare';
import type { Brand } from '@/core/brand/document/document';
import { ciede2000 } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { coloursOf } from './colours-of';
import css from './changes.module.css';

const MOST_SHOWN = 60;

interface ChangeListProps {
  /** Null before the first release. */
  before: Brand | null;
  after: Brand;
  /** The id of the theme in which tokens are shown; the first, where a brand has it not. */
  theme: string;
  differences: readonly Difference[];
}

/** What is different between two states of a brand: in words, with its colour in both. */
export function ChangeList({ before, after, theme, differences }: ChangeListProps) {
  const [then, now] = useMemo(() => [before && coloursOf(before, theme), coloursOf(after, theme)], [before, after, theme]);
  return (
    <ul className={css.list} aria-label="Changes" tabIndex={0}>
      {differences.slice(0, MOST_SHOWN).map(({ id, kind, name, was, what, effect }) => (
        <li key={id}>
          <span>{kind}</span>
          <Patches before={then?.(id) ?? null} after={now(id)} />
          <b>{name}</b>
          {was !== undefined && <span>was {was}</span>}
          <small>
            {what}
            <Moved before={then?.(id) ?? null} after={now(id)} />
          </small>
          {effect && <em>{effect}</em>}
        </li>
      ))}
      {differences.length > MOST_SHOWN && <li>and {differences.length - MOST_SHOWN} more</li>}
    </ul>
  );
}

/** How far a colour has moved. */
export function Moved({ before, after }: { before: string | null; after: string | null }) {
  if (before === null || after === null || before === after) return null;
  return <code> ΔE {ciede2000(labOf(before), labOf(after)).toFixed(1)}</code>;
}

export function Patches({ before, after }: { before: string | null; after: string | null }) {
  if (before === null && after === null) return null;
  return (
    <i className={css.patches} role="img" aria-label={`${before ?? 'nothing'} before, ${after ?? 'nothing'} now`}>
      <i style={{ background: before ?? 'none' }} />
      <i style={{ background: after ?? 'none' }} />
    </i>
  );
}
