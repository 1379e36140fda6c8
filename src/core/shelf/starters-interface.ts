import { ladder, coloursIn, starter } from './draw';
import type { ShelfPalette } from './shelf-palette';

const shades = (name: string, tags: string, chroma: number, light: number, dark = light) =>
  starter('interface', name, `${tags}, shades`, ladder(chroma, light, dark));
const roles = (name: string, tags: string, colours: string, note: string) =>
  starter('interface', name, `${tags}, roles`, coloursIn(colours), note);

/** For software: families of ten shades, and small sets in which every colour has its work. */
export const INTERFACE: readonly ShelfPalette[] = [
  shades('Wet slate', 'neutral, cool, grey', 0.022, 250, 262),
  shades('Driftwood', 'neutral, warm, grey', 0.018, 85, 60),
  shades('Lichen grey', 'neutral, green, grey', 0.016, 150, 165),
  shades('Channel blue', 'accent, blue', 0.17, 240, 264),
  shades('Buoy red', 'accent, red, danger', 0.2, 22, 27),
  shades('Starboard', 'accent, green, success', 0.15, 158, 150),
  shades('Beacon amber', 'accent, yellow, warning', 0.16, 92, 58),
  shades('Dusk violet', 'accent, purple', 0.18, 300, 288),
  shades('Estuary', 'accent, teal', 0.11, 190, 205),
  shades('Rigging rose', 'accent, pink', 0.18, -10, 2),
  roles(
    'Quiet office',
    'light, calm',
    'Ground 98 0.3 250, Panel 100 0 0, Line 90 0.6 250, Soft text 52 1.5 255, Text 26 2 260, Accent 50 13 255, Good 55 12 152, Warning 76 14 78, Danger 55 18 28, Selection 93 3 250',
    'Ten roles for a tool that is looked at all day.',
  ),
  roles(
    'Engine room',
    'dark, dense',
    'Ground 20 1.2 255, Panel 25 1.4 255, Line 36 1.6 255, Soft text 70 1.5 250, Text 94 0.6 250, Accent 76 11 215, Good 78 14 152, Warning 84 14 88, Danger 68 17 26, Selection 32 4 245',
    'The same ten roles on a dark ground.',
  ),
  roles(
    'Ticket counter',
    'light, friendly, warm',
    'Ground 97 1.2 85, Panel 99.5 0.4 85, Line 88 2 80, Soft text 50 2.5 60, Text 27 2.5 45, Accent 54 15 35, Good 54 11 150, Warning 78 14 82, Danger 50 17 22, Selection 92 4 70',
    'Warm grounds for a place where people buy.',
  ),
  roles(
    'Bridge at night',
    'dark, red, dim',
    'Ground 12 1 25, Panel 16 2 25, Line 27 5 25, Soft text 46 11 26, Text 60 16 27, Accent 68 17 32, Good 58 9 60, Warning 66 13 60, Danger 58 21 27, Selection 23 6 25',
    'Dim and red, for eyes that must stay used to the dark.',
  ),
];
