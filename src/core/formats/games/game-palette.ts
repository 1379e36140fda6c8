import { marked } from '../kit/marks';
import { finding } from '../../findings/finding';
import { about } from '../kit/options';
import { chosen } from '../kit/choices';
import { depthOptions, withinDepth } from '../kit/colour-depth';
import { slug } from '../../base/words';
import { encode } from 'fast-png';
import { z } from 'zod';
import { bytesOf } from '../../colour/integers';
import { linearFloats } from '../../colour/notations';
import { defineFormat, textFile, type WrittenFile } from '../kit/format';
import { indexedPng } from '../../image/indexed-png';
import { chosenTokens, material, type ShippedTheme } from '../kit/material';

/** Pixels along one side that graphics hardware commonly takes (common practice). */
const LONGEST = 16_384;
/** More than this an indexed PNG does not hold. */
const INDEXED_MOST = 256;

export const gamePalette = defineFormat({
  id: 'game-palette',
  title: 'Game palette (PNG strip and index)',
  family: 'game engine',
  extensions: ['.png', '.json'],
  purpose: 'For a game engine: load the strip as a lookup texture without filtering or compression; the index names each pixel.',
  readBy: 'Game engines, as a texture',
  reload: 'load',
  options: z.strictObject({
    ...chosen,
    layout: z
      .enum(['row', 'column'])
      .default('row')
      .meta(about({ title: 'Strip', description: 'one row', says: { row: 'one row', column: 'one column' } })),
    block: z
      .number()
      .int()
      .min(1, 'A block is 1 to 64 pixels wide and high.')
      .max(64, 'A block is 1 to 64 pixels wide and high.')
      .default(1)
      .meta(about({ title: 'Pixels a colour, each way', description: '1' })),
    indexed: z
      .boolean()
      .default(false)
      .meta(about({ title: 'Indexed PNG (one byte a pixel)', description: 'four bytes a pixel' })),
    key: z
      .boolean()
      .default(false)
      .meta(about({ title: 'Index 0 is transparent', description: 'the first colour has index 0' })),
    ...depthOptions,
  }),
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = withinDepth(material(brand, themes, options), options);
    if (shipped.some(({ tokens }) => tokens.length === 0)) return { files: [], findings };
    const lead = options.key ? 1 : 0;
    const count = shipped[0]!.tokens.length + lead;
    if (count * options.block > LONGEST) {
      const message = `A strip of ${count * options.block} pixels is longer than the ${LONGEST} that graphics hardware takes; make the blocks smaller or leave some colours out.`;
      return { files: [], findings: [...findings, finding('too-large', 'error', message)] };
    }
    if (options.indexed && count > INDEXED_MOST) {
      const message = `An indexed PNG holds ${INDEXED_MOST} colours, and there are ${count}; leave some out or take four bytes a pixel.`;
      return { files: [], findings: [...findings, finding('too-large', 'error', message)] };
    }
    const base = `game/${slug(brand.name)}`;
    const files: WrittenFile[] = shipped.map((theme) => ({
      path: `${base}-${theme.identifier}.png`,
      mediaType: 'image/png',
      bytes: strip(theme, options),
    }));
    const index = {
      width: options.layout === 'row' ? count * options.block : options.block,
      height: options.layout === 'row' ? options.block : count * options.block,
      block: options.block,
      themes: shipped.map((theme) => ({
        name: theme.theme.name,
        strip: `${slug(brand.name)}-${theme.identifier}.png`,
        colours: theme.tokens.map((shippedToken, at) => {
          const { token, colour } = shippedToken;
          return {
            pixel: at + lead,
            name: token.path,
            hex: marked(shippedToken, colour.hex),
            alpha: colour.alpha,
            linear: linearFloats(colour),
          };
        }),
      })),
    };
    files.push(textFile(`${base}.json`, 'application/json', JSON.stringify(index, null, 2) + '\n'));
    return { files, findings };
  },
});

interface Look {
  readonly layout: 'row' | 'column';
  readonly block: number;
  readonly indexed: boolean;
  readonly key: boolean;
}

/** A block a colour, in a row or a column, 8 bits a channel, straight alpha. */
function strip({ tokens }: ShippedTheme, { layout, block, indexed, key }: Look): Uint8Array {
  const colours: number[][] = [...(key ? [[0, 0, 0, 0]] : []), ...tokens.map(({ colour }) => bytesOf(colour))];
  const across = layout === 'row' ? colours.length * block : block;
  const down = layout === 'row' ? block : colours.length * block;
  const indexAt = (x: number, y: number) => Math.floor((layout === 'row' ? x : y) / block);
  const places = Array.from({ length: across * down }, (_, at) => indexAt(at % across, Math.floor(at / across)));
  if (indexed) return indexedPng(across, colours, Uint8Array.from(places));
  const data = Uint8Array.from(places.flatMap((index) => colours[index]!));
  return encode({ width: across, height: down, data, channels: 4, depth: 8 });
}
