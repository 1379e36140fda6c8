import { writeFileSync } from 'node:fs';
import { brandJsonSchema } from '../src/core/brand/document/document';
import { DASHBOARD_SCHEMA } from '../src/core/formats/charts/dashboard-json';
import { DASHBOARD_XSD } from '../src/core/formats/charts/dashboard-xml';
import { RESOURCES_XSD } from '../src/core/formats/systems/xml-resources';
import { formatPage } from './format-page';

const json = (value: object) => JSON.stringify(value, null, 2) + '\n';

/** What is published of the code: the schemas people outside check their files with, and the page of all formats. By path. */
export const DOCUMENTS: Readonly<Record<string, string>> = {
  'docs/formats/breakwater-brand.schema.json': json(brandJsonSchema()),
  'docs/formats/resources.xsd': RESOURCES_XSD,
  'docs/formats/dashboard.xsd': DASHBOARD_XSD,
  'docs/formats/dashboard.schema.json': json(DASHBOARD_SCHEMA),
  'docs/formats.md': formatPage(),
};

if (process.argv[1]?.endsWith('documents.ts')) {
  for (const [path, text] of Object.entries(DOCUMENTS)) writeFileSync(path, text);
}
