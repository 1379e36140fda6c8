import { SHELF_KINDS, type ShelfKind, type ShelfPalette } from '@/core/shelf/shelf-palette';
import { STARTERS } from '@/core/shelf/starters';
import { Button, Input } from '@chakra-ui/react';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { Palette } from '@/core/brand/document/palette-shape';
import { swatchesOf } from '@/core/brand/reading/resolve';
import { inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { catchOf } from '@/core/intake/catch';
import { intakeOf, certain, taken } from '@/core/intake/intake';
import { searchShelf, type ShelfFind, type ShelfQuery } from '@/core/shelf/search';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { useCatch } from '@/ui/store/catch-store';
import { tell } from '@/ui/notices';
import { PutOnShelf } from '@/ui/put-on-shelf';
import { request } from '@/ui/asked/request';
import { ribbon } from '@/ui/ribbon';
import { useShelf } from '@/ui/asked/shelf';

import css from './gather.module.css';

/** What each kind of the shelf is in a brand. */
const BRAND_KIND: Record<ShelfKind, Palette['kind']> = {
  categorical: 'categorical',
  sequential: 'sequential',
  diverging: 'diverging',
  interface: 'brand',
  game: 'loose',
};

/** Palettes to start from, found by word or by colour; the chosen one lies in the catch. */
export function Shelf() {
  const { id, selection, brand } = useBrand((state) => ({
    id: state.id,
    selection: state.selection,
    brand: state.replica.brand,
  }));
  const mayEdit = useMayEdit();
  const queries = useQueryClient();
  const { shelf, isError } = useShelf();
  const [text, setText] = useState('');
  const [kind, setKind] = useState<ShelfKind | null>(null);
  const [sort, setSort] = useState<ShelfQuery['sort']>('use');
  const [chosen, setChosen] = useState<ShelfPalette | null>(null);
  const [putting, setPutting] = useState(false);
  const replace = useCatch((state) => state.replace);
  const uses = useMemo(() => new Map(Object.entries(shelf.uses)), [shelf]);
  const found = useMemo(
    () => searchShelf([...shelf.ours, ...STARTERS], { text, kind, sort, uses }),
    [shelf, text, kind, sort, uses],
  );
  const swatch = selection && 'swatch' in selection ? swatchesOf(brand).get(selection.swatch)?.swatch : undefined;
  const choose = (palette: ShelfPalette) => {
    setChosen(palette);
    const entries = palette.colours.map(({ name, value, row }, at) =>
      taken(certain(value), { name, line: at + 1, ...(row !== undefined && { row }) }),
    );
    const reading = intakeOf('shelf', [{ name: palette.name, kind: BRAND_KIND[palette.kind], entries }]);
    replace('the shelf', {
      lines: catchOf(reading),
      problems: [],
      origins: {
        [palette.name]: {
          source: { shelf: palette.id, name: palette.name },
          maker: { name: palette.maker },
          ...(palette.note && { note: palette.note }),
        },
      },
    });
  };
  const takeOff = async (palette: ShelfPalette) => {
    try {
      await request(`/api/brands/${id}/shelf/${palette.id}`, 'DELETE');
      setChosen(null);
      tell(`${palette.name} is off the shelf. Palettes made from it stay.`);
    } catch (error) {
      tell(error instanceof TypeError ? 'The server cannot be reached; the shelf is as it was.' : (error as Error).message);
    }
    await queries.invalidateQueries({ queryKey: ['shelf', id] });
  };
  const removable = chosen !== null && shelf.ours.some((palette) => palette.id === chosen.id);
  return (
    <>
      <div className={css.searching}>
        <Input
          size="sm"
          type="search"
          aria-label="Search the shelf"
          placeholder="calm, dark ground, near #1f6f78, teal"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        {swatch && (
          <Button size="sm" variant="outline" onClick={() => setText(`near ${readColour(swatch.value)!.hex}`)}>
            <i className={css.dot} style={{ background: readColour(swatch.value)!.hex }} />
            Near {swatch.name}
          </Button>
        )}
      </div>
      <div className={css.kinds} role="group" aria-label="Kind">
        {([null, ...SHELF_KINDS] as const).map((choice) => (
          <button key={choice ?? 'all'} aria-pressed={choice === kind} onClick={() => setKind(choice)}>
            {choice ?? 'all'}
          </button>
        ))}
        {found[0]?.near ? (
          <span>nearest first</span>
        ) : (
          <button onClick={() => setSort(sort === 'use' ? 'name' : 'use')}>
            {sort === 'use' ? 'most used first' : 'by name'}
          </button>
        )}
      </div>
      {isError && <p role="alert">Your organisation’s own palettes cannot be reached just now; the others are here.</p>}
      <Ribbons found={found} chosen={chosen?.id ?? null} uses={uses} onChoose={choose} />
      {chosen && (
        <p className={css.about}>
          <b>{chosen.name}</b>, made by {chosen.maker}: {chosen.tags.join(', ')}. {chosen.note}
        </p>
      )}
      <div className={css.under}>
        <Button size="2xs" variant="outline" disabled={!mayEdit || brand.palettes.length === 0} onClick={() => setPutting(true)}>
          Put a palette on the shelf…
        </Button>
        <PutOnShelf open={putting} onOpen={setPutting} />
        {removable && (
          <Button size="2xs" variant="outline" disabled={!mayEdit} onClick={() => void takeOff(chosen)}>
            Take {chosen.name} off the shelf
          </Button>
        )}
      </div>
    </>
  );
}

interface RibbonsProps {
  found: readonly ShelfFind[];
  chosen: string | null;
  uses: ReadonlyMap<string, number>;
  onChoose: (palette: ShelfPalette) => void;
}

/** What was found, ribbon by ribbon. Arrow keys go from one to the next. */
function Ribbons({ found, chosen, uses, onChoose }: RibbonsProps) {
  const list = useRef<HTMLUListElement>(null);
  const step = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 2, ArrowUp: -2 }[event.key];
    const all = [...list.current!.querySelectorAll('button')];
    const next = by && all[all.indexOf(document.activeElement as HTMLButtonElement) + by];
    if (!next) return;
    event.preventDefault();
    next.focus();
  };
  if (found.length === 0)
    return <p className={css.about}>No palette on the shelf answers to this. Try fewer words, or a colour.</p>;
  return (
    <ul ref={list} className={css.shelf} aria-label="Palettes on the shelf" onKeyDown={step}>
      {found.map(({ palette, near }) => (
        <li key={palette.id}>
          <button aria-pressed={palette.id === chosen} onClick={() => onChoose(palette)}>
            <i className={css.ribbon} style={{ background: ribbon(palette.colours.map(({ value }) => value)) }}>
              {near && <Mark palette={palette} at={near.at} />}
            </i>
            <span>{palette.name}</span>
            <small>
              {palette.colours.length}
              {near && `, ΔE ${near.distance.toFixed(1)}`}
              {uses.has(palette.id) && `, in use ${uses.get(palette.id)} ×`}
            </small>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Where in a ribbon the colour searched for is nearest. */
function Mark({ palette: { colours }, at }: { palette: ShelfPalette; at: number }) {
  const ink = inkOn(readColour(colours[at]!.value)!);
  return <b style={{ left: `${((at + 0.5) / colours.length) * 100}%`, background: ink }} />;
}
