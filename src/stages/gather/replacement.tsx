import type { Palette } from '@/core/brand/document/palette-shape';
import type { Fate, ReplacedRow } from '@/core/intake/replace-palette';
import { deltaE2000 } from '@/core/colour/difference';
import { readColour } from '@/core/colour/read';
import css from './gather.module.css';

const FATE_WORDS: Record<Exclude<Fate, 'changed'>, string> = {
  same: 'same',
  new: 'new',
  gone: 'goes',
  locked: 'locked',
  'in use': 'in use',
};

/** So many places are drawn; the words count all of them. */
const DRAWN = 128;

/** A palette before and after: what it shows above, what it would show below, and what becomes of each place. */
export function Replacement({ palette, rows }: { palette: Palette; rows: readonly ReplacedRow[] }) {
  const count = (fate: Fate) => rows.filter((row) => row.fate === fate).length;
  const parts = (
    [
      ['changed', 'change'],
      ['same', 'stay the same'],
      ['new', 'are new'],
      ['gone', 'go'],
      ['locked', 'are locked and stay'],
      ['in use', 'stay because tokens use them'],
    ] as const
  ).flatMap(([fate, words]) => (count(fate) > 0 ? [`${count(fate)} ${words}`] : []));
  return (
    <figure className={css.seam} aria-label={`${palette.name} before and after`}>
      <figcaption>
        <b>{palette.name}</b>, now above and then below: {parts.join(', ')}.
      </figcaption>
      <ol>
        {rows.slice(0, DRAWN).map((row, at) => (
          <li key={at} title={titleOf(row)} data-fate={row.fate}>
            <i style={{ background: row.before ? readColour(row.before.value)!.hex : undefined }} />
            <i style={{ background: row.after ? readColour(row.after.value)!.hex : undefined }} />
            <small>{row.fate === 'changed' ? `ΔE ${distance(row)}` : FATE_WORDS[row.fate]}</small>
          </li>
        ))}
      </ol>
    </figure>
  );
}

function distance({ before, after }: ReplacedRow): string {
  return deltaE2000(readColour(before!.value)!.hex, readColour(after!.value)!.hex).toFixed(1);
}

function titleOf({ before, after }: ReplacedRow): string {
  if (!before) return `New: ${after!.name}`;
  if (!after) return `Goes: ${before.name}`;
  return before.name === after.name ? before.name : `${before.name} becomes ${after.name}`;
}
