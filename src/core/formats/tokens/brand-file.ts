import { slug } from '../../base/words';
import { z } from 'zod';
import { serialiseBrand } from '../../brand/document/document';
import { allTokens, defineFormat, textFile } from '../kit/format';

export const brandFile = defineFormat({
  id: 'brand',
  title: 'Breakwater brand file',
  family: 'brand',
  extensions: ['.breakwater.json'],
  purpose: 'The whole brand in one open file: to keep, to move, to compare.',
  wide: true,
  readBy: 'Breakwater itself',
  reload: 'import',
  options: z.strictObject({}),
  tokensWritten: allTokens,
  write(brand) {
    return { files: [textFile(`${slug(brand.name)}.breakwater.json`, 'application/json', serialiseBrand(brand))], findings: [] };
  },
});
