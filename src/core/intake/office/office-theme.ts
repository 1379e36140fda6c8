import { fromUnit } from '../../colour/channel-values';
import { readColour, type ReadColour } from '../../colour/read';
import type { Problem } from '../../source/problem';
import type { SourceText } from '../../source/source-text';
import { walkXml, type XmlElement } from '../../source/xml';
import { doubt, leftOut, taken, type EntryParts } from '../intake';

/** The twelve places of a colour scheme in the order of the standard, in words. */
const PLACES: Record<string, string> = {
  dk1: 'Dark 1',
  lt1: 'Light 1',
  dk2: 'Dark 2',
  lt2: 'Light 2',
  accent1: 'Accent 1',
  accent2: 'Accent 2',
  accent3: 'Accent 3',
  accent4: 'Accent 4',
  accent5: 'Accent 5',
  accent6: 'Accent 6',
  hlink: 'Link',
  folHlink: 'Visited link',
};

export interface OfficeTheme {
  readonly name: string;
  readonly entries: readonly EntryParts[];
  /** By the names of the places. */
  readonly colours: ReadonlyMap<string, ReadColour>;
  readonly problem: Problem | null;
}

/** The colour scheme of a DrawingML theme part. ECMA-376 part 1, 20.1.6.2 (clrScheme). */
export function officeTheme(source: SourceText): OfficeTheme {
  const entries: EntryParts[] = [];
  const colours = new Map<string, ReadColour>();
  let name = '';
  const fault = walkXml(source, {
    element(element) {
      if (element.name === 'clrScheme' && name === '') name = element.attributes.get('name')?.value ?? '';
      const place = element.within.at(-1) ?? '';
      if (element.within.at(-2) !== 'clrScheme' || !Object.hasOwn(PLACES, place)) return;
      const title = PLACES[place]!;
      const { css, at } = schemeColour(element);
      const colour = readColour(css);
      const parts = { ...source.placeOf(at), span: { from: at, to: at + css.length }, name: title };
      if (colour) {
        colours.set(title, colour);
        entries.push(taken(colour, parts));
      } else {
        const words = `${title} is given as ${element.name}, and its value is no colour.`;
        entries.push(leftOut(null, doubt('unreadable', words), { ...parts, text: title }));
      }
    },
  });
  return { name, entries, colours, problem: fault };
}

/** The colour elements of DrawingML: ECMA-376 part 1, 20.1.2.3. @returns CSS, or a text that is none, and where its value stands */
function schemeColour({ name, attributes, at }: XmlElement): { css: string; at: number } {
  const value = (key: string) => attributes.get(key)?.value ?? '';
  const from = (key: string) => attributes.get(key)?.span.from ?? at;
  const thousandths = (key: string) => Number(value(key).replace('%', '000')) / 100_000;
  switch (name) {
    case 'srgbClr':
      return { css: `#${value('val').toLowerCase()}`, at: from('val') };
    case 'sysClr':
      // A system colour names what it was when the file was written.
      return { css: `#${value('lastClr').toLowerCase()}`, at: from('lastClr') };
    case 'prstClr':
      return { css: presetName(value('val')), at: from('val') };
    case 'scrgbClr': {
      // Shares of linear light (20.1.2.3.30), written as 8 bits where they are that.
      const colour = readColour(`color(srgb-linear ${thousandths('r')} ${thousandths('g')} ${thousandths('b')})`);
      return {
        css: colour && colour.clipped === 0 ? fromUnit(colour.rgb as [number, number, number]) : (colour?.css ?? ''),
        at: from('r'),
      };
    }
    case 'hslClr':
      return {
        css: `hsl(${Number(value('hue')) / 60_000} ${thousandths('sat') * 100}% ${thousandths('lum') * 100}%)`,
        at: from('hue'),
      };
    default:
      return { css: '', at };
  }
}

/** Names of preset colours (20.1.10.48) are those of CSS with some words cut short. */
function presetName(name: string): string {
  return name.replace(/^dk/, 'dark').replace(/^lt/, 'light').replace(/^med/, 'medium').toLowerCase();
}
