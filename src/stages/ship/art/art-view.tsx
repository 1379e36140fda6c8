import { Button } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import type { Art } from '@/core/brand/document/art-shape';
import { tilesOf } from '@/core/image/tile-grid';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { useComputed } from '@/ui/asked/use-computed';
import type { TileKind } from '@/workers/art.worker';
import { versionOf } from '../version-of';
import { ArtHeading } from './art-heading';
import { ArtSettings } from './art-settings';
import { Choice } from './choice';
import { ColourTable } from './colour-table';
import { GridFields } from './grid-fields';
import { Groups } from './groups';
import { SheetView } from './sheet-view';
import { useArtEdits } from './use-art-edits';
import { useSheets } from './use-sheets';
import css from './art.module.css';
import ship from '../ship.module.css';

const ZOOMS = [1, 2, 3, 4, 6, 8] as const;

/** Sheets of sprites brought into a palette: tiles, groups, and where each colour goes. */
export function ArtView({ art, onRemoved }: { art: Art; onRemoved: () => void }) {
  const brand = useBrand((state) => state.replica.brand);
  const mayEdit = useMayEdit();
  const { edit, setTable } = useArtEdits(art);
  const { open, before, sentence } = useSheets(art);
  const [sheet, setSheet] = useState(0);
  const [zoom, setZoom] = useState(() => Math.max(1, Math.min(8, Math.floor(420 / (art.sheets[0]?.width ?? 420)))));
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [wasHeld, setWasHeld] = useState(false);
  const kinds = useKinds(art, open);
  const { value: painted } = useComputed(
    `${art.id} ${open ? 1 : 0} ${JSON.stringify(art.table)} ${versionOf(brand)}`,
    async () => (open ? open.remote.paint(brand, { table: art.table }) : null),
  );
  const after = painted && typeof painted !== 'string' ? painted.after : null;
  const shown = wasHeld || !after ? before : after;
  const repeated = useMemo(() => (kinds ?? []).flatMap(({ repeat, empty }, at) => (repeat || empty ? [at] : [])), [kinds]);
  return (
    <section className={ship.view} aria-label={art.path}>
      <ArtHeading art={art} open={open} onRemoved={onRemoved} />
      <ArtSettings art={art} />
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
          <p className={css.tiling}>{tilingInWords(art, sheet, repeated.length)}</p>
          <Groups art={art} pictures={shown} chosen={chosen} onChoose={setChosen} repeated={repeated} />
        </div>
        {painted && typeof painted !== 'string' && (
          <ColourTable
            art={art}
            fates={painted.fates}
            more={painted.more}
            onSend={(from, to) => {
              const map = art.table.map.filter((each) => each.from !== from);
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

/** Of each tile whether it repeats another or is empty; null until that is known. */
function useKinds({ sheets, grid }: Art, open: ReturnType<typeof useSheets>['open']): readonly TileKind[] | null {
  const [kinds, setKinds] = useState<readonly TileKind[] | null>(null);
  useEffect(() => {
    let current = true;
    void open?.remote.kinds({ sheets, grid }).then((found) => current && setKinds(found));
    return () => {
      current = false;
    };
  }, [open, sheets, grid]);
  return kinds;
}

/** "12 by 8 tiles of 16 by 16; 3 pixels on the right left over". */
function tilingInWords({ sheets, grid }: Art, sheet: number, repeated: number): string {
  const tiles = tilesOf(sheets[sheet]!, grid);
  const rest = [
    tiles.restRight > 0 && `${tiles.restRight} pixels on the right`,
    tiles.restBelow > 0 && `${tiles.restBelow} below`,
  ].filter(Boolean);
  const parts = [
    `${tiles.across} by ${tiles.down} tiles of ${grid.width} by ${grid.height}`,
    rest.length > 0 && `${rest.join(' and ')} left over`,
    repeated > 0 && `${repeated.toLocaleString('en')} repeat others or are empty`,
  ];
  return parts.filter(Boolean).join('; ');
}
