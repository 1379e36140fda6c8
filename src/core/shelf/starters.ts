import { CATEGORICAL } from './starters-categorical';
import { DIVERGING } from './starters-diverging';
import { GAME } from './starters-game';
import { INTERFACE } from './starters-interface';
import { SEQUENTIAL } from './starters-sequential';
import type { ShelfPalette } from './shelf-palette';

/** Every palette that Breakwater brings along, drawn by us. */
export const STARTERS: readonly ShelfPalette[] = [...CATEGORICAL, ...SEQUENTIAL, ...DIVERGING, ...INTERFACE, ...GAME];
