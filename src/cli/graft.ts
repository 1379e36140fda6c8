import { basename, dirname } from 'node:path';
import { graftEdits, notationOf, wantedColour, type Replacement } from '@/core/source/graft';
import { BYTE_ORDERS } from '@/core/source/byte-order';
import type { ByteOrder } from '@/core/source/literal';
import { kindOfSource, SOURCE_KIND_WORDS } from '@/core/source/scan';
import { slotsOf, type Slots } from '@/core/source/slots';
import { SourceText } from '@/core/source/source-text';
import { fail, tell } from './failure';
import { load } from './input';
import { patch, printable } from './patch';
import { placeFiles } from './place-files';

export interface GraftOptions {
  set?: string[];
  order?: string;
  asides?: boolean;
  out?: string;
  json?: boolean;
}

/** Larger than any settings file that people keep, in bytes. */
const LARGEST_HOST = 20 * 1024 * 1024;

export function graft(path: string, options: GraftOptions): void {
  const { source, found } = hostOf(path, options);
  const { set = [], out } = options;
  if (set.length > 0 && out === undefined) fail('--set needs --out FILE, where the host is to be written.');
  if (out === undefined) return list(source, found, options.json ?? false);
  const { edits, problems } = graftEdits(source, replacementsOf(set, found));
  const [first] = problems;
  if (first) fail(`${path}, line ${first.line}, column ${first.column}: ${first.message}`);
  placeFiles(dirname(out), [{ path: basename(out), bytes: source.rewritten(edits) }]);
  tell(`${out}: ${edits.length} of ${found.slots.length} colours replaced, everything else as it was.`);
}

/** A host file with its slots, or the end of the command with the reason. */
export function hostOf(
  path: string,
  { order, asides }: Pick<GraftOptions, 'order' | 'asides'>,
): { source: SourceText; found: Slots } {
  const { name, bytes } = load(path);
  if (bytes.length > LARGEST_HOST) fail(`${path} is larger than 20 MB; a host is at most that.`);
  if (bytes.length === 0) fail(`${path} is empty; there is nothing to graft onto.`);
  const source = SourceText.of(bytes);
  if (!source) fail(`${path} is no text; a host is a text file such as XML, JSON, INI or a style sheet.`);
  if (order !== undefined && !(BYTE_ORDERS as readonly string[]).includes(order))
    fail(`there is no order of bytes “${order}”; choose one of ${BYTE_ORDERS.join(', ')}.`);
  const found = slotsOf(source, kindOfSource(name, source), name, { order: order as ByteOrder | undefined, asides });
  if (found.slots.length === 0) {
    const spoken = found.spokenOf > 0 ? ` ${found.spokenOf} stand in comments or sentences: --asides takes those too.` : '';
    fail(`${path} holds no colour that could be replaced.${spoken}`);
  }
  for (const { line, message } of found.problems) tell(`${path}, line ${line}: ${message}`);
  return { source, found };
}

/** `3=#1f6f78`: which slot, by its place in the list, and what colour. */
function replacementsOf(set: readonly string[], { slots }: Slots): Replacement[] {
  const chosen = new Map<number, Replacement>();
  for (const text of set) {
    const [, index, css] =
      /^(\d{1,7})=(.+)$/.exec(text) ?? fail(`“${text}” sets nothing; write INDEX=#rrggbb, such as 3=#1f6f78.`);
    const slot = slots[Number(index)];
    if (!slot) fail(`there is no slot ${index}; this host has ${slots.length}, numbered from 0.`);
    const wanted = wantedColour(css!) ?? fail(`“${css}” is no colour; write one such as #1f6f78.`);
    if (chosen.has(Number(index))) fail(`slot ${index} is set twice.`);
    chosen.set(Number(index), { slot, ...wanted });
  }
  return [...chosen.values()];
}

function list(source: SourceText, { slots, kind, orders, spokenOf }: Slots, json: boolean): void {
  const rows = slots.map(({ span, literal }) => {
    const offset = source.byteOffset(span.from);
    const { line, column } = source.placeOf(span.from);
    const { text, colour } = literal;
    const length = source.byteOffset(span.to) - offset;
    return { offset, length, line, column, text, notation: notationOf(literal), hex: colour.hex, alpha: colour.alpha };
  });
  if (json) {
    process.stdout.write(JSON.stringify({ slots: rows }, null, 2) + '\n');
    return;
  }
  const width = String(rows.length - 1).length;
  const lines = rows.map(({ line, text, hex }, at) => {
    const slot = slots[at]!;
    return `${String(at).padStart(width)}  ${patch(hex)}${printable(text)}  line ${line}  ${printable(slot.key)}`;
  });
  process.stdout.write(lines.join('\n') + '\n');
  tell(
    `${SOURCE_KIND_WORDS[kind]}; ${orderWords(slots, orders)}${spokenOf > 0 ? `; ${spokenOf} more in comments and sentences` : ''}.`,
  );
}

/** Which orders of bytes its codes were read in, and why; only of kinds that it has. */
function orderWords(slots: Slots['slots'], { hash, program }: Slots['orders']): string {
  const isHash = slots.map(({ literal: { manner } }) => manner.kind === 'code' && manner.prefix === '#');
  const words = [
    ...(isHash.includes(true) ? [`bytes behind # are ${hash.order} (${hash.evidence})`] : []),
    ...(isHash.includes(false) ? [`other bytes are ${program.order} (${program.evidence})`] : []),
  ];
  return words.join(', ');
}
