import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Destination } from '@/core/brand/document/destination-shape';
import type { Sizes, Weight, WeightPart } from '@/core/release/weight';
import { useBrand } from '@/ui/store/brand-context';
import { request } from '@/ui/asked/request';
import css from './ship.module.css';

const SIZES = ['raw', 'gzip', 'brotli'] as const;
const figure = (bytes: number) => bytes.toLocaleString('en');

/** What every family of tokens adds to the files, and the switches to leave it out. */
export function WeightView({
  destination,
  disabled,
  onChange,
}: {
  destination: Destination;
  disabled: boolean;
  onChange: (options: Destination['options'], what: string) => boolean;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const all = useWeight(destination, '');
  const within = useWeight(destination, open ?? '');
  if (all.failed) return <p className={css.soft}>{all.failed}</p>;
  if (!all.loaded) return <p className={css.soft}>Weighing every family of tokens…</p>;
  if (!all.weight)
    return <p className={css.soft}>This file always holds all it can: there is nothing to leave out, so nothing to weigh.</p>;
  const { total, parts } = all.weight;
  const heaviest = Math.max(1, ...parts.map(({ sizes }) => sizes.raw));
  const without = (destination.options.without as string[] | undefined) ?? [];
  const toggle = ({ path, left }: WeightPart) =>
    onChange(
      { ...destination.options, without: left ? without.filter((other) => other !== path) : [...without, path] },
      left ? `${path} again` : `no ${path}`,
    );
  const row = (part: WeightPart, inner: boolean) => (
    <tr key={part.path} data-left={part.left || undefined} data-inner={inner || undefined}>
      <td>
        <label className={css.flag}>
          <input
            type="checkbox"
            checked={!part.left}
            disabled={disabled}
            aria-label={`Ship ${part.path}`}
            onChange={() => toggle(part)}
          />
          <span>{inner ? part.path.slice((open ?? '').length + 1) : part.path}</span>
        </label>
      </td>
      <td>
        {!inner && part.tokens > 1 ? (
          <button
            aria-expanded={open === part.path}
            aria-label={`${part.tokens} tokens of ${part.path}`}
            onClick={() => setOpen(open === part.path ? null : part.path)}
          >
            {part.tokens}
          </button>
        ) : (
          part.tokens
        )}
      </td>
      <td>
        <i style={{ width: `${(part.sizes.raw / heaviest) * 100}%` }} />
      </td>
      <Figures sizes={part.sizes} />
    </tr>
  );
  return (
    <div className={css.weight} aria-busy={!all.current}>
      <table>
        <thead>
          <tr>
            <th>Family</th>
            <th>Tokens</th>
            <th>Share</th>
            {SIZES.map((size) => (
              <th key={size}>{size}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {parts.flatMap((part) => [
            row(part, false),
            ...(part.path === open ? (within.weight?.parts ?? []).map((inner) => row(inner, true)) : []),
          ])}
        </tbody>
        <tfoot>
          <tr>
            <th colSpan={3}>All files of this destination, in bytes</th>
            <Figures sizes={total} />
          </tr>
        </tfoot>
      </table>
    </div>
  );
}

function Figures({ sizes }: { sizes: Sizes }) {
  return SIZES.map((size) => <td key={size}>{figure(sizes[size])}</td>);
}

/** Weighed anew whenever the server has taken in a change; what was weighed last stays until then. */
function useWeight(destination: Destination, group: string) {
  const { id, seq } = useBrand((state) => ({ id: state.id, seq: state.replica.seq }));
  const { data, error, isPlaceholderData } = useQuery({
    queryKey: ['weight', id, destination.id, seq, group],
    queryFn: () =>
      request<{ weight: Weight | null }>(`/api/brands/${id}/weight/${destination.id}?group=${encodeURIComponent(group)}`),
    // What was weighed last of the same family stays while it is weighed anew.
    placeholderData: (before, query) => (query?.queryKey[4] === group ? before : undefined),
    retry: false,
  });
  return {
    loaded: data !== undefined,
    weight: data?.weight ?? null,
    current: !isPlaceholderData,
    failed: error ? error.message : null,
  };
}
