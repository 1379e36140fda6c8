import { arms, numbered, starter, type Tint } from './draw';
import type { ShelfPalette } from './shelf-palette';

const LIGHT_MIDDLE = [0.965, 0.42] as const;
const DARK_MIDDLE = [0.26, 0.84] as const;

function make(
  name: string,
  tags: string,
  low: readonly Tint[],
  high: readonly Tint[],
  [middle, end]: readonly [number, number] = LIGHT_MIDDLE,
  count = 11,
): ShelfPalette {
  const half = (count - 1) / 2;
  return starter('diverging', name, tags, numbered(arms(count, middle, end, low, high), -half));
}

/** For differences from a middle: both arms as far from it in lightness at each step. */
export const DIVERGING: readonly ShelfPalette[] = [
  make(
    'Ebb and flood',
    'blue, brown, sea',
    [
      [0.004, 240],
      [0.08, 240],
      [0.12, 250],
    ],
    [
      [0.004, 60],
      [0.08, 55],
      [0.12, 45],
    ],
  ),
  make(
    'Frost and ember',
    'blue, red, temperature',
    [
      [0.004, 250],
      [0.1, 248],
      [0.14, 258],
    ],
    [
      [0.004, 40],
      [0.12, 35],
      [0.17, 28],
    ],
  ),
  make(
    'Moss and heather',
    'green, purple',
    [
      [0.004, 140],
      [0.09, 140],
      [0.11, 150],
    ],
    [
      [0.004, 310],
      [0.09, 312],
      [0.13, 305],
    ],
  ),
  make(
    'Teal and rust',
    'teal, orange, muted',
    [
      [0.004, 195],
      [0.06, 195],
      [0.08, 200],
    ],
    [
      [0.004, 50],
      [0.09, 48],
      [0.13, 40],
    ],
  ),
  make(
    'Lagoon and coral',
    'cyan, pink, bright',
    [
      [0.004, 205],
      [0.08, 205],
      [0.1, 220],
    ],
    [
      [0.004, 20],
      [0.12, 20],
      [0.18, 20],
    ],
  ),
  make(
    'Straw and indigo',
    'yellow, blue',
    [
      [0.01, 95],
      [0.12, 88],
      [0.11, 70],
    ],
    [
      [0.004, 275],
      [0.1, 275],
      [0.15, 278],
    ],
  ),
  make(
    'Brass and petrol',
    'muted, finance',
    [
      [0.006, 90],
      [0.08, 85],
      [0.09, 75],
    ],
    [
      [0.004, 225],
      [0.06, 225],
      [0.08, 230],
    ],
  ),
  make(
    'Rose and pine',
    'pink, green',
    [
      [0.004, 0],
      [0.1, -2],
      [0.16, 5],
    ],
    [
      [0.004, 160],
      [0.08, 158],
      [0.09, 165],
    ],
  ),
  make(
    'Ink and clay',
    'print, sober',
    [
      [0.003, 265],
      [0.04, 262],
      [0.06, 265],
    ],
    [
      [0.003, 45],
      [0.06, 45],
      [0.09, 40],
    ],
  ),
  make(
    'Plus and minus',
    'finance, gain and loss',
    [
      [0.004, 20],
      [0.12, 24],
      [0.18, 27],
    ],
    [
      [0.004, 155],
      [0.1, 152],
      [0.12, 152],
    ],
  ),
  make(
    'Storm front',
    'dark ground, cold, warm',
    [
      [0.01, 265],
      [0.1, 255],
      [0.11, 225],
    ],
    [
      [0.01, 40],
      [0.12, 45],
      [0.13, 75],
    ],
    DARK_MIDDLE,
  ),
  make(
    'Deep field',
    'dark ground, green, purple',
    [
      [0.01, 170],
      [0.09, 168],
      [0.12, 160],
    ],
    [
      [0.01, 310],
      [0.13, 315],
      [0.11, 335],
    ],
    DARK_MIDDLE,
  ),
  make(
    'Low water',
    'few steps, blue, orange',
    [
      [0.004, 230],
      [0.1, 240],
    ],
    [
      [0.004, 60],
      [0.13, 50],
    ],
    [0.96, 0.5],
    7,
  ),
];
