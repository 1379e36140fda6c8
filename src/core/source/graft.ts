import { byte, readColour, type ReadColour } from '../colour/read';
import { codeLiteral, integerLiteral, numbersLiteral, readLiteral, writeLiteral, type Literal, type Manner } from './literal';
import { problem, type Problem } from './problem';
import type { Slot } from './slots';
import type { Edit, SourceText } from './source-text';

/** A slot's place in the list, and the colour that is to stand there. */
export interface Replacement {
  readonly slot: Slot;
  readonly colour: ReadColour;
  /** Whether the colour's opacity is wanted too; else the slot keeps its own. */
  readonly withOpacity: boolean;
}

/** The edits that put colours into slots, or why one of them cannot be written: then nothing is to be. */
export function graftEdits(
  source: SourceText,
  replacements: readonly Replacement[],
): { readonly edits: Edit[]; readonly problems: Problem[] } {
  const edits: Edit[] = [];
  const problems: Problem[] = [];
  for (const { slot, colour, withOpacity } of replacements) {
    const { literal, span } = slot;
    const wanted = withOpacity ? colour : withAlpha(colour, literal.colour.alpha);
    if (isSame(literal.colour, wanted)) continue;
    const text = inItsManner(literal, wanted);
    if (text === null) {
      const code =
        withOpacity && colour.alpha < 1 ? `${colour.hex} with an opacity of ${Math.round(colour.alpha * 100)} %` : colour.hex;
      const message = `${literal.text} (${slot.key}) cannot become ${code} in its own notation; bind another colour, or change the notation in the host file.`;
      problems.push(problem(message, source.placeOf(span.from)));
    } else if (text !== literal.text) edits.push({ span, text });
  }
  return { edits, problems };
}

/** The colour in the manner of a literal, read back to be sure; null when the manner cannot hold it. */
export function inItsManner({ manner }: Literal, colour: ReadColour): string | null {
  const { text, opacityKept } = writeLiteral(manner, colour);
  const again = readAgain(text, manner);
  return opacityKept && again && isSame(again, colour) ? text : null;
}

/** Reads a text as the literal that it was written as. */
export function readAgain(text: string, manner: Manner): ReadColour | null {
  switch (manner.kind) {
    case 'code':
      return codeLiteral(text, manner.prefix, text.slice(manner.prefix.length), manner.order)?.colour ?? null;
    case 'integer':
      return integerLiteral(text, manner.order)?.colour ?? null;
    case 'numbers':
      return numbersLiteral(text, manner.range)?.colour ?? null;
    case 'function':
    case 'name':
      return readLiteral(text)?.colour ?? null;
  }
}

function isSame(one: ReadColour, two: ReadColour): boolean {
  return one.hex === two.hex && byte(one.alpha) === byte(two.alpha);
}

/** The shown colour with another opacity. */
function withAlpha(colour: ReadColour, alpha: number): ReadColour {
  return alpha === 1 && colour.alpha === 1 ? colour : { ...colour, alpha };
}

/** What stands between the edits of a source, one piece after the other: what a graft must not have touched. */
export function untouched(bytes: Uint8Array, source: SourceText, edits: readonly Edit[], written: boolean): Uint8Array {
  const ordered = [...edits].sort((one, two) => one.span.from - two.span.from);
  const parts: Uint8Array[] = [];
  let at = 0;
  let moved = 0;
  for (const { span, text } of ordered) {
    const [from, to] = [source.byteOffset(span.from), source.byteOffset(span.to)];
    parts.push(bytes.subarray(at, from + moved));
    if (written) moved += source.lengthOf(text) - (to - from);
    at = to + moved;
  }
  parts.push(bytes.subarray(at));
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let place = 0;
  for (const part of parts) {
    whole.set(part, place);
    place += part.length;
  }
  return whole;
}

/** What a literal's notation is called. */
export function notationOf({ manner }: Literal): string {
  switch (manner.kind) {
    case 'code': {
      const prefix = manner.prefix === '' ? 'hex without #' : manner.prefix === '#' ? 'hex' : manner.prefix.toLowerCase();
      return manner.digits === 8 && manner.order !== 'rgba' ? `${prefix} ${manner.order}` : prefix;
    }
    case 'function':
      return manner.space;
    case 'numbers':
      return { bytes: 'bytes', shares: 'floats', percent: 'percent' }[manner.range];
    case 'integer':
      return `integer ${manner.order}`;
    case 'name':
      return 'name';
  }
}

/** A colour as somebody names it to be put into a slot: CSS; null when it is none. */
export function wantedColour(text: string): { readonly colour: ReadColour; readonly withOpacity: boolean } | null {
  const colour = readColour(text);
  if (!colour) return null;
  return { colour, withOpacity: colour.alpha < 1 || /^#(?:[0-9a-f]{4}|[0-9a-f]{8})$/i.test(text.trim()) };
}
