import { SOC } from '../../base/swatch-layouts';
import { readColour } from '../../colour/read';
import { walkXml } from '../../source/xml';
import type { Reader } from '../reader';
import { doubt, leftOut, nameOfFile, intakeOf, taken, type EntryParts } from '../intake';

const TABLE = new RegExp(`<(?:\\w+:)?${SOC.table}[\\s>]`);

/** See `SOC`. */
export const soc: Reader = {
  id: 'soc',
  title: SOC.title,
  family: 'swatches',
  extensions: [SOC.extension],
  purpose: 'An element a colour, with its name.',
  read({ name, source }) {
    if (!source || !TABLE.test(source.text.slice(0, 4_096))) return null;
    const entries: EntryParts[] = [];
    const fault = walkXml(source, {
      element({ name: element, attributes, at }) {
        if (element !== SOC.colour.element) return;
        const code = attributes.get(SOC.colour.code);
        const colour = code ? readColour(code.value) : null;
        const span = code?.span ?? { from: at, to: at };
        const parts = { ...source.placeOf(span.from), span, name: attributes.get(SOC.colour.name)?.value ?? '' };
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
    return intakeOf('soc', [{ name: nameOfFile(name), kind: 'loose', entries }], fault ? [fault] : []);
  },
};
