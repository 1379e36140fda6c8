import { z } from 'zod';
import { cssColours } from './css-colours';
import { defineFormat, type Problem, type SourceFile } from './format';
import { nameOfFile, readingOf } from './reading';
import { Uses } from './uses';
import { decodeXml, walkXml } from './xml';

/** The presentation attributes that hold a colour: SVG 2, "Presentation attributes". */
const ATTRIBUTES = ['fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color', 'color'];

/** A drawing's colours. Only read as text: nothing in it is run, drawn or fetched. */
export const svg = defineFormat({
  id: 'svg',
  title: 'Drawing (SVG)',
  family: 'image',
  extensions: ['.svg'],
  purpose: 'To bring in: the colours that a drawing uses, with how often.',
  options: z.strictObject({}),
  read({ name, bytes }: SourceFile) {
    const text = decodeXml(bytes);
    if (!/<(?:\w+:)?svg[\s>]/.test(text.slice(0, 8_192))) return null;
    const uses = new Uses();
    const problems: Problem[] = [];
    let sheet = '';
    let title = '';
    const fault = walkXml(
      text,
      ({ attributes, line, column }) => {
        for (const attribute of ATTRIBUTES) {
          const value = attributes[attribute]?.trim();
          if (value && !/^(?:none|transparent|inherit|currentcolor|url)/i.test(value)) uses.add(value, attribute, line, column);
        }
        if (attributes.style) cssColours(`x{${attributes.style}}`, uses, { line, column });
      },
      (part, within) => {
        if (within.at(-1) === 'style') sheet += part;
        if (within.at(-1) === 'title' && within.length === 2) title += part;
      },
    );
    if (sheet) cssColours(sheet, uses);
    if (fault) problems.push(fault);
    return readingOf('svg', [{ name: title.trim() || nameOfFile(name), kind: 'loose', swatches: uses.swatches() }], problems);
  },
});
