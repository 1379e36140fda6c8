import { z } from 'zod';
import type { Node } from 'jsonc-parser';
import { readColour } from '../../colour/read';
import { defineFormat, type Found, type ReadSwatch, type SourceFile } from '../../formats/kit/format';
import { membersOf, readJson } from '../../source/json-text';
import { fromBytes, fromUnit } from '../channel-values';
import { CATCH_LIMIT, doubt, nameOfFile, readingOf, readSwatch } from '../reading';

/** Keys under which a plain word may be a colour name, and three or four numbers a colour. */
const COLOURED = /colou?r|rgb|fill|stroke|ground|border|accent|palette|tint|ink/i;

/** Any JSON: every string that is a colour, and number triples where the key speaks of colour. */
export const json = defineFormat({
  id: 'json',
  title: 'JSON with colours in it',
  family: 'text',
  extensions: ['.json'],
  purpose: 'To bring in: the colours of any settings file, named by their keys.',
  options: z.strictObject({}),
  read({ name, bytes }: SourceFile) {
    const source = new TextDecoder().decode(bytes);
    if (!/^\s*(?:\{\s*(?:"|\}|\/)|\[\s*(?:["[{\d\]]|\/))/.test(source)) return null;
    const { root, problems, placeOf } = readJson(source);
    if (!root && problems.length === 0) return null;
    const swatches: ReadSwatch[] = [];
    const skipped: Found[] = [];
    const visit = (node: Node, label: string, key: string) => {
      if (swatches.length + skipped.length > CATCH_LIMIT) return;
      const at = placeOf(node.offset);
      if (typeof node.value === 'string') {
        const text = node.value.trim();
        const found = ofString(text, key);
        if (!found) return;
        if (found.css) swatches.push(readSwatch(found.css, { name: label, ...at, text, doubts: found.doubts }));
        else skipped.push({ ...at, text, name: label, css: null, doubts: found.doubts });
      } else if (node.type === 'array') {
        const numbers = (node.children ?? []).map((child): unknown => child.value);
        const css = COLOURED.test(key) ? ofNumbers(numbers) : null;
        if (css) swatches.push(readSwatch(css, { name: label, ...at, text: numbers.join(', ') }));
        else node.children?.forEach((child, index) => visit(child, `${label} ${index + 1}`.trim(), key));
      } else {
        const members = membersOf(node);
        // A list of things with names and colours: the name names the colour beside it.
        const sibling = members.find(({ key: other }) => /^(?:name|label|title|id)$/i.test(other))?.value.value as unknown;
        for (const member of members) {
          const named = COLOURED.test(member.key) || /^(?:hex|value|code)$/i.test(member.key);
          const own = named && typeof sibling === 'string' ? sibling : member.key;
          visit(member.value, own, COLOURED.test(member.key) ? member.key : key && `${key} ${member.key}`);
        }
      }
    };
    if (root) visit(root, '', '');
    return { ...readingOf('json', [{ name: nameOfFile(name), kind: 'loose', swatches }], problems), skipped };
  },
});

function ofString(text: string, key: string): Pick<Found, 'css' | 'doubts'> | null {
  if (text.length > 128) return null;
  if (/^[a-z]+$/i.test(text)) {
    const named = COLOURED.test(key) && !/^(?:transparent|currentcolor)$/i.test(text) && readColour(text.toLowerCase());
    if (named) return { css: text.toLowerCase(), doubts: [] };
  } else if (readColour(text)) return { css: text, doubts: [] };
  if (/^#[0-9a-f]+$/i.test(text)) {
    return { css: null, doubts: [doubt('length', `A hex code has 3, 4, 6 or 8 digits; this has ${text.length - 1}.`)] };
  }
  const mixed = /\d/.test(text) && /[a-f]/i.test(text);
  if (/^[0-9a-f]{6}$/i.test(text) && (mixed || COLOURED.test(key))) {
    return { css: `#${text}`, doubts: [doubt('bare', 'The # is missing, otherwise plain.')] };
  }
  return null;
}

function ofNumbers(values: readonly unknown[]): string | null {
  if (values.length !== 3 || !values.every((value): value is number => typeof value === 'number')) return null;
  const [r, g, b] = values as [number, number, number];
  if (values.every((value) => Number.isInteger(value) && value >= 0 && value <= 255) && Math.max(r, g, b) > 1)
    return fromBytes(r, g, b);
  return values.every((value) => value >= 0 && value <= 1) ? fromUnit([r, g, b]) : null;
}
