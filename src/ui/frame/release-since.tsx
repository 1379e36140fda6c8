import { useQueries } from '@tanstack/react-query';
import { findingKey } from '@/core/findings/accept';
import type { Finding } from '@/core/findings/finding';
import { lineChanges } from '@/core/release/line-changes';
import type { Bundle, ManifestEntry } from '@/core/release/bundle';
import { useBrand } from '../store/brand-context';
import type { Released } from '../store/brand-state';
import changes from '../changes/changes.module.css';
import { sinceThen } from '../changes/since-then';
import type { useFindingsSince } from '../asked/findings';

const MOST_SHOWN = 8;

/** What the rules find now and did not find in the last release, and what they no longer find. */
export function FindingsSince({ since: { data, isError } }: { since: ReturnType<typeof useFindingsSince> }) {
  if (isError) return <p>What was found then cannot be told just now; close this and try again in a moment.</p>;
  if (!data) return <p>Looking through the brand…</p>;
  const { came, went } = data;
  if (came.length + went.length === 0) return <p>Nothing is found now that was not found before, and nothing is gone.</p>;
  return (
    <ul className={changes.list} aria-label="Findings since the last release" tabIndex={0}>
      <FindingNames list={came} word="new" />
      <FindingNames list={went} word="gone" />
    </ul>
  );
}

function FindingNames({ list, word }: { list: readonly Finding[]; word: 'new' | 'gone' }) {
  return (
    <>
      {list.slice(0, MOST_SHOWN).map((finding) => (
        <li key={findingKey(finding)} data-finding={word}>
          <span>{word}</span>
          <b>{finding.message}</b>
        </li>
      ))}
      {list.length > MOST_SHOWN && (
        <li>
          and {list.length - MOST_SHOWN} more {word}
        </li>
      )}
    </>
  );
}

/** More files than these are compared by their size alone. */
const MOST_COMPARED = 40;
/** Larger ones too, in bytes. */
const LARGEST = 1_000_000;

/** The files that come out, beside those of the last release: what is another by how many lines and bytes. */
export function FilesSince({
  trial,
  before,
  release,
}: {
  trial: Bundle;
  before: readonly ManifestEntry[];
  release: Released | null;
}) {
  const id = useBrand((state) => state.id);
  const files = sinceThen(before, trial.manifest);
  const then = new Map(before.map((entry) => [entry.path, entry]));
  const texts = files
    .filter(
      ({ entry, since }) =>
        since === 'changed' && /^text\/|[/+](?:json|xml)$/.test(entry.mediaType.split(';')[0]!) && entry.bytes < LARGEST,
    )
    .slice(0, MOST_COMPARED);
  const lines = useQueries({
    queries: texts.map(({ entry: { path, sha256 } }) => ({
      queryKey: ['lines', id, release?.number, path, sha256],
      staleTime: Infinity,
      queryFn: async () => {
        const response = await fetch(`/deliver/${id}/${release!.number}/${path.split('/').map(encodeURIComponent).join('/')}`);
        if (!response.ok) throw new Error(`Release ${release!.number} has no ${path}.`);
        const now = trial.files.find((file) => file.path === path)!.bytes;
        return lineChanges(await response.text(), new TextDecoder().decode(now));
      },
    })),
  });
  const linesOf = new Map(texts.map(({ entry }, at) => [entry.path, lines[at]]));
  return files.map(({ since, entry }) => {
    const was = then.get(entry.path);
    const counted = linesOf.get(entry.path);
    return (
      <li key={entry.path}>
        <code>{entry.path}</code>
        <small>
          {before.length > 0 && since}
          {counted?.data && ` +${counted.data.added} −${counted.data.gone} lines`}
          {counted?.isError && ' lines not known just now'}
          {since === 'changed' && was && ` ${signed(entry.bytes - was.bytes)} bytes`}
        </small>
        <code>{entry.sha256.slice(0, 10)}</code>
      </li>
    );
  });
}

function signed(count: number): string {
  return count < 0 ? `−${-count}` : `+${count}`;
}
