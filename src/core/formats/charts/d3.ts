import { SCRIPT_WORDS } from '../kit/script-words';
import { NameScope } from '../kit/name-scope';
import { chartColours, chartParts, chartFindings, chartTokens, middlePart } from './chart-parts';
import { slug } from '../../base/words';
import { z } from 'zod';
import { chosen } from '../kit/choices';
import { defineFormat, textFile } from '../kit/format';
import { identifier } from '../kit/identifiers';
import { material } from '../kit/material';
import { propertyKey } from '../kit/nested';

/** A module for charts that are drawn by hand with D3 or its like: plain arrays for the ranges of scales. */
export const d3 = defineFormat({
  id: 'd3',
  title: 'Chart colours (JavaScript)',
  family: 'dashboard',
  extensions: ['.js'],
  purpose:
    'For charts drawn with D3 and its like: give category or values as the range of an ordinal scale, and sequential or diverging to an interpolator.',
  readBy: 'Charts drawn with D3 and its like',
  reload: 'build',
  options: z.strictObject({ ...chartParts, ...middlePart, themes: chosen.themes }),
  tokensWritten: chartTokens,
  write(brand, themes, options) {
    const shipped = material(brand, themes);
    const scope = new NameScope({ themes: 'the list of themes' });
    const constants = shipped.themes.map((theme) => {
      const { series, scale, middle, ground, text, soft, lines, values } = chartColours(brand, theme, options);
      const known = Object.entries(values).map(([field, colours]) => ({
        field,
        domain: Object.keys(colours),
        range: Object.values(colours).map(({ color }) => color),
      }));
      const json = JSON.stringify(
        { ground, text, label: soft, grid: lines, category: series, sequential: scale, diverging: middle, values: known },
        null,
        2,
      );
      const name = scope.claim(identifier(theme.identifier, 'camel', '', { reserved: SCRIPT_WORDS }), theme.theme.name);
      return { key: theme.identifier, name, text: `export const ${name} = ${json};\n` };
    });
    const index = constants.map(({ key, name }) => `${propertyKey(key)}: ${name}`).join(', ');
    const text = `${constants.map((constant) => constant.text).join('\n')}\nexport const themes = { ${index} };\n`;
    return {
      files: [textFile(`charts/${slug(brand.name)}.js`, 'text/javascript', text)],
      findings: [...shipped.findings, ...scope.findings, ...chartFindings(brand, options)],
    };
  },
});
