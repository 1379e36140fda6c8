import { shortened } from '@/core/base/storable';
import { Button } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { compareBrands } from '@/core/brand/history/compare';
import type { Brand } from '@/core/brand/document/document';
import { restoreCommand } from '@/core/brand/history/restore';
import { takeBack } from '@/core/brand/history/take-back';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Moved, Patches } from '@/ui/changes/change-list';
import { coloursOf } from '@/ui/changes/colours-of';
import { tell } from '@/ui/notices';
import { ribbon } from '@/ui/ribbon';
import { brandAtQuery } from '@/ui/asked/sign-offs';
import { Tick } from '@/ui/tick';
import type { PastChange } from './use-past';
import css from './history.module.css';

/** More are not offered one by one; the whole state can be had anyway. */
const MOST_SHOWN = 200;

/** The brand as it was after one change, beside today's; anything of it taken back. */
export function PastBrand({ change }: { change: PastChange }) {
  const id = useBrand((state) => state.id);
  // What the change itself did is seen between the state before it and the one after.
  const { data: then, isError } = useQuery(brandAtQuery(id, change.seq));
  const { data: before } = useQuery(brandAtQuery(id, change.seq - 1));
  if (isError) return <p>This state of the brand cannot be reached just now; try again in a moment.</p>;
  if (!then || !before) return <p>Fetching the brand as it was…</p>;
  return (
    <section className={css.past} aria-label="The brand as it was">
      <h3>
        {change.by}: {change.label}
      </h3>
      <Did before={before} then={then} />
      <ul className={css.ribbons} aria-label="Palettes as they were">
        {then.palettes.map((palette) => (
          <li key={palette.id}>
            <i style={{ background: ribbon(palette.swatches.map(({ value }) => value)) }} />
            {palette.name}
          </li>
        ))}
      </ul>
      <Back then={then} before={before} change={change} />
    </section>
  );
}

/** What the change did. */
function Did({ before, then }: { before: Brand; then: Brand }) {
  const theme = useBrand((state) => state.theme);
  const differences = useMemo(() => compareBrands(before, then), [before, then]);
  const [was, is] = useMemo(() => [coloursOf(before, theme), coloursOf(then, theme)], [before, then, theme]);
  if (differences.length === 0) return <p className={css.about}>It changed nothing: what it set was so already.</p>;
  return (
    <ul className={css.did} aria-label="What it did">
      {differences.slice(0, 8).map(({ id, kind, name, what, effect }) => (
        <li key={id}>
          <Patches before={was(id)} after={is(id)} />
          {kind === 'reordered' ? name : `${what} ${name}`} {kind}
          <Moved before={was(id)} after={is(id)} />
          {effect && <small>{effect}</small>}
        </li>
      ))}
      {differences.length > 8 && <li>and {differences.length - 8} more</li>}
    </ul>
  );
}

/** What is different today, to be taken back from here: what is ticked, what the change did, or all of it. */
function Back({ then, before, change }: { then: Brand; before: Brand; change: PastChange }) {
  const { brand, theme, run } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme, run: state.run }));
  const mayEdit = useMayEdit();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const differences = useMemo(() => compareBrands(brand, then), [brand, then]);
  const did = useMemo(() => compareBrands(then, before), [then, before]);
  const [today, past] = useMemo(() => [coloursOf(brand, theme), coloursOf(then, theme)], [brand, then, theme]);
  const take = (from: Brand, ids: ReadonlySet<string>, label: string) => {
    const back = takeBack(brand, from, ids, label);
    if ('problem' in back) return tell(back.problem);
    if (!back.command) return tell('That is so already; there is nothing to take back.');
    if (run(back.command)) tell('Taken back, as a change of today. It can be undone.');
  };
  const restore = () => {
    const command = restoreCommand(brand, then, `Take the brand back to change ${change.seq}`);
    if (command && run(command)) tell(`The brand is what it was at change ${change.seq}. Undo takes that back.`);
  };
  const turn = (id: string, on: boolean) => {
    const next = new Set(ticked);
    if (on) next.add(id);
    else next.delete(id);
    setTicked(next);
  };
  return (
    <>
      <div className={css.acts}>
        <Button
          size="xs"
          variant="outline"
          disabled={!mayEdit || did.length === 0}
          onClick={() => take(before, new Set(did.map(({ id }) => id)), shortened(`Take back: ${change.label}`, 200))}
        >
          Take this change back
        </Button>
        <Button size="xs" variant="outline" disabled={!mayEdit || differences.length === 0} onClick={restore}>
          Make the brand what it was here
        </Button>
      </div>
      <h4>
        {differences.length === 0
          ? 'Today the brand is just as it was then'
          : `Since then ${differences.length} ${differences.length === 1 ? 'thing has' : 'things have'} become another`}
      </h4>
      {differences.length > 0 && (
        <>
          <ul className={css.since} aria-label="Different today">
            {differences.slice(0, MOST_SHOWN).map(({ id, kind, name, what }) => (
              <li key={id}>
                <Tick disabled={!mayEdit} checked={ticked.has(id)} onTick={(checked) => turn(id, checked)}>
                  {name}
                </Tick>
                <Patches before={today(id)} after={past(id)} />
                <small>
                  {what}, {kind === 'added' ? 'not there today' : kind === 'removed' ? 'not there then' : `${kind} since`}
                  <Moved before={today(id)} after={past(id)} />
                </small>
              </li>
            ))}
            {differences.length > MOST_SHOWN && <li>and {differences.length - MOST_SHOWN} more</li>}
          </ul>
          <Button
            size="xs"
            disabled={!mayEdit || ticked.size === 0}
            onClick={() => take(then, ticked, `Take back ${ticked.size} as of change ${change.seq}`)}
          >
            Take back what is ticked, as it was then
          </Button>
        </>
      )}
    </>
  );
}
