import { ramps, starter } from './draw';
import type { ShelfPalette } from './shelf-palette';

const make = (name: string, tags: string, colours: string, note = '') => {
  const drawn = ramps(colours);
  return starter('game', name, `${drawn.length} colours, ${tags}`, drawn, note);
};

/** For sprites and tiles, at the depths that games use (common practice): 4, 16, 32, 64 and 128 colours. */
export const GAME: readonly ShelfPalette[] = [
  make('Pocket lantern', 'four tones, warm', 'Tone 4 20 4 60 92 9 95'),
  make('Pond in rain', 'four tones, green', 'Tone 4 22 4 190 90 7 140'),
  make('Moonlit quay', 'four tones, blue', 'Tone 4 18 6 285 92 4 215'),
  make('Sealed letter', 'four tones, red', 'Tone 4 22 7 10 93 5 75'),
  make('Brass automaton', 'four tones, brown', 'Tone 4 20 3 30 88 11 88'),
  make(
    'Skerry 16',
    'sea, cool',
    'Water 4 22 7 280 84 7 200, Stone 4 30 1 260 92 1 90, Weed 3 36 7 165 82 12 122, Rope 3 38 6 45 86 8 85, Buoy 2 48 16 25 76 14 55',
  ),
  make(
    'Cellar 16',
    'dark, warm',
    'Stone 5 16 2 300 82 3 80, Flame 4 36 13 20 90 14 92, Cask 3 28 5 40 62 8 65, Slime 2 46 10 150 80 15 125, Vial 2 40 14 290 72 12 320',
  ),
  make(
    'Meadow 16',
    'bright, outdoors',
    'Grass 4 36 8 165 88 16 118, Sky 3 55 12 262 93 4 215, Earth 3 32 5 40 72 9 70, Petal 3 50 18 5 88 7 -10, Sun 2 76 15 70 95 10 100, Night 1 22 6 285 22 6 285',
  ),
  make(
    'Tin toys 16',
    'vivid, toys',
    'Red 3 34 13 20 72 17 35, Blue 3 32 13 270 78 9 235, Yellow 2 74 15 75 93 14 102, Green 3 36 9 160 82 15 135, Tin 4 22 1 270 95 1 250, Skin 1 80 7 55 80 7 55',
  ),
  make(
    'Ghost ship 16',
    'eerie, dark',
    'Hull 5 15 3 260 70 3 200, Glow 4 36 8 185 95 9 165, Sail 3 40 2 80 88 3 95, Blood 2 32 13 20 52 17 28, Mist 2 58 4 300 78 4 290',
  ),
  make(
    'Archipelago 32',
    'sea, outdoors',
    'Water 6 20 7 285 92 6 195, Sand 4 52 8 65 95 5 95, Leaf 5 28 6 175 88 15 118, Rock 5 24 1 280 88 1 90, Bark 4 24 4 35 60 9 62, Coral 4 40 16 18 86 9 40, Sky 4 52 13 270 94 3 220',
  ),
  make(
    'Night market 32',
    'night, vivid',
    'Night 6 14 4 290 72 5 275, Lantern 5 40 15 25 95 10 98, Silk 5 32 14 330 86 9 350, Jade 4 34 8 175 88 12 150, Indigo 4 28 14 280 76 10 255, Wood 4 24 5 35 72 9 72, Paper 4 56 2 70 97 2 95',
  ),
  make(
    'Four seasons 64',
    'large, outdoors',
    'Spring 8 26 6 170 95 14 118, Summer 8 28 8 150 92 17 112, Autumn 8 28 11 25 92 12 92, Winter 8 26 3 265 98 1 230, Water 8 18 7 285 92 6 195, Earth 8 18 4 35 86 7 80, Sky 8 30 13 275 96 3 220, Flower 8 34 17 335 92 7 370',
  ),
  make(
    'Whole world 128',
    'large, everything',
    'Grey 12 14 0.4 280 98 0.4 90, Warm 8 18 2.5 30 94 2.5 85, Red 10 22 10 15 90 8 35, Orange 10 26 9 35 94 9 80, Yellow 8 36 8 65 97 10 104, Lime 10 26 7 145 95 15 118, Green 10 20 6 170 92 11 148, Teal 10 18 5 205 94 6 178, Sky 10 22 9 262 95 4 212, Blue 10 16 11 285 88 6 248, Violet 10 18 11 300 90 7 290, Pink 10 22 12 345 93 6 340, Skin 10 26 6 30 95 4 70',
  ),
];
