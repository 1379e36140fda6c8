import type { Reading } from '../formats/kit/format';
import { slug } from '../formats/kit/format';
import { emptyBrand, LIMITS, type Brand, type Token } from '../brand/document';

/**
 * A brand made of what a reader found, so that any readable file can be shipped at once: its palettes, and a token for
 * each swatch by palette and swatch name. Deterministic: ids count up from the file's order. Names that would make one
 * path get a number.
 */
export function brandFromReading(name: string, reading: Reading): Brand {
  const brand = emptyBrand('file', name);
  const taken = new Set<string>();
  const unique = (path: string): string => {
    let candidate = path;
    for (let n = 2; taken.has(candidate); n++) candidate = `${path}-${n}`;
    taken.add(candidate);
    return candidate;
  };
  const tokens: Token[] = [];
  const palettes = reading.palettes.map((palette, p) => ({
    id: `p${p}`,
    name: palette.name.slice(0, LIMITS.name),
    kind: palette.kind,
    swatches: palette.swatches.map((swatch, s) => {
      const id = `s${p}-${s}`;
      const path = unique(`${slug(palette.name)}.${slug(swatch.name)}`);
      tokens.push({ id: `t${p}-${s}`, path, role: 'data', description: '', on: [], values: { day: { swatch: id } } });
      return { id, name: swatch.name.slice(0, LIMITS.name), value: swatch.css, locked: false };
    }),
  }));
  return { ...brand, palettes, tokens };
}
