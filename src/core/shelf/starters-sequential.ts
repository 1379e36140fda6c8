import { numbered, series, starter, type Tint } from './draw';
import type { ShelfPalette } from './shelf-palette';

const make = (name: string, tags: string, [from, to]: readonly [number, number], tints: readonly Tint[], note = '', count = 9) =>
  starter('sequential', name, tags, numbered(series(count, from, to, tints)), note);

/** For quantities: lightness falls or rises by even steps, so that more looks like more, in grey as well. */
export const SEQUENTIAL: readonly ShelfPalette[] = [
  make(
    'Shallow to deep',
    'blue, sea, one hue',
    [0.97, 0.3],
    [
      [0.015, 215],
      [0.09, 232],
      [0.13, 250],
      [0.1, 262],
    ],
  ),
  make(
    'Tideflat',
    'earth, beige, calm',
    [0.96, 0.32],
    [
      [0.02, 95],
      [0.06, 80],
      [0.07, 60],
      [0.05, 45],
    ],
  ),
  make(
    'Kelp forest',
    'green, nature, one hue',
    [0.97, 0.3],
    [
      [0.02, 130],
      [0.1, 145],
      [0.11, 155],
      [0.07, 165],
    ],
  ),
  make(
    'Kiln',
    'warm, red, heat',
    [0.96, 0.32],
    [
      [0.05, 95],
      [0.14, 72],
      [0.19, 40],
      [0.14, 25],
    ],
    'From embers to fired clay.',
  ),
  make(
    'Heather moor',
    'purple, one hue',
    [0.97, 0.32],
    [
      [0.015, 320],
      [0.09, 312],
      [0.14, 305],
      [0.11, 295],
    ],
  ),
  make(
    'Copper verdigris',
    'green, brown, two hues',
    [0.94, 0.32],
    [
      [0.04, 180],
      [0.08, 165],
      [0.07, 110],
      [0.08, 50],
    ],
  ),
  make(
    'Rain on slate',
    'grey, neutral, print',
    [0.96, 0.26],
    [
      [0.003, 245],
      [0.012, 245],
      [0.018, 250],
      [0.015, 255],
    ],
  ),
  make(
    'Sun through fog',
    'yellow, warm, light',
    [0.98, 0.5],
    [
      [0.03, 100],
      [0.11, 92],
      [0.15, 75],
      [0.13, 58],
    ],
  ),
  make(
    'Plum wine',
    'red, purple, rich',
    [0.95, 0.28],
    [
      [0.03, 40],
      [0.12, 15],
      [0.15, -2],
      [0.1, -25],
    ],
  ),
  make(
    'First light',
    'dark ground, many hues, terrain',
    [0.22, 0.96],
    [
      [0.07, 280],
      [0.13, 310],
      [0.16, 370],
      [0.15, 410],
      [0.09, 455],
    ],
    'Dark to light through dawn, for dark grounds.',
  ),
  make(
    'Bioluminescence',
    'dark ground, cold, sea',
    [0.2, 0.95],
    [
      [0.05, 285],
      [0.12, 262],
      [0.11, 220],
      [0.13, 180],
      [0.12, 145],
    ],
    'For a dark ground: what is low sinks into it.',
  ),
  make(
    'Cast iron',
    'dark ground, heat',
    [0.2, 0.97],
    [
      [0.01, 20],
      [0.12, 25],
      [0.18, 42],
      [0.15, 75],
      [0.06, 100],
    ],
  ),
  make(
    'Moss to stone',
    'green, muted, two hues',
    [0.95, 0.34],
    [
      [0.01, 90],
      [0.05, 115],
      [0.07, 135],
      [0.05, 170],
    ],
  ),
  make(
    'Rose hip',
    'pink, red, one hue',
    [0.97, 0.36],
    [
      [0.015, 10],
      [0.1, 12],
      [0.18, 18],
      [0.15, 25],
    ],
  ),
  make(
    'Glacier tongue',
    'cold, cyan, light',
    [0.98, 0.42],
    [
      [0.012, 200],
      [0.06, 205],
      [0.09, 215],
      [0.09, 230],
    ],
  ),
  make(
    'Sounding line',
    'blue, many steps, maps',
    [0.97, 0.24],
    [
      [0.03, 170],
      [0.08, 200],
      [0.11, 235],
      [0.12, 262],
      [0.07, 280],
    ],
    'Thirteen depths for charts of the sea bed.',
    13,
  ),
  make(
    'Old paper',
    'print, warm, grey',
    [0.95, 0.28],
    [
      [0.025, 88],
      [0.03, 75],
      [0.025, 60],
      [0.015, 50],
    ],
    '',
    7,
  ),
  make(
    'Orchid house',
    'pink, purple, many hues',
    [0.96, 0.3],
    [
      [0.03, 60],
      [0.11, 20],
      [0.17, -15],
      [0.15, -50],
      [0.1, -72],
    ],
  ),
];
