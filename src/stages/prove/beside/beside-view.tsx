import { Button } from '@chakra-ui/react';
import { useQueries } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { ALIGNED_BY, type AlignedBy } from '@/core/brand/reading/beside';
import type { Brand } from '@/core/brand/document/document';
import { newId } from '@/core/brand/document/identity';
import { STARTERS } from '@/core/shelf/starters';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Choice } from '@/ui/dial';
import { PROVE_KEYS } from '@/ui/keys/keys';
import { releaseQuery, useReleases } from '@/ui/asked/releases';
import { useShelf } from '@/ui/asked/shelf';
import { isTyping } from '@/ui/keys/typing';
import { ChartsBeside, InterfacesBeside } from './in-use';
import { LaneHead } from './lane-head';
import { basePalette, laneOf, laneRows, releaseNumber, takeFrom, type Lane, type Material, type Wish } from './lanes';
import { Rows } from './rows';
import css from './beside.module.css';

const SHOWN = ['colours', 'charts', 'interface'] as const;
const MOST_LANES = 4;

/** Two or more palettes, themes, releases or candidates: what came, went and moved, the same in use under each, and the better one taken. */
export function BesideView() {
  const { id, brand, theme, run } = useBrand((state) => ({
    id: state.id,
    brand: state.replica.brand,
    theme: state.theme,
    run: state.run,
  }));
  const mayEdit = useMayEdit();
  const { data: released = [] } = useReleases();
  const { shelf: own } = useShelf();
  const [chosen, setWishes] = useState<readonly Wish[] | null>(null);
  const [by, setBy] = useState<AlignedBy>('name');
  const [show, setShow] = useState<(typeof SHOWN)[number]>('colours');
  const newest = released[0]?.number;
  const wishes = useMemo(() => chosen ?? firstWishes(brand, theme, newest), [chosen, brand, theme, newest]);
  const numbers = useMemo(() => [...new Set(wishes.flatMap((wish) => releaseNumber(wish) ?? []))], [wishes]);
  const { documents, failed } = useQueries({
    queries: numbers.map((number) => releaseQuery(id, number)),
    combine: (all) => ({ documents: all.map(({ data }) => data), failed: all.some(({ isError }) => isError) }),
  });
  const material = useMemo((): Material => {
    const releases = numbers.flatMap((number, at) => (documents[at] ? [[number, documents[at]] as const] : []));
    return { brand, theme, releases: new Map(releases), shelf: [...own.ours, ...STARTERS] };
  }, [brand, theme, numbers, documents, own]);
  const base = basePalette(brand, wishes);
  const lanes = useMemo(() => wishes.map((wish) => laneOf(wish, material, base)), [wishes, material, base]);
  const there = useMemo(() => lanes.filter((lane): lane is Lane => lane !== null), [lanes]);
  const [first] = there;
  const takings = useMemo(
    () => lanes.map((lane) => (lane && first ? takeFrom(lane, first, brand, by, newId) : null)),
    [lanes, first, brand, by],
  );
  const rows = useMemo(() => (show === 'colours' ? laneRows(there, by) : []), [there, by, show]);
  const swap = () => {
    const [one, two, ...rest] = wishes;
    if (one && two) setWishes([two, one, ...rest]);
  };
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.key.toUpperCase() !== PROVE_KEYS.swap || isTyping(event.target) || event.ctrlKey || event.metaKey) return;
    swap();
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
  return (
    <div className={css.beside}>
      <div className={css.choices}>
        <Choice label="What is shown" plain options={SHOWN} value={show} onChoose={setShow} />
        <span>aligned by</span>
        <Choice label="Aligned by" plain options={ALIGNED_BY} value={by} onChoose={setBy} />
        <Button size="xs" variant="outline" onClick={swap}>
          Swap the first two <kbd>{PROVE_KEYS.swap}</kbd>
        </Button>
        {wishes.length < MOST_LANES && (
          <Button size="xs" variant="ghost" onClick={() => setWishes([...wishes, wishes.at(-1)!])}>
            Another lane
          </Button>
        )}
      </div>
      <div className={css.heads}>
        {wishes.map((wish, at) => (
          <LaneHead
            key={at}
            number={at + 1}
            wish={wish}
            material={material}
            releases={released.map(({ number }) => number)}
            base={base}
            onWish={(next) => setWishes(wishes.map((each, place) => (place === at ? next : each)))}
            onRemove={wishes.length > 2 ? () => setWishes(wishes.filter((_, place) => place !== at)) : null}
            taking={mayEdit ? takings[at]! : null}
            onTake={run}
          />
        ))}
      </div>
      {there.length < wishes.length && (
        <p className={css.note}>
          {failed
            ? 'A release cannot be reached just now; try again in a moment.'
            : 'A lane has nothing to show yet: what it names is on its way, or is gone.'}
        </p>
      )}
      {there.length > 0 && show === 'colours' && <Rows lanes={there} rows={rows} />}
      {show === 'charts' && <ChartsBeside lanes={there} material={material} by={by} />}
      {show === 'interface' && <InterfacesBeside lanes={there} material={material} by={by} />}
    </div>
  );
}

/** The theme in view as it was released last beside as it is now; before there is a release, two themes, or else two palettes. */
function firstWishes({ themes, palettes }: Brand, theme: string, release: number | undefined): Wish[] {
  const now: Wish = { from: 'now', what: `theme ${theme}` };
  if (release !== undefined) return [{ from: `release ${release}`, what: now.what }, now];
  const other = themes.find(({ id }) => id !== theme);
  if (other) return [now, { from: 'now', what: `theme ${other.id}` }];
  const [one, two] = palettes;
  if (one) return [one, two ?? one].map(({ id }) => ({ from: 'now', what: `palette ${id}` }));
  return [now, now];
}
