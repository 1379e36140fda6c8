import { readColour } from '../../colour/read';
import { walkXml } from '../../source/xml';
import type { Reader } from '../reader';
import { doubt, leftOut, nameOfFile, readingOf, taken, type EntryParts } from '../reading';

/** SOC, the colour table of office programs that keep to OpenDocument: `draw:color` elements with name and code. */
export const soc: Reader = {
  id: 'soc',
  title: 'OpenDocument colour table (SOC)',
  family: 'swatches',
  extensions: ['.soc'],
  purpose: 'An element a colour, with its name.',
  read({ name, source }) {
    if (!source || !/<(?:\w+:)?color-table[\s>]/.test(source.text.slice(0, 4_096))) return null;
    const entries: EntryParts[] = [];
    const fault = walkXml(source, {
      element({ name: element, attributes, at }) {
        if (element !== 'color') return;
        const code = attributes.get('color');
        const colour = code ? readColour(code.value) : null;
        const span = code?.span ?? { from: at, to: at };
        const parts = { ...source.placeOf(span.from), span, name: attributes.get('name')?.value ?? '' };
        const text = code?.value.slice(0, 40) ?? '';
        entries.push(
          colour
            ? taken(colour, parts)
            : leftOut(null, doubt('unreadable', code ? `“${text}” is no colour code.` : 'This element has no colour.'), {
                ...parts,
                text,
              }),
        );
      },
    });
    return readingOf('soc', [{ name: nameOfFile(name), kind: 'loose', entries }], fault ? [fault] : []);
  },
};
