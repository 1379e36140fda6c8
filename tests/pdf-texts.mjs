/** The texts of a PDF as JSON, read by a library of its own: `node tests/pdf-texts.mjs FILE`. Sizes and places in points. */
import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const document = await getDocument({ data: new Uint8Array(readFileSync(process.argv[2])), verbosity: 0 }).promise;
const texts = [];
for (let page = 1; page <= document.numPages; page++) {
  const { items } = await (await document.getPage(page)).getTextContent();
  for (const { str: text, transform, width } of items) {
    const [, , c, d, x, y] = transform;
    if (text.trim() !== '') texts.push({ page, text, size: Math.hypot(c, d), x, y, width });
  }
}
process.stdout.write(JSON.stringify(texts));
