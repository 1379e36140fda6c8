import { literalsIn } from '../../source/occurrence';
import { COLOURED } from '../../source/speaks-of-colour';
import type { Node } from 'jsonc-parser';
import { readColour } from '../../colour/read';
import { cssOf } from '../../source/literal';
import { memberOf, membersOf, numberList, numberRange, readJson } from '../../source/json';
import type { SourceText, Span } from '../../source/source-text';
import type { Reader } from '../reader';
import { certain, doubt, EntryList, leftOut, nameOfFile, intakeOf, taken, type Doubt, type EntryParts } from '../intake';
import { fromChannels } from '../tables/cell-colour';
import { wrongLength } from '../text/literals';

/** Any JSON: every string that is a colour, and numbers of lists and objects where the key speaks of colour. */
export const json: Reader = {
  id: 'json',
  title: 'JSON with colours in it',
  family: 'text',
  extensions: ['.json'],
  purpose: 'The colours of any settings file, named by their keys.',
  read({ name, source }) {
    if (!source || !/^\s*(?:\{\s*(?:"|\}|\/)|\[\s*(?:["[{\d\]]|\/))/.test(source.text)) return null;
    const { root, problems } = readJson(source);
    if (!root && problems.length === 0) return null;
    const list = root ? colourEntries(source, root) : new EntryList();
    const palette = { name: nameOfFile(name), kind: 'loose' as const, entries: list.entries };
    return intakeOf('json', [palette], [...problems, ...list.problems()]);
  },
};

function colourEntries(source: SourceText, root: Node): EntryList {
  const list = new EntryList();
  const placed = (span: Span, name: string, text: string) => ({ ...source.placeOf(span.from), span, name, text });
  const visit = (node: Node, label: string, key: string) => {
    if (typeof node.value === 'string') {
      const inner = { from: node.offset + 1, to: node.offset + node.length - 1 };
      const found = ofString(node.value.trim(), key, (text, within = inner) => placed(within, label, text), source, inner);
      for (const make of found) list.add(make);
    } else if (node.type === 'array') {
      const numbers = COLOURED.test(key) && numberRange(node) !== null;
      const literal = numbers && !list.full ? numberList(source, node) : null;
      if (numbers && list.full) list.skip();
      else if (literal) {
        list.add(() =>
          taken(certain(cssOf(literal.literal)), placed(literal.span, label, literal.literal.text.replace(/\s+/g, ' '))),
        );
      } else
        node.children?.forEach((child, index) => visit(child, label === '' ? String(index + 1) : `${label} ${index + 1}`, key));
    } else {
      const channels = COLOURED.test(key) ? ofChannels(node) : null;
      if (channels) {
        const span = { from: node.offset, to: node.offset + node.length };
        list.add(() => taken(channels.colour, placed(span, label, channels.text)));
        return;
      }
      const members = membersOf(node);
      // A list of things with names and colours: the name names the colour beside it.
      const sibling = members.find(({ key: other }) => /^(?:name|label|title|id)$/i.test(other))?.value.value as unknown;
      for (const member of members) {
        const named = COLOURED.test(member.key) || /^(?:hex|value|code)$/i.test(member.key);
        const label = named && typeof sibling === 'string' ? sibling : member.key;
        visit(member.value, label, COLOURED.test(member.key) ? member.key : key && `${key} ${member.key}`);
      }
    }
  };
  visit(root, '', '');
  return list;
}

/** What a string says of colour: it is one, it holds some, it is nearly one, or nothing. */
function ofString(
  text: string,
  key: string,
  place: (text: string, span?: Span) => ReturnType<SourceText['placeOf']> & { span: Span; name: string; text: string },
  source: SourceText,
  inner: Span,
): (() => EntryParts)[] {
  if (text.length <= 128) {
    if (/^[a-z]+$/i.test(text)) {
      const named = COLOURED.test(key) && !/^(?:transparent|currentcolor)$/i.test(text) && readColour(text);
      if (named) return [() => taken(named, place(text))];
    } else {
      const colour = readColour(text);
      if (colour) return [() => taken(colour, place(text))];
    }
    if (/^#[0-9a-f]+$/i.test(text)) return [() => leftOut(null, wrongLength(text.length - 1), place(text))];
    const mixed = /\d/.test(text) && /[a-f]/i.test(text);
    if (/^[0-9a-f]{6}$/i.test(text) && (mixed || COLOURED.test(key)))
      return [() => taken(certain(`#${text}`), { ...place(text), doubts: BARE })];
  }
  // A longer text, such as a gradient, may hold several.
  return [...literalsIn(source.textOf(inner), inner.from)].map(
    ({ span, literal }) =>
      () =>
        taken(certain(cssOf(literal)), place(literal.text, span)),
  );
}

const BARE: readonly Doubt[] = [doubt('bare', 'The # is missing, otherwise plain.')];

/** An object of channels: red, green and blue in words or letters. */
function ofChannels(node: Node): { colour: NonNullable<ReturnType<typeof fromChannels>>; text: string } | null {
  const values = (['r', 'g', 'b'] as const).map((letter) => {
    const word = { r: 'red', g: 'green', b: 'blue' }[letter];
    const found = memberOf(node, letter) ?? memberOf(node, word) ?? memberOf(node, letter.toUpperCase());
    return typeof found?.value === 'number' ? found.value : null;
  });
  if (values.some((value) => value === null)) return null;
  const shares = values.every((value) => value! <= 1) && !values.every((value) => Number.isInteger(value) && value! > 0);
  const colour = fromChannels(values.map(String), shares);
  return colour && { colour, text: values.join(', ') };
}
