import { Button, Input } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import type { Art, ColourTable as Table } from '@/core/brand/document/art-shape';
import { tilesOf } from '@/core/image/tile-grid';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { download } from '@/ui/download';
import { keptFile } from '@/ui/asked/kept-files';
import { tell } from '@/ui/notices';
import { useComputed } from '@/ui/asked/use-computed';
import type { TileKind } from '@/workers/art.worker';
import { zipFiles } from '@/core/formats/kit/zip';
import { versionOf } from '../version-of';
import { Choice } from './choice';
import { ColourTable } from './colour-table';
import { GridFields } from './grid-fields';
import { Moving } from './moving';
import { SheetView } from './sheet-view';
import { useSheets } from './use-sheets';
import css from './art.module.css';
import ship from '../ship.module.css';

const ZOOMS = [1, 2, 3, 4, 6, 8] as const;
const DITHER_WORDS = { none: 'None', ordered: 'Ordered', diffusion: 'Diffused' } as const;

/** Sheets of sprites brought into a palette: tiles, groups, and where each colour goes. */
export function ArtView({ art, onRemoved }: { art: Art; onRemoved: () => void }) {
  const { brand, run, others } = useBrand((state) => ({
    brand: state.replica.brand,
    run: state.run,
    others: state.replica.brand.art,
  }));
  const mayEdit = useMayEdit();
  const { open, before, sentence } = useSheets(art);
  const [sheet, setSheet] = useState(0);
  const [zoom, setZoom] = useState(() => Math.max(1, Math.min(8, Math.floor(420 / (art.sheets[0]?.width ?? 420)))));
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [name, setName] = useState('');
  const [wasHeld, setWasHeld] = useState(false);
  const [kinds, setKinds] = useState<readonly TileKind[] | null>(null);
  const edit = (set: Partial<Omit<Art, 'id'>>, label: string) => run({ label, steps: [{ do: 'art.edit', id: art.id, set }] });
  const setTable = (set: Partial<Table>, label: string) => edit({ table: { ...art.table, ...set } }, label);
  const { value: painted } = useComputed(
    `${art.id} ${open ? 1 : 0} ${JSON.stringify(art.table)} ${versionOf(brand)}`,
    async () => (open ? open.remote.paint(brand, { table: art.table }) : null),
  );
  useEffect(() => {
    let current = true;
    void open?.remote.kinds({ sheets: art.sheets, grid: art.grid }).then((found) => current && setKinds(found));
    return () => {
      current = false;
    };
  }, [open, art.sheets, art.grid]);
  const after = painted && typeof painted !== 'string' ? painted.after : null;
  const shown = wasHeld || !after ? before : after;
  const size = art.sheets[sheet]!;
  const tiles = tilesOf(size, art.grid);
  const repeated = useMemo(() => (kinds ?? []).flatMap(({ repeat, empty }, at) => (repeat || empty ? [at] : [])), [kinds]);
  const repeatedTiles = useMemo(() => new Set(repeated), [repeated]);
  const chosenRepeats = [...chosen].filter((tile) => repeatedTiles.has(tile));
  const group = () => {
    const groups = [
      ...art.groups,
      { name: name.trim() || `Group ${art.groups.length + 1}`, tiles: [...chosen].sort((one, two) => one - two) },
    ];
    if (edit({ groups }, `Put ${counted(chosen.size, 'tile')} into a group`)) {
      setChosen(new Set());
      setName('');
    }
  };
  const take = async () => {
    try {
      const pictures = new Map<string, Uint8Array>();
      for (const { picture } of art.sheets) pictures.set(picture, await keptFile(brand.id, 'pictures', picture));
      const { files, findings } = await open!.remote.write(brand, art, pictures);
      const [problem] = findings;
      if (problem) return tell(problem.message);
      if (files.length === 1) return download(files[0]!.path.split('/').at(-1)!, files[0]!.mediaType, files[0]!.bytes);
      download(`${art.path.split('/').at(-1)!}.zip`, 'application/zip', zipFiles(files));
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached, so the pictures cannot be fetched.'
          : (error as Error).message,
      );
    }
  };
  const rest = [
    tiles.restRight > 0 && `${tiles.restRight} pixels on the right`,
    tiles.restBelow > 0 && `${tiles.restBelow} below`,
  ].filter(Boolean);
  return (
    <section className={ship.view} aria-label={art.path}>
      <div className={ship.heading}>
        <h2>
          <CommitInput
            look="plain"
            label="Path of the art"
            value={art.path}
            disabled={!mayEdit}
            onCommit={(path) => edit({ path }, `Write the art as ${path}`)}
          />
        </h2>
        <Button size="2xs" variant="outline" disabled={!open} onClick={() => void take()}>
          Download
        </Button>
        <Button
          size="2xs"
          variant="ghost"
          disabled={!mayEdit}
          onClick={() => run({ label: `Stop shipping ${art.path}`, steps: [{ do: 'art.remove', id: art.id }] }) && onRemoved()}
        >
          Remove
        </Button>
      </div>
      <div className={css.settings}>
        <label>
          Into
          <Choice
            label="Palette"
            width="160px"
            value={art.table.palette}
            disabled={!mayEdit}
            onChange={(palette) => setTable({ palette }, 'Choose the palette of the art')}
            options={brand.palettes.map((palette) => [palette.id, `${palette.name} (${palette.swatches.length})`])}
          />
        </label>
        <label>
          At most
          <CommitInput
            label="Most colours that are used"
            value={art.table.limit === undefined ? '' : String(art.table.limit)}
            placeholder="all"
            disabled={!mayEdit}
            onCommit={(text) => {
              const table = without(art.table, 'limit');
              if (text.trim() === '') return edit({ table }, 'Use all colours');
              const limit = Number(text);
              if (Number.isInteger(limit) && limit > 0) return edit({ table: { ...table, limit } }, `Use ${limit} colours`);
              tell('Write a whole number of colours, such as 16, or nothing for all.');
              return false;
            }}
          />
        </label>
        <label>
          Dithering
          <Choice
            label="Dithering"
            width="110px"
            value={art.table.dither}
            disabled={!mayEdit}
            onChange={(dither) => setTable({ dither: dither as Table['dither'] }, 'Choose the dithering')}
            options={Object.entries(DITHER_WORDS)}
          />
        </label>
        <label>
          Transparent
          <CommitInput
            label="Colour that becomes transparent"
            value={art.table.key ?? ''}
            placeholder="none"
            disabled={!mayEdit}
            onCommit={(text) => {
              const table = without(art.table, 'key');
              const key = text.trim().toLowerCase();
              if (key === '') return edit({ table }, 'No colour becomes transparent');
              if (/^#[0-9a-f]{6}$/.test(key)) return edit({ table: { ...table, key } }, `Make ${key} transparent`);
              tell('Write a colour of the picture, such as #ff00ff, or nothing for none.');
              return false;
            }}
          />
        </label>
        <label>
          <input
            type="checkbox"
            checked={art.table.keepOrder}
            disabled={!mayEdit}
            onChange={({ target }) => setTable({ keepOrder: target.checked }, 'Keep the order of lightness')}
          />
          keep dark below light
        </label>
        <label>
          <input
            type="checkbox"
            checked={art.indexed}
            disabled={!mayEdit}
            onChange={({ target }) => edit({ indexed: target.checked }, 'Choose the kind of PNG')}
          />
          indexed PNG
        </label>
        {others.length > 1 && (
          <label>
            Table of
            <Choice
              label="Take the table of other art"
              width="130px"
              value=""
              disabled={!mayEdit}
              onChange={(from) => edit({ table: others.find(({ id }) => id === from)!.table }, `Take the table of other art`)}
              options={[
                ['', 'this one'],
                ...others.filter(({ id }) => id !== art.id).map(({ id, path }): [string, string] => [id, path]),
              ]}
            />
          </label>
        )}
      </div>
      {typeof painted === 'string' && (
        <p className={ship.problem} data-severity="error">
          <b>Stops the release.</b> {painted}
        </p>
      )}
      {sentence !== '' && <p className={ship.soft}>{sentence}</p>}
      <div className={css.work}>
        <div className={css.left}>
          <div className={css.bar}>
            {art.sheets.length > 1 && (
              <Choice
                label="Sheet"
                width="150px"
                value={String(sheet)}
                disabled={false}
                onChange={(at) => setSheet(Number(at))}
                options={art.sheets.map((each, at) => [String(at), each.name])}
              />
            )}
            <Choice
              label="Zoom"
              width="80px"
              value={String(zoom)}
              disabled={false}
              onChange={(factor) => setZoom(Number(factor))}
              options={ZOOMS.map((factor) => [String(factor), `× ${factor}`])}
            />
            <GridFields
              grid={art.grid}
              disabled={!mayEdit}
              onGrid={(grid) => edit({ grid, groups: [] }, 'Divide the sheet otherwise')}
              losesGroups={art.groups.length > 0}
            />
            <Button
              size="2xs"
              variant="outline"
              aria-pressed={wasHeld}
              onPointerDown={() => setWasHeld(true)}
              onPointerUp={() => setWasHeld(false)}
              onPointerLeave={() => setWasHeld(false)}
              onKeyDown={(event) => event.key === ' ' && setWasHeld(true)}
              onKeyUp={() => setWasHeld(false)}
            >
              Hold for before
            </Button>
          </div>
          <SheetView art={art} sheet={sheet} picture={shown?.[sheet] ?? null} zoom={zoom} chosen={chosen} onChoose={setChosen} />
          <p className={css.told}>
            {tiles.across} by {tiles.down} tiles of {art.grid.width} by {art.grid.height}
            {rest.length > 0 && `; ${rest.join(' and ')} left over`}
            {repeated.length > 0 && `; ${repeated.length.toLocaleString('en')} repeat others or are empty`}
          </p>
          <form
            className={css.grouping}
            onSubmit={(event) => {
              event.preventDefault();
              if (chosen.size > 0) group();
            }}
          >
            <Input
              size="xs"
              aria-label="Name of the group"
              placeholder="Name of the group"
              value={name}
              maxLength={120}
              onChange={({ target }) => setName(target.value)}
            />
            <Button size="xs" type="submit" disabled={!mayEdit || chosen.size === 0}>
              {chosen.size === 0 ? 'Choose tiles to group' : `Group ${counted(chosen.size, 'tile')}`}
            </Button>
            {chosenRepeats.length > 0 && (
              <Button
                size="xs"
                variant="outline"
                onClick={() => setChosen(new Set([...chosen].filter((tile) => !repeatedTiles.has(tile))))}
              >
                Leave out {chosenRepeats.length} that repeat or are empty
              </Button>
            )}
          </form>
          <ul className={css.groups} aria-label="Groups">
            {art.groups.map((each, at) => (
              <li key={at}>
                <Moving art={art} tiles={each.tiles} pictures={shown} />
                <button onClick={() => setChosen(new Set(each.tiles))}>
                  <b>{each.name}</b> <small>{counted(each.tiles.length, 'tile')}</small>
                </button>
                <Button
                  size="2xs"
                  variant="ghost"
                  disabled={!mayEdit}
                  aria-label={`Take the group ${each.name} apart`}
                  onClick={() => edit({ groups: art.groups.filter((_, other) => other !== at) }, `Take ${each.name} apart`)}
                >
                  ×
                </Button>
              </li>
            ))}
          </ul>
        </div>
        {painted && typeof painted !== 'string' && (
          <ColourTable
            art={art}
            ways={painted.ways}
            more={painted.more}
            onWay={(from, to) => {
              const map = art.table.map.filter((way) => way.from !== from);
              setTable(
                { map: to === null ? map : [...map, { from, to }] },
                to === null ? `Let ${from} go to the nearest` : `Send ${from} elsewhere`,
              );
            }}
          />
        )}
      </div>
    </section>
  );
}

function counted(count: number, noun: string): string {
  return `${count} ${noun}${count === 1 ? '' : 's'}`;
}

/** A table without one of the settings that it may lack. */
function without(table: Table, setting: 'limit' | 'key'): Table {
  return Object.fromEntries(Object.entries(table).filter(([key]) => key !== setting)) as Table;
}
