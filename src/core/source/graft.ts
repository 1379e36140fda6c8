import { sha256 } from '../base/sha256';
import { byte, readColour, type ReadColour } from '../colour/read';
import { codeLiteral, integerLiteral, numbersLiteral, readLiteral, writeLiteral, type Literal, type Manner } from './literal';
import { problem, type Problem } from './problem';
import type { Slot } from './slot';
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

/**
 * SHA-256 of all that a graft did not touch: what stands between its edits, one piece after the other.
 * @throws Error when the written file has other bytes there than the source; that would be a bug, and such a file must not leave
 */
export async function untouchedHash(source: SourceText, edits: readonly Edit[], written: Uint8Array): Promise<string> {
  const ordered = [...edits].sort((one, two) => one.span.from - two.span.from);
  const places = ordered.map(({ span }) => [source.byteOffset(span.from), source.byteOffset(span.to)] as const);
  let moved = 0;
  const later = ordered.map(({ text }, at): readonly [number, number] => {
    const [from, to] = places[at]!;
    const length = source.lengthOf(text);
    moved += length - (to - from);
    return [to + moved - length, to + moved];
  });
  const [before, after] = await Promise.all([sha256(without(source.bytes, places)), sha256(without(written, later))]);
  if (before !== after) throw new Error('A graft has touched more than its literals.');
  return before;
}

/** The bytes without some stretches of them, which are in order and apart. */
function without(bytes: Uint8Array, stretches: readonly (readonly [from: number, to: number])[]): Uint8Array {
  const kept = new Uint8Array(bytes.length - stretches.reduce((sum, [from, to]) => sum + to - from, 0));
  let [at, done] = [0, 0];
  for (const [from, to] of [...stretches, [bytes.length, bytes.length] as const]) {
    kept.set(bytes.subarray(done, from), at);
    at += from - done;
    done = to;
  }
  return kept;
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
