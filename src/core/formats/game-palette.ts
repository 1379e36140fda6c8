import { encode } from 'fast-png';
import { z } from 'zod';
import { byte } from '../colour/read';
import type { Token } from '../brand/document';
import { linearFloats } from '../colour/notations';
import { defineFormat, slug, textFile, type WrittenFile } from './format';
import { material, type ShippedTheme } from './material';

export const gamePalette = defineFormat({
  id: 'game-palette',
  title: 'Game palette (PNG strip and index)',
  family: 'game engine',
  extensions: ['.png', '.json'],
  purpose: 'For a game engine: load the strip as a lookup texture without filtering or compression; the index names each pixel.',
  options: z.strictObject({
    group: z.string().max(200).default('').meta({ title: 'Only a group of tokens', description: 'all tokens', names: 'tokens' }),
  }),
  reach: (tokens, { group }) => tokens.filter((token) => isBelow(token, group)),
  write(brand, themes, { group }) {
    const { themes: shipped, problems } = material(brand, themes);
    const chosen = shipped.map((theme) => ({
      ...theme,
      tokens: theme.tokens.filter(({ token }) => isBelow(token, group)),
    }));
    if (chosen.some((theme) => theme.tokens.length === 0)) {
      const nothing =
        group === ''
          ? 'There is no colour for the strip.'
          : `There is no token below ${group}; choose another group in the options.`;
      return { files: [], problems: [...problems, { severity: 'error', message: nothing }] };
    }
    const base = `game/${slug(brand.name)}`;
    const files: WrittenFile[] = chosen.map((theme) => ({
      path: `${base}-${theme.identifier}.png`,
      mediaType: 'image/png',
      bytes: strip(theme),
    }));
    const index = {
      width: chosen[0]?.tokens.length ?? 0,
      themes: chosen.map((theme) => ({
        name: theme.theme.name,
        strip: `${slug(brand.name)}-${theme.identifier}.png`,
        colours: theme.tokens.map(({ token, colour }, pixel) => ({
          pixel,
          name: token.path,
          hex: colour.hex,
          alpha: colour.alpha,
          linear: linearFloats(colour),
        })),
      })),
    };
    files.push(textFile(`${base}.json`, 'application/json', JSON.stringify(index, null, 2) + '\n'));
    return { files, problems };
  },
});

function isBelow({ path }: Token, group: string): boolean {
  return group === '' || path.startsWith(`${group}.`);
}

/** One pixel a colour, one row, 8-bit RGBA, straight alpha. */
function strip({ tokens }: ShippedTheme): Uint8Array {
  const data = new Uint8Array(tokens.length * 4);
  tokens.forEach(({ colour }, at) => data.set([...colour.rgb.map(byte), byte(colour.alpha)], at * 4));
  return encode({ width: tokens.length, height: 1, data, channels: 4, depth: 8 });
}
