import { Button, NativeSelect } from '@chakra-ui/react';
import { useState } from 'react';
import { useBrand } from '@/ui/store/brand-context';
import { useReleases } from '@/ui/asked/releases';
import { ViewHead } from '../view-head';
import { PastBrand } from './past-brand';
import { usePast, type PastAsked, type PastChange } from './use-past';
import css from './history.module.css';

/** A line of time through the whole brand: who did what, and the brand as it was at any change. */
export function HistoryView() {
  const { palettes, tokens, seq } = useBrand((state) => ({
    palettes: state.replica.brand.palettes,
    tokens: state.replica.brand.tokens,
    seq: state.replica.seq,
  }));
  const [asked, setAsked] = useState<PastAsked>({ of: '', by: '' });
  const [chosen, setChosen] = useState<PastChange | null>(null);
  const { data, isError, hasNextPage, fetchNextPage, isFetchingNextPage } = usePast(asked);
  const everything = usePast({ of: '', by: '' });
  const { data: releases = [] } = useReleases();
  const people = everything.data?.pages[0]?.people ?? [];
  const past = data?.pages.flatMap(({ history }) => history) ?? [];
  const current = chosen ?? past[0];
  if (isError && !data) return <p>The history cannot be reached just now; try again in a moment.</p>;
  return (
    <div className={css.view}>
      <ViewHead
        title={seq === 0 ? 'Nothing was changed yet' : `${seq} ${seq === 1 ? 'change' : 'changes'}`}
        about="the latest first; none is ever rewritten"
      >
        <Filter label="Changed by" value={asked.by} onChange={(by) => setAsked({ ...asked, by })}>
          <option value="">by anybody</option>
          {people.map(({ id, name }) => (
            <option key={id} value={id}>
              by {name}
            </option>
          ))}
        </Filter>
        <Filter label="What was changed" value={asked.of} onChange={(of) => setAsked({ ...asked, of })}>
          <option value="">anything</option>
          <optgroup label="Palettes">
            {palettes.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </optgroup>
          <optgroup label="Tokens">
            {tokens.map(({ id, path }) => (
              <option key={id} value={id}>
                {path}
              </option>
            ))}
          </optgroup>
        </Filter>
      </ViewHead>
      <div className={css.columns}>
        <ol className={css.line} aria-label="Changes, the latest first">
          {past.map((change, at) => (
            <li key={change.seq}>
              {dayOf(change) !== dayOf(past[at - 1]) && <h3>{dayOf(change)}</h3>}
              {releases
                .filter((release) => release.seq === change.seq)
                .map((release) => (
                  <p key={release.number}>
                    Release {release.number}, {release.title}
                  </p>
                ))}
              <button aria-current={change.seq === current?.seq || undefined} onClick={() => setChosen(change)}>
                <code>{timeOf(change)}</code>
                <span>
                  <b>{change.by}</b> {change.label}
                </span>
              </button>
            </li>
          ))}
          {past.length === 0 && data && <li>Nothing of the kind was done.</li>}
          {hasNextPage && (
            <li>
              <Button size="xs" variant="outline" loading={isFetchingNextPage} onClick={() => void fetchNextPage()}>
                Earlier
              </Button>
            </li>
          )}
        </ol>
        {current && <PastBrand key={current.seq} change={current} />}
      </div>
    </div>
  );
}

interface FilterProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  children: React.ReactNode;
}

function Filter({ label, value, onChange, children }: FilterProps) {
  return (
    <NativeSelect.Root size="xs" width="170px">
      <NativeSelect.Field aria-label={label} value={value} onChange={(event) => onChange(event.target.value)}>
        {children}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}

function dayOf(change: PastChange | undefined): string {
  return change ? new Date(change.at).toLocaleDateString([], { dateStyle: 'full' }) : '';
}

function timeOf({ at }: PastChange): string {
  return new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false });
}
