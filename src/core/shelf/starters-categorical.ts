import { coloursIn, starter } from './draw';
import type { ShelfPalette } from './shelf-palette';

const make = (name: string, tags: string, colours: string, note = '') =>
  starter('categorical', name, tags, coloursIn(colours), note);

/** For series and categories: every colour told from every other, in the order in which they are given out. */
export const CATEGORICAL: readonly ShelfPalette[] = [
  make(
    'Harbour flags',
    'vivid, sea, bright ground',
    'Pilot 50 14 252, Rust 62 18 42, Kelp 58 14 152, Plum 42 13 305, Straw 82 14 92, Teal 66 10 205, Rose 68 15 358, Peat 38 6 60',
    'Eight colours of equal standing for lines and bars on a light ground.',
  ),
  make(
    'Market stalls',
    'warm, friendly, many',
    'Tomato 58 19 30, Sky 68 10 235, Mustard 80 15 88, Basil 52 11 145, Aubergine 40 11 320, Peach 82 8 55, Denim 46 10 258, Lime 80 16 122, Brick 44 11 32, Mint 85 7 170',
    'Ten colours, dark and light by turns, for long legends.',
  ),
  make(
    'Allotment',
    'earth, muted, nature',
    'Loam 40 5 55, Leaf 62 10 135, Terracotta 58 12 42, Squash 76 12 80, Beet 44 12 10, Sage 78 5 145, Water butt 50 6 235, Onion 84 5 60',
  ),
  make(
    'Tram map',
    'vivid, many, lines',
    'Red 57 20 27, Blue 50 17 258, Green 60 16 148, Amber 80 16 80, Violet 48 17 298, Cyan 72 11 215, Pink 72 16 350, Brown 46 8 50, Grey 60 0 0, Lime 84 18 120, Navy 33 9 265, Orange 70 17 52',
    'Twelve lines that stay apart where they cross.',
  ),
  make(
    'Seed packets',
    'bright, summer, many',
    'Poppy 63 20 28, Cornflower 60 14 265, Marigold 79 16 75, Fern 55 12 142, Lavender 74 10 300, Stem 72 15 128, Sweet pea 78 12 345, Soil 36 4 55, Rain 76 8 220, Damson 42 12 335',
  ),
  make(
    'Workshop tools',
    'sober, industry',
    'Steel 56 3 245, Guard yellow 84 16 95, Handle red 52 17 28, Machine green 50 9 160, Belt 35 3 60, Blueprint 48 13 255, Brass 70 9 85, Rag 80 4 240',
  ),
  make(
    'Evening class',
    'muted, calm, reading',
    'Ink 40 7 262, Clay 64 9 42, Moss 60 7 130, Heather 62 7 315, Wheat 82 7 88, Lagoon 66 6 200, Berry 48 9 5, Slate 54 2 250',
  ),
  make(
    'Paper kites',
    'pastel, light, large areas',
    'Blush 85 7 15, Cloud 87 5 235, Lemon 93 9 103, Mint 88 8 160, Lilac 80 8 305, Apricot 86 8 65, Reed 80 9 128, Pond 78 6 205',
    'For large areas under dark text.',
  ),
  make(
    'Night shift',
    'dark ground, glowing, screen',
    'Lamp 86 13 88, Signal 72 16 30, Radar 82 16 150, Cobalt 66 14 262, Ice 88 6 215, Orchid 74 14 325, Copper 68 10 55, Fog 78 1 250',
    'Bright enough to be lines on a near-black ground.',
  ),
  make(
    'Ledger',
    'sober, few, finance',
    'Ink 36 8 262, Oxblood 44 12 25, Bottle 48 8 160, Ochre 68 11 82, Slate 60 3 250, Stone 82 2 85',
  ),
  make(
    'Tin signs',
    'vivid, poster, retro',
    'Enamel red 56 21 28, Deep blue 42 15 262, Sun 87 17 98, Bottle green 45 11 155, Cream 94 4 92, Flame 70 18 52, Petrol 54 8 215, Magenta 58 20 355',
  ),
  make(
    'Wool shop',
    'soft, many, muted',
    'Oat 86 4 85, Charcoal 36 1 270, Madder 56 13 28, Woad 54 9 248, Weld 82 12 102, Heather 60 8 318, Spruce 46 6 170, Salmon 74 10 35, Lichen 72 7 125, Mole 56 3 50, Mist 78 4 230, Damson 42 9 345',
  ),
  make(
    'Orchard row',
    'fresh, green, nature',
    'Leaf 58 14 138, Cherry 50 17 22, Bark 40 4 50, Blossom 84 7 0, Pear 85 13 112, Sky 72 8 235, Quince 76 13 85, Shade 40 7 160',
  ),
  make(
    'Pool tiles',
    'cool, few, water',
    'Deep 40 11 258, Lane 62 12 228, Shallow 82 8 195, Rope 80 14 88, Tile 90 2 220, Deck 56 6 300',
  ),
  make(
    'Spice rack',
    'warm, earth, food',
    'Paprika 56 17 35, Turmeric 80 15 85, Clove 38 5 40, Cardamom 72 7 130, Saffron 70 17 60, Sumac 46 14 12, Pepper 50 2 80, Cream 92 4 85',
  ),
  make('Ferry tickets', 'few, friendly', 'Adult 48 12 245, Child 74 15 65, Bicycle 58 12 150, Car 52 15 25, Night 40 10 300'),
];
