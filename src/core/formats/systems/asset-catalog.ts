import { marked } from '../kit/marks';
import { finding } from '../../findings/finding';
import { about } from '../kit/options';
import { casing, chosen, oneTheme, prefix } from '../kit/choices';
import { z } from 'zod';
import { byte } from '../../colour/read';
import { wideChannels } from '../../colour/notations';
import { darkest } from '../kit/dark-theme';
import { defineFormat, textFile, type WrittenFile } from '../kit/format';
import { chosenTokens, material, type ShippedTheme, type ShippedToken } from '../kit/material';

/** A folder's name longer than this is refused by some file systems. */
const LONGEST = 200;
const INFO = { author: 'breakwater', version: 1 };

export const assetCatalog = defineFormat({
  id: 'asset-catalog',
  title: 'Asset catalog (xcassets)',
  family: 'interface',
  extensions: ['.json'],
  purpose:
    'For an application on Apple’s systems: add the catalog to the target. The dark theme takes over by itself where the system is dark; further themes are folders in it.',
  readBy: 'Applications with an asset catalog',
  reload: 'build',
  options: z.strictObject({
    prefix,
    ...chosen,
    naming: casing('kebab', 'camel', 'pascal', 'snake'),
    dark: oneTheme('Dark theme', 'the first dark one'),
    wide: z
      .boolean()
      .default(false)
      .meta(about({ title: 'Display P3 where the colour needs it', description: 'sRGB throughout' })),
  }),
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { themes: shipped, findings } = material(brand, themes, options, { ascii: true, wide: options.wide });
    const long = (shipped[0]?.tokens ?? []).filter(({ identifier }) => identifier.length > LONGEST);
    if (long.length > 0) {
      const message = `${long[0]!.token.path} is too long for the name of a folder (${LONGEST} characters); shorten it.`;
      return { files: [], findings: [...findings, finding('too-large', 'error', message)] };
    }
    const dark = darkest(brand, shipped, options.dark);
    const [light] = shipped.filter((theme) => theme !== dark);
    const files = [contents('Colours.xcassets', { info: INFO })];
    for (const theme of shipped) {
      if (theme === dark && light) continue;
      const other = theme !== light;
      const folder = other ? `Colours.xcassets/${theme.identifier}` : 'Colours.xcassets';
      if (other) files.push(contents(folder, { info: INFO, properties: { 'provides-namespace': true } }));
      files.push(...sets(folder, theme, other ? undefined : dark));
    }
    return { files, findings };

    function sets(folder: string, { tokens }: ShippedTheme, night: ShippedTheme | undefined): WrittenFile[] {
      const darker = new Map(night?.tokens.map((token) => [token.token.id, token]));
      return tokens.map((token) => {
        const other: ShippedToken | undefined = darker.get(token.token.id);
        const colours = [
          { idiom: 'universal', color: components(token, options.wide) },
          ...(other
            ? [
                {
                  idiom: 'universal',
                  appearances: [{ appearance: 'luminosity', value: 'dark' }],
                  color: components(other, options.wide),
                },
              ]
            : []),
        ];
        return contents(`${folder}/${token.identifier}.colorset`, { colors: colours, info: INFO });
      });
    }
  },
});

function contents(folder: string, json: object): WrittenFile {
  return textFile(`${folder}/Contents.json`, 'application/json', JSON.stringify(json, null, 2) + '\n');
}

function components(token: ShippedToken, wide: boolean): object {
  const { colour } = token;
  const alpha = String(Number((byte(colour.alpha) / 255).toFixed(6)));
  if (wide && colour.clipped > 0) {
    const [red, green, blue] = wideChannels(colour).map((channel) => marked(token, channel.toFixed(6)));
    return { 'color-space': 'display-p3', components: { alpha, blue, green, red } };
  }
  const [red, green, blue] = [1, 3, 5].map((at) => marked(token, `0x${colour.hex.slice(at, at + 2).toUpperCase()}`));
  return { 'color-space': 'srgb', components: { alpha, blue, green, red } };
}
