import { NativeSelect } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { compareBrands } from '@/core/brand/history/compare';
import { useBrand } from '@/ui/store/brand-context';
import { ChangeList } from '@/ui/changes/change-list';
import changes from '@/ui/changes/changes.module.css';
import { sinceThen } from '@/ui/changes/since-then';
import { releaseQuery, type ReleaseSummary } from '@/ui/asked/releases';
import css from './watch.module.css';

/** Any two releases beside each other: what came, changed and went, with its colours, and which files are others. */
export function CompareReleases({ releases }: { releases: readonly ReleaseSummary[] }) {
  const { id, theme } = useBrand((state) => ({ id: state.id, theme: state.theme }));
  const [one, setOne] = useState(releases[1]!.number);
  const [two, setTwo] = useState(releases[0]!.number);
  const [before, after] = [useQuery(releaseQuery(id, one)), useQuery(releaseQuery(id, two))];
  const differences = useMemo(
    () => (before.data && after.data ? compareBrands(before.data, after.data) : []),
    [before.data, after.data],
  );
  const manifest = (number: number) => releases.find((release) => release.number === number)!.manifest;
  const files = sinceThen(manifest(one), manifest(two)).filter(({ since }) => since !== 'as before');
  const error = before.error ?? after.error;
  return (
    <section className={css.compare} aria-label="Two releases compared">
      <h2>
        From
        <Choice label="From release" releases={releases} value={one} onChange={setOne} />
        to
        <Choice label="To release" releases={releases} value={two} onChange={setTwo} />
      </h2>
      {error ? (
        <p>These releases cannot be reached just now; try again in a moment.</p>
      ) : !before.data || !after.data ? (
        <p>Fetching both…</p>
      ) : (
        <div>
          <div>
            <h3>{differences.length === 0 ? 'Nothing is different' : counted(differences.length, 'difference')}</h3>
            <ChangeList before={before.data} after={after.data} theme={theme} differences={differences} />
          </div>
          <div>
            <h3>{files.length === 0 ? 'Every file is the same' : `${counted(files.length, 'file')} not the same`}</h3>
            <ul className={changes.list} aria-label="Files" tabIndex={0}>
              {files.map(({ entry, since }) => (
                <li key={entry.path}>
                  <code>{entry.path}</code>
                  <small>{since}</small>
                </li>
              ))}
            </ul>
          </div>
        </div>
      )}
    </section>
  );
}

interface ChoiceProps {
  label: string;
  releases: readonly ReleaseSummary[];
  value: number;
  onChange: (number: number) => void;
}

function Choice({ label, releases, value, onChange }: ChoiceProps) {
  return (
    <NativeSelect.Root size="xs" width="130px">
      <NativeSelect.Field aria-label={label} value={value} onChange={(event) => onChange(Number(event.target.value))}>
        {releases.map(({ number }) => (
          <option key={number} value={number}>
            Release {number}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}

function counted(count: number, noun: string): string {
  return `${count} ${noun}${count === 1 ? '' : 's'}`;
}
