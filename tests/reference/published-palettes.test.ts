/** The rules about palettes, on published ones: what their authors claim for them holds, and what is known not to work is found. */
import * as chromatic from 'd3-scale-chromatic';
import type { Palette } from '../../src/core/brand/document/palette-shape';
import { emptyBrand } from '../../src/core/brand/document/document';
import type { RuleId } from '../../src/core/findings/finding';
import { findingsOf, mendOf, ruleById } from '../../src/core/findings/rules';
import { apply } from '../../src/core/brand/commands/apply';

const brandOf = (kind: Palette['kind'], colours: readonly string[]) => ({
  ...emptyBrand('b', 'Published'),
  palettes: [
    {
      id: 'p',
      name: 'Published',
      kind,
      swatches: colours.map((value, at) => ({ id: `s${at}`, name: `${at + 1}`, value, locked: false })),
    },
  ],
});
const found = (kind: Palette['kind'], colours: readonly string[], ...rules: RuleId[]) =>
  findingsOf(
    brandOf(kind, colours),
    rules.map((rule) => ruleById(rule)!),
  ).map(({ rule }) => rule);

/** Okabe and Ito, "Color Universal Design" (2008): eight colours for people of every colour vision. */
const OKABE_ITO = ['#000000', '#e69f00', '#56b4e9', '#009e73', '#f0e442', '#0072b2', '#d55e00', '#cc79a7'];

test('a set made for every colour vision is told apart by every colour vision', () => {
  expect(found('categorical', OKABE_ITO, 'alike', 'alike-vision', 'near-duplicate')).toEqual([]);
});

/** ColorBrewer 2.0 marks these sizes of its qualitative schemes as safe for the colour-blind, and larger ones, and the others, not. */
test.each([
  ['Dark2', chromatic.schemeDark2, 3],
  ['Set2', chromatic.schemeSet2, 3],
  ['Paired', chromatic.schemePaired, 4],
] as const)('%s: the size that is called safe is, and the whole is not', (_name, colours, safe) => {
  expect(found('categorical', colours.slice(0, safe), 'alike', 'alike-vision')).toEqual([]);
  expect(found('categorical', colours, 'alike-vision')).toContain('alike-vision');
});

test.each([
  ['Set1', chromatic.schemeSet1],
  ['Set3', chromatic.schemeSet3],
  ['Pastel1', chromatic.schemePastel1],
  ['Pastel2', chromatic.schemePastel2],
  ['Accent', chromatic.schemeAccent],
])('%s, which is not called safe, is found', (_name, colours) => {
  expect(found('categorical', colours, 'alike-vision')).toContain('alike-vision');
});

const SEQUENTIAL = [
  'Blues',
  'Greens',
  'Greys',
  'Oranges',
  'Purples',
  'Reds',
  'BuGn',
  'BuPu',
  'GnBu',
  'OrRd',
  'PuBuGn',
  'PuBu',
  'PuRd',
  'RdPu',
  'YlGnBu',
  'YlGn',
  'YlOrBr',
  'YlOrRd',
] as const;

test.each(SEQUENTIAL)('the sequential scheme %s goes on in lightness, in every size', (name) => {
  for (let size = 3; size <= 9; size++)
    expect(found('sequential', chromatic[`scheme${name}`][size]!, 'not-monotone', 'uneven')).toEqual([]);
});

test.each(['BrBG', 'PRGn', 'PiYG', 'PuOr', 'RdBu', 'RdGy', 'RdYlBu', 'RdYlGn', 'Spectral'] as const)(
  'the arms of the diverging scheme %s weigh the same, in every size',
  (name) => {
    for (let size = 3; size <= 11; size++) expect(found('diverging', chromatic[`scheme${name}`][size]!, 'arms')).toEqual([]);
  },
);

const sampled = (scale: (share: number) => string) => Array.from({ length: 9 }, (_, at) => scale(at / 8));

test('scales made to rise in lightness do, and rainbows do not; the mend gives them a lightness that goes on', () => {
  for (const scale of [
    chromatic.interpolateViridis,
    chromatic.interpolateMagma,
    chromatic.interpolateInferno,
    chromatic.interpolatePlasma,
    chromatic.interpolateCividis,
  ])
    expect(found('sequential', sampled(scale), 'not-monotone')).toEqual([]);
  for (const scale of [chromatic.interpolateRainbow, chromatic.interpolateSinebow, chromatic.interpolateTurbo]) {
    expect(found('sequential', sampled(scale), 'not-monotone')).toEqual(['not-monotone']);
    const brand = brandOf('sequential', sampled(scale));
    const rule = ruleById('not-monotone')!;
    const mended = apply(brand, mendOf(brand, rule.find(brand, {}), 'Mend')!);
    expect(mended.ok && rule.find(mended.brand, {})).toEqual([]);
  }
});
