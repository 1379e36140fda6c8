import { readFileSync } from 'node:fs';
import { Brand } from '@/core/brand/document/document';

const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
const GROUPS = ['text', 'surface', 'brand', 'action', 'route'];
const PALETTES = ['core', 'route', 'sea'];
const THEMES = ['day', 'night'];
const DESTINATIONS = ['d-charts', 'd-site', 'd-tokens'];

/**
 * A third of the demo brand with something of every kind in it: for properties that play through many random changes,
 * which meet more often the fewer things there are.
 */
export const partOfDemo = Brand.parse({
  ...demo,
  palettes: demo.palettes.filter(({ id }) => PALETTES.includes(id)),
  themes: demo.themes.filter(({ id }) => THEMES.includes(id)),
  tokens: demo.tokens
    .filter(({ path }) => GROUPS.includes(path.split('.')[0]!))
    .map((token) => ({
      ...token,
      values: Object.fromEntries(Object.entries(token.values).filter(([theme]) => THEMES.includes(theme))),
    })),
  destinations: demo.destinations.filter(({ id }) => DESTINATIONS.includes(id)),
  fields: demo.fields.filter(({ group }) => GROUPS.includes(group)),
});
