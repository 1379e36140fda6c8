import type { Palette } from '../document/palette-shape';
import type { StateRule, Token } from '../document/token-shape';

/** What a colour should be like to play a part; what is left out does not matter. */
export interface Want {
  /** OKLCH lightness, 0..1. */
  readonly lightness?: number;
  /** Chroma as a share of the liveliest colour of the brand, 0..1. */
  readonly chroma?: number;
  /** OKLCH hue in degrees. */
  readonly hue?: number;
  /** Farther from it than this a colour of its own is better than any swatch, in the measure of the fit. */
  readonly within?: number;
  /** In words, after "the nearest to". */
  readonly words: string;
}

/** One token of a scaffold. */
export interface PlannedToken {
  readonly path: string;
  readonly role: Token['role'];
  readonly description: string;
  readonly want: Want;
  /** Paths of the planned tokens it is set on, and can be read on. */
  readonly on?: readonly string[];
  /** WCAG contrast it has there, 4.5 when not given. */
  readonly contrast?: number;
  /** States made by rule, with the path of the surface around it and of the text on it. */
  readonly states?: { readonly kinds: readonly StateRule['state'][]; readonly surface: string; readonly text?: string };
}

/** A stretch of tokens, one for each swatch of the first palette of a kind. */
export interface Series {
  readonly group: string;
  readonly kind: Palette['kind'];
  readonly description: string;
}

export interface Scaffold {
  readonly id: 'interface' | 'dashboard' | 'hud' | 'terminal';
  readonly title: string;
  readonly about: string;
  readonly tokens: readonly PlannedToken[];
  readonly series: readonly Series[];
}

const ALL_STATES = ['hover', 'pressed', 'selected', 'focus', 'disabled'] as const;

const PALE: Want = { lightness: 0.97, chroma: 0.05, words: 'a pale ground' };
const PAPER: Want = { lightness: 1, chroma: 0, within: 0.03, words: 'white' };
const DEEP: Want = { lightness: 0.26, chroma: 0.15, words: 'a dark ink' };
const DARK: Want = { lightness: 0.2, chroma: 0.15, words: 'a dark ground' };
const LIGHT: Want = { lightness: 0.95, chroma: 0.05, words: 'a light ink' };
const QUIET: Want = { lightness: 0.5, chroma: 0.2, words: 'a quieter ink' };
const LINE: Want = { lightness: 0.85, chroma: 0.08, words: 'a light line' };
const LEAD: Want = { lightness: 0.48, chroma: 0.6, words: 'a lively middle tone' };
const SECOND: Want = { lightness: 0.75, chroma: 1, words: 'a lively light tone' };
const GREEN: Want = { lightness: 0.58, chroma: 0.8, hue: 150, words: 'green' };
const AMBER: Want = { lightness: 0.78, chroma: 0.8, hue: 80, words: 'amber' };
const RED: Want = { lightness: 0.58, chroma: 0.9, hue: 28, words: 'red' };
const BLUE: Want = { lightness: 0.55, chroma: 0.8, hue: 250, words: 'blue' };

/** Trees to begin with. Names are the trade's plain words; the choice and order is ours. */
export const SCAFFOLDS: readonly Scaffold[] = [
  {
    id: 'interface',
    title: 'Interface',
    about: 'Surfaces, texts, borders, accents with their states, status and data.',
    tokens: [
      { path: 'surface.page', role: 'surface', description: 'Behind everything.', want: PALE },
      { path: 'surface.panel', role: 'surface', description: 'Raised from the page.', want: PAPER },
      { path: 'surface.sunken', role: 'surface', description: 'Set into the page.', want: { ...LINE, words: 'a grey ground' } },
      { path: 'surface.header', role: 'surface', description: 'The bar at the top.', want: { ...LEAD, lightness: 0.42 } },
      {
        path: 'text.default',
        role: 'text',
        description: 'Running text.',
        want: DEEP,
        on: ['surface.page', 'surface.panel', 'surface.sunken'],
        contrast: 7,
      },
      {
        path: 'text.soft',
        role: 'text',
        description: 'Labels and captions.',
        want: QUIET,
        on: ['surface.page', 'surface.panel', 'surface.sunken'],
      },
      { path: 'text.on-header', role: 'text', description: 'On the bar at the top.', want: LIGHT, on: ['surface.header'] },
      { path: 'text.link', role: 'text', description: 'Links.', want: LEAD, on: ['surface.page', 'surface.panel'] },
      { path: 'border.default', role: 'border', description: 'Between parts.', want: LINE },
      { path: 'border.strong', role: 'border', description: 'Around fields.', want: QUIET },
      {
        path: 'accent.primary.rest',
        role: 'accent',
        description: 'The main action.',
        want: LEAD,
        states: { kinds: ALL_STATES, surface: 'surface.page', text: 'text.on-primary' },
      },
      { path: 'text.on-primary', role: 'text', description: 'On the main action.', want: LIGHT, on: ['accent.primary.rest'] },
      {
        path: 'accent.second.rest',
        role: 'accent',
        description: 'Other actions.',
        want: SECOND,
        states: { kinds: ALL_STATES, surface: 'surface.page', text: 'text.on-second' },
      },
      { path: 'text.on-second', role: 'text', description: 'On other actions.', want: DEEP, on: ['accent.second.rest'] },
      { path: 'status.good', role: 'status', description: 'All is well.', want: GREEN },
      { path: 'status.caution', role: 'status', description: 'Look at this.', want: AMBER },
      { path: 'status.bad', role: 'status', description: 'Something is wrong.', want: RED },
      { path: 'status.note', role: 'status', description: 'To be known.', want: BLUE },
    ],
    series: [{ group: 'data', kind: 'categorical', description: 'A category.' }],
  },
  {
    id: 'dashboard',
    title: 'Dashboard',
    about: 'Ground, texts and lines of charts, categories, and a scale of each kind the brand has.',
    tokens: [
      { path: 'chart.ground', role: 'surface', description: 'Behind charts.', want: PAPER },
      { path: 'chart.title', role: 'text', description: 'Titles.', want: DEEP, on: ['chart.ground'], contrast: 7 },
      { path: 'chart.label', role: 'text', description: 'Axis labels.', want: QUIET, on: ['chart.ground'] },
      { path: 'chart.grid', role: 'border', description: 'Grid lines.', want: LINE },
      { path: 'chart.axis', role: 'border', description: 'Axes.', want: QUIET },
      { path: 'chart.emphasis', role: 'accent', description: 'The one that matters.', want: RED },
      { path: 'chart.missing', role: 'data', description: 'No data.', want: { ...LINE, words: 'a pale grey' } },
    ],
    series: [
      { group: 'category', kind: 'categorical', description: 'A category.' },
      { group: 'scale', kind: 'sequential', description: 'A step of the scale.' },
      { group: 'difference', kind: 'diverging', description: 'A step from the middle.' },
    ],
  },
  {
    id: 'hud',
    title: 'Game HUD',
    about: 'Panels over a scene, meters, pickups and menu states.',
    tokens: [
      { path: 'hud.panel', role: 'surface', description: 'Behind words over the scene.', want: DARK },
      { path: 'hud.text', role: 'text', description: 'Words over the scene.', want: LIGHT, on: ['hud.panel'], contrast: 7 },
      { path: 'hud.dim', role: 'text', description: 'What is out of reach.', want: QUIET, on: ['hud.panel'] },
      { path: 'hud.frame', role: 'border', description: 'Around panels.', want: QUIET },
      { path: 'meter.health', role: 'status', description: 'Health.', want: RED },
      { path: 'meter.energy', role: 'status', description: 'Energy.', want: BLUE },
      { path: 'meter.stamina', role: 'status', description: 'Stamina.', want: GREEN },
      { path: 'meter.empty', role: 'surface', description: 'The empty part of a meter.', want: { ...DARK, lightness: 0.32 } },
      { path: 'mark.goal', role: 'accent', description: 'Where to go.', want: AMBER },
      { path: 'mark.danger', role: 'status', description: 'What hurts.', want: RED },
      {
        path: 'menu.entry.rest',
        role: 'accent',
        description: 'An entry of the menu.',
        want: LEAD,
        states: { kinds: ALL_STATES, surface: 'hud.panel', text: 'menu.label' },
      },
      { path: 'menu.label', role: 'text', description: 'On an entry.', want: LIGHT, on: ['menu.entry.rest'] },
    ],
    series: [],
  },
  {
    id: 'terminal',
    title: 'Terminal',
    about: 'The sixteen colours with ground, text and cursor.',
    tokens: [],
    series: [],
  },
];
