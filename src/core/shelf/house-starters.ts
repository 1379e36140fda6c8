import type { HouseSet } from '../brand/tools/house-set';
import { PALETTE_KINDS, type Palette } from '../brand/document/palette-shape';
import type { ShelfKind, ShelfPalette } from './shelf-palette';
import { STARTERS } from './starters';

/** Greys, an accent, colours for categories and for amounts on one side and on two: what most screens need to begin with. */
const CHOSEN = ['wet-slate', 'estuary', 'market-stalls', 'shallow-to-deep', 'teal-and-rust'];

const KINDS: Record<ShelfKind, (typeof PALETTE_KINDS)[number]> = {
  categorical: 'categorical',
  sequential: 'sequential',
  diverging: 'diverging',
  interface: 'brand',
  game: 'loose',
};

/** The palettes with which a brand begins in an organisation that has no set of its own. */
export const STARTING_SET: HouseSet = {
  number: 0,
  palettes: CHOSEN.map((id) => asPalette(STARTERS.find((starter) => starter.id === id)!)),
};

function asPalette({ id, name, kind, maker, colours }: ShelfPalette): Palette {
  return {
    id: `house-${id}`,
    name,
    kind: KINDS[kind],
    maker: { name: maker },
    source: { shelf: id, name },
    swatches: colours.map((colour, at) => ({ ...colour, id: `house-${id}-${at + 1}`, locked: false })),
  };
}
