import { STATE_DEFAULTS } from '../src/core/brand/reading/state-rule';
import { readFileSync } from 'node:fs';
import { Brand } from '../src/core/brand/document/document';
import type { Token } from '../src/core/brand/document/token-shape';

const TOKENS = 5_000;
export const CHAIN = 10;

/** 5,000 tokens in four themes, for measuring: groups of ten, in each a token at a swatch, aliases in a chain, a state by rule. */
export function largeBrand(): Brand {
  const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
  const all = demo.palettes.flatMap((palette) => palette.swatches);
  const surface = 'g0-0';
  const tokens = Array.from({ length: TOKENS }, (_, at): Token => {
    const group = Math.floor(at / CHAIN);
    const place = at % CHAIN;
    const id = `g${group}-${place}`;
    const isState = place === CHAIN - 1 && group > 0;
    const value = place === 0 ? { swatch: all[group % all.length]!.id } : { token: `g${group}-${place - 1}` };
    return {
      id,
      path: `part${Math.floor(group / 20)}.group-${group}.${isState ? 'hover' : `chain-${place}`}`,
      role: at === 0 ? 'surface' : isState ? 'state' : group % 10 === 1 && place === 1 ? 'text' : 'other',
      description: '',
      on: [],
      values: isState ? {} : Object.fromEntries(demo.themes.map((theme) => [theme.id, value])),
      ...(isState && { rule: { state: 'hover' as const, of: `g${group}-0`, surface, ...STATE_DEFAULTS.hover } }),
    };
  });
  return Brand.parse({ ...demo, tokens, destinations: [], fields: [] });
}
