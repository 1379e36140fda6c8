import { uniqueNames } from '../../base/unique-names';
import { slug } from '../../base/words';
import type { Command } from '../commands/commands';
import type { Brand } from '../document/document';
import type { Palette } from '../document/palette-shape';
import type { Token } from '../document/token-shape';
import { likelyRole } from '../reading/token-role';

/** Kinds of palette whose colours stand for data. */
const OF_DATA: readonly Palette['kind'][] = ['categorical', 'sequential', 'diverging'];

/**
 * A token for each swatch, in a group, named after the swatch, with it as value in every theme. A path that is taken gets a number.
 * @param group a path, or empty for none
 */
export function tokensOfSwatches(
  brand: Brand,
  { kind }: Pick<Palette, 'kind'>,
  swatches: readonly { readonly id: string; readonly name: string }[],
  group: string,
  newId: () => string,
): { readonly command: Command; readonly tokens: readonly Token[] } {
  const unique = uniqueNames(
    brand.tokens.map(({ path }) => path),
    (path, n) => `${path}-${n}`,
  );
  const tokens = swatches.map(({ id, name }): Token => {
    const path = unique([group, slug(name)].filter(Boolean).join('.'));
    const likely = likelyRole(path);
    return {
      id: newId(),
      path,
      role: likely !== 'other' || !OF_DATA.includes(kind) ? likely : 'data',
      description: '',
      on: [],
      values: Object.fromEntries(brand.themes.map((theme) => [theme.id, { swatch: id }])),
    };
  });
  const label = `Make ${tokens.length === 1 ? tokens[0]!.path : `${tokens.length} tokens`} of swatches`;
  return { command: { label, steps: [{ do: 'token.add', tokens, before: null }] }, tokens };
}
