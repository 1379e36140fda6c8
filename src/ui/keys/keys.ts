import type { StageId } from '../frame/stages';

/** What Mix does with the chosen swatches, by the key that its buttons show as well. */
export const MIX_KEYS = {
  add: 'A',
  insert: 'I',
  duplicate: 'D',
  lock: 'L',
  row: 'W',
  tokens: 'K',
  remove: 'Delete',
  brighter: '+',
  dimmer: '-',
} as const;

/** The tools of Mix, in their order, by the key that opens each. */
export const TOOL_KEYS = {
  tune: 'U',
  ramp: 'R',
  shades: 'S',
  neutrals: 'N',
  series: 'O',
  harmony: 'H',
  settle: 'V',
  adjust: 'J',
  reduce: 'C',
  terminal: 'M',
} as const;

/** Takes a colour from anywhere on the screen, where the browser can. */
export const PICK_KEY = 'P';

/** What Prove does by key. */
export const PROVE_KEYS = { swap: 'X' } as const;

/** Rolls the generator's strips again; with Shift, back to the ones before. */
export const ROLL_KEY = 'R';

/** Searches everything. */
export const SEARCH_KEY = '/';

interface KeyLine {
  readonly keys: readonly string[];
  readonly does: string;
}

/** Every key there is, by where it works; none of them while a field is typed in. */
export const KEYS: Readonly<Record<'everywhere' | StageId, readonly KeyLine[]>> = {
  everywhere: [
    { keys: [SEARCH_KEY], does: 'search' },
    { keys: ['1', '…', '6'], does: 'go to a stage' },
    { keys: ['Ctrl Z'], does: 'undo' },
    { keys: ['Ctrl Shift Z', 'Ctrl Y'], does: 'redo' },
    { keys: ['T'], does: 'next theme' },
    { keys: ['G'], does: 'next surround: mid grey judges steadiest' },
    { keys: ['B'], does: 'held: what was before the edit that is being tried' },
    { keys: ['?'], does: 'all keys' },
  ],
  gather: [
    { keys: ['Ctrl V'], does: 'paste colours, a table or a picture' },
    { keys: [PICK_KEY], does: 'pick a colour from the screen' },
    { keys: [ROLL_KEY, `Shift ${ROLL_KEY}`], does: 'in the generator: roll again, and back to the roll before' },
  ],
  mix: [
    { keys: [MIX_KEYS.add], does: 'add a swatch at the end' },
    { keys: [MIX_KEYS.insert], does: 'insert one before the chosen' },
    { keys: [MIX_KEYS.duplicate], does: 'duplicate the chosen' },
    { keys: [MIX_KEYS.lock], does: 'lock or unlock them' },
    { keys: [MIX_KEYS.row], does: 'make them a row of their own' },
    { keys: [MIX_KEYS.tokens], does: 'name them: a group of tokens, one for each' },
    { keys: [MIX_KEYS.remove], does: 'delete them' },
    { keys: [MIX_KEYS.brighter, MIX_KEYS.dimmer], does: 'brighten or dim them, or the whole palette when none is chosen' },
    ...Object.entries(TOOL_KEYS).map(([tool, key]) => ({
      keys: [key],
      does: `open the tool ${tool[0]!.toUpperCase()}${tool.slice(1)}`,
    })),
  ],
  name: [
    { keys: ['↑', '↓', '←', '→'], does: 'go from cell to cell; over a group, fold and unfold it' },
    { keys: ['PageUp', 'PageDown', 'Home', 'End'], does: 'go far' },
    { keys: ['Shift ↑', 'Shift ↓', 'Ctrl A'], does: 'choose several, or all' },
    { keys: ['Enter', 'F2'], does: 'change the cell, or rename the token or the group' },
    { keys: ['Ctrl D'], does: 'fill down' },
    { keys: ['Ctrl C', 'Ctrl V'], does: 'copy and paste a column' },
    { keys: ['L', 'U'], does: 'link to an equal swatch, or unlink' },
    { keys: ['Delete'], does: 'clear the cell, or delete the token' },
  ],
  prove: [{ keys: [PROVE_KEYS.swap], does: 'in Side by side: swap the first two' }],
  ship: [],
  watch: [],
};
