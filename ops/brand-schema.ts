import { writeFileSync } from 'node:fs';
import { brandJsonSchema } from '../src/core/brand/document';
import { RESOURCES_XSD } from '../src/core/formats/xml-resources';

// The schemas people outside check their files with, written from the ones the code checks with.
writeFileSync('docs/formats/breakwater-brand.schema.json', JSON.stringify(brandJsonSchema(), null, 2) + '\n');
writeFileSync('docs/formats/resources.xsd', RESOURCES_XSD);
