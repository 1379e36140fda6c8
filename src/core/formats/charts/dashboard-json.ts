import { slug } from '../../base/words';
import { DASHBOARD_KINDS, dashboardOptions, dashboardPalettes } from './dashboard-palettes';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';

const code = { type: 'string', pattern: '^#[0-9a-f]{6}([0-9a-f]{2})?$' };
const named = { type: 'string', minLength: 1 };
const listOf = (properties: Record<string, object>) => ({
  type: 'array',
  items: { type: 'object', additionalProperties: false, required: Object.keys(properties), properties },
});

/** JSON Schema, draft 2020-12: the shape of every file this format writes. */
export const DASHBOARD_SCHEMA = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:breakwater:dashboard:1',
  title: 'Dashboard palettes',
  type: 'object',
  additionalProperties: false,
  required: ['brand', 'theme', 'palettes', 'fields', 'tokens'],
  properties: {
    brand: named,
    theme: named,
    ground: code,
    text: code,
    palettes: listOf({ name: named, kind: { enum: DASHBOARD_KINDS }, colours: listOf({ name: named, value: code }) }),
    fields: listOf({ name: named, values: listOf({ text: named, colour: code }) }),
    tokens: listOf({ name: named, value: code }),
  },
};

export const dashboardJson = defineFormat({
  id: 'dashboard-json',
  title: 'Dashboard palettes (JSON)',
  family: 'dashboard',
  extensions: ['.json'],
  purpose:
    'For a dashboard tool that is not listed: its palettes, ground, text and pinned values in one plain file a theme, to be fed in by a script or by hand.',
  readBy: 'Dashboard tools that are fed by a script',
  reload: 'import',
  options: dashboardOptions,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { palettes, findings } = dashboardPalettes(brand, themes, options);
    const files = palettes.map(({ identifier, ...content }) =>
      textFile(`dashboard/${slug(brand.name)}-${identifier}.json`, 'application/json', JSON.stringify(content, null, 2) + '\n'),
    );
    const schema = textFile('dashboard/schema.json', 'application/schema+json', JSON.stringify(DASHBOARD_SCHEMA, null, 2) + '\n');
    return { files: [...files, schema], findings };
  },
});
