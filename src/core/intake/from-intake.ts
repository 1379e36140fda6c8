import { uniqueNames } from '../base/unique-names';
import { slug } from '../base/words';
import { emptyBrand, type Brand } from '../brand/document/document';
import type { Token } from '../brand/document/token-shape';
import { palettesOf, type Intake } from './intake';

/**
 * A brand made of what a reader found, so that any readable file can be shipped at once: its palettes, and a token for
 * each swatch by palette and swatch name. Deterministic: ids count up from the file's order. Names that would make one
 * path get a number.
 */
export function brandFromIntake(name: string, intake: Intake): Brand {
  const brand = emptyBrand('file', name);
  const unique = uniqueNames([], (path, n) => `${path}-${n}`);
  const tokens: Token[] = [];
  const given = palettesOf(intake);
  // What is only offered is taken when there is nothing else.
  const wanted = given.some(({ taken }) => taken) ? given.filter(({ taken }) => taken) : given;
  const palettes = wanted.map((palette, p) => ({
    id: `p${p}`,
    name: palette.name,
    kind: palette.kind,
    swatches: palette.swatches.map((swatch, s) => {
      const id = `s${p}-${s}`;
      const path = unique(`${slug(palette.name)}.${slug(swatch.name)}`);
      tokens.push({ id: `t${p}-${s}`, path, role: 'data', description: '', on: [], values: { day: { swatch: id } } });
      return {
        id,
        name: swatch.name,
        value: swatch.colour.css,
        locked: false,
        ...(swatch.row !== undefined && { row: swatch.row }),
      };
    }),
  }));
  return { ...brand, palettes, tokens };
}
