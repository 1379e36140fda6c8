import { finding, type Finding } from '../../findings/finding';
import { tokenOption } from '../kit/options';
import { fitted, partColours, partOptions } from '../kit/fitted-tokens';
import { slug } from '../../base/words';
import { z } from 'zod';
import { firstSeries, tokensBelow } from '../../brand/reading/data-fields';
import { bytesOf } from '../../colour/integers';
import { chosen } from '../kit/choices';
import { allTokens, defineFormat, type WrittenFile } from '../kit/format';
import { material } from '../kit/material';
import { themePackage, themePart } from './ooxml-scheme';
import { workbook } from './xlsx-parts';

/** What the places but the accents are filled from. */
const PARTS = {
  dk1: { title: 'Text 1', words: ['default', 'body'], role: 'text' },
  lt1: { title: 'Background 1', words: ['page', 'background', 'ground'], role: 'surface' },
  dk2: { title: 'Text 2', words: ['soft', 'secondary', 'muted'], role: 'text' },
  lt2: { title: 'Background 2', words: ['panel', 'sunken', 'paper', 'card'], role: 'surface' },
  hlink: { title: 'Link', words: ['link', 'primary'], role: 'text' },
  folHlink: { title: 'Visited link', words: ['visited', 'soft'], role: 'text' },
} as const;

/** Office themes: the theme part by itself, or any office file that carries one. */
export const ooxmlTheme = defineFormat({
  id: 'ooxml-theme',
  title: 'Office theme (OOXML)',
  family: 'interface',
  extensions: ['.thmx', '.xml', '.pptx', '.docx'],
  purpose:
    'For office programs: the theme by itself, and a workbook that has it; its twelve colours then stand in every picker for font, fill and border.',
  readBy: 'Office programs, for their colour pickers',
  reload: 'import',
  options: z.strictObject({
    themes: chosen.themes,
    ...tokenOption('series', 'Accents 1 to 6, a group', 'first data group'),
    ...partOptions(PARTS),
  }),
  tokensWritten: allTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, {}, { opaque: true });
    const { parts, findings: unfitted } = fitted(PARTS, options, brand.tokens);
    const all: Finding[] = [...findings, ...unfitted];
    const series = options.series || firstSeries(brand.tokens);
    const accents = series === undefined ? [] : tokensBelow(brand.tokens, series).slice(0, 6);
    if (options.series && accents.length === 0)
      all.push(
        finding(
          'no-such-token',
          'error',
          `The accents are taken from ${options.series}, and there is no such group; choose another.`,
        ),
      );
    if (accents.length < 6 && brand.tokens.length > 0) {
      const message = `An office theme has six accents, and ${series ?? 'the brand'} has colours for ${accents.length}; the rest repeat the last one.`;
      all.push(finding('too-few', 'warning', message));
    }
    const files = shipped.flatMap((theme): WrittenFile[] => {
      const found = partColours(theme, parts);
      const byId = new Map(theme.tokens.map((token) => [token.token.id, token]));
      const lit = accents.flatMap(({ id }) => byId.get(id)?.colour.hex ?? []);
      const code = (place: keyof typeof PARTS, otherwise: string) => found.get(place)?.colour.hex ?? otherwise;
      const accent = (at: number) => lit[at] ?? lit.at(-1) ?? code('dk1', '#000000');
      const dk1 = code('dk1', '#000000');
      const lt1 = code('lt1', '#ffffff');
      const part = themePart(`${brand.name} ${theme.theme.name}`, {
        ...{ dk1, lt1, dk2: code('dk2', dk1), lt2: code('lt2', lt1), hlink: code('hlink', dk1), folHlink: code('folHlink', dk1) },
        ...{
          accent1: accent(0),
          accent2: accent(1),
          accent3: accent(2),
          accent4: accent(3),
          accent5: accent(4),
          accent6: accent(5),
        },
      });
      const base = `office/${slug(brand.name)}-${theme.identifier}`;
      const swatches = theme.tokens.map(({ token, colour }) => {
        const [r, g, b] = bytesOf(colour);
        return { id: token.id, name: token.path, hex: colour.hex, rgb: [r, g, b] as const };
      });
      const office = 'application/vnd.openxmlformats-officedocument';
      return [
        { path: `${base}.thmx`, mediaType: `${office}.theme`, bytes: themePackage(part) },
        {
          path: `${base}.xlsx`,
          mediaType: `${office}.spreadsheetml.sheet`,
          bytes: workbook([{ name: theme.theme.name, swatches }], part),
        },
      ];
    });
    return { files, findings: all };
  },
});
