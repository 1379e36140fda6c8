import { unifiedMergeView } from '@codemirror/merge';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { WrittenFile } from '@/core/formats/kit/format';
import { useBrand } from '@/ui/store/brand-context';
import { isText } from './file-preview';
import { ReadOnlyCode } from './read-only-code';
import css from './ship.module.css';

/** A file against the bytes that were released under its path, line by line. */
export function SinceRelease({ file }: { file: WrittenFile }) {
  const { id, release } = useBrand((state) => ({ id: state.id, release: state.release }));
  const { data, error } = useQuery({
    queryKey: ['released', id, release?.number, file.path],
    enabled: release !== null,
    staleTime: Infinity,
    retry: false,
    queryFn: async () => {
      const response = await fetch(`/deliver/${id}/${release!.number}/${file.path}`);
      if (response.status === 404) return { bytes: null };
      if (!response.ok) throw new Error('The released file could not be fetched; try again in a moment.');
      return { bytes: new Uint8Array(await response.arrayBuffer()) };
    },
  });
  if (!release) return <p className={css.soft}>Nothing has been released yet, so there is nothing to compare with.</p>;
  if (error) return <p className={css.soft}>{error.message}</p>;
  if (!data) return <p className={css.soft}>Fetching the released file…</p>;
  if (!data.bytes)
    return (
      <p className={css.soft}>
        Release {release.number} has no file {file.path}: it is new.
      </p>
    );
  const same = data.bytes.length === file.bytes.length && data.bytes.every((byte, at) => byte === file.bytes[at]);
  if (same)
    return (
      <p className={css.soft}>
        Byte for byte as in release {release.number} ({file.bytes.length.toLocaleString('en')} bytes).
      </p>
    );
  if (!isText(file))
    return (
      <p className={css.soft}>
        Changed since release {release.number}: {data.bytes.length.toLocaleString('en')} bytes then,{' '}
        {file.bytes.length.toLocaleString('en')} now.
      </p>
    );
  const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
  return <Difference path={file.path} before={text(data.bytes)} after={text(file.bytes)} />;
}

/** Two texts in one, line by line: what was and what is. */
export function Difference({ path, before, after }: { path: string; before: string; after: string }) {
  const marks = useMemo(
    () =>
      unifiedMergeView({
        // As the editor keeps it, or every line would be taken for changed.
        original: before.replace(/\r\n?/g, '\n'),
        mergeControls: false,
        collapseUnchanged: { margin: 2, minSize: 6 },
        // Unchanged stretches of very long files are not searched for ever.
        diffConfig: { scanLimit: 2_000, timeout: 1_000 },
      }),
    [before],
  );
  return (
    <div className={css.preview}>
      <ReadOnlyCode path={path} text={after} label={`Changes of ${path}`} more={marks} />
    </div>
  );
}
