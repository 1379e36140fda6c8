import { basename, dirname } from 'node:path';
import type { Brand } from '@/core/brand/document/document';
import { bindingsOf, readBindFile, type ReadBindings } from '@/core/graft/bind-file';
import { readHost, type Host } from '@/core/graft/host';
import { writeOnto } from '@/core/graft/write-graft';
import { BYTE_ORDERS } from '@/core/source/byte-order';
import { graftEdits, notationOf, untouchedHash, wantedColour, type Replacement } from '@/core/source/graft';
import type { ByteOrder } from '@/core/source/literal';
import { SOURCE_KIND_WORDS } from '@/core/source/scan';
import type { Slots } from '@/core/source/slots';
import type { Edit } from '@/core/source/source-text';
import { brandFileAt } from './brand-at';
import { fail, tell } from './failure';
import { load } from './input';
import { patch, printable } from './patch';
import { placeFiles } from './place-files';

export interface GraftOptions {
  set?: string[];
  brand?: string;
  bind?: string;
  order?: string;
  asides?: boolean;
  out?: string;
  json?: boolean;
}

export async function graft(path: string, options: GraftOptions): Promise<void> {
  const { set = [], brand, bind, out, json = false } = options;
  if ((brand === undefined) !== (bind === undefined))
    fail('--brand and --bind go together: a brand file, and a file of bindings.');
  if (set.length > 0 && bind !== undefined) fail('give either --set or --bind.');
  const chooses = set.length > 0 || bind !== undefined;
  if (chooses && out === undefined)
    fail(`${bind === undefined ? '--set' : '--bind'} needs --out FILE, where the host is to be written.`);
  const bindings = bind === undefined ? null : bindingsAt(bind);
  const host = hostOf(path, bindings ?? options);
  if (out === undefined) return list(host, json);
  const written = bindings ? boundTo(brandFileAt(brand!), bindings, host, path) : withSet(host, set, path);
  const bytes = host.source.rewritten(written);
  const proof = await untouchedHash(host.source, written, bytes);
  placeFiles(dirname(out), [{ path: basename(out), bytes }]);
  tell(
    `${out}: ${written.length} of ${host.found.slots.length} colours replaced, everything else as it was (SHA-256 ${proof.slice(0, 12)}).`,
  );
}

/** A host file with its slots, or the end of the command with the reason. */
function hostOf(path: string, { order, asides }: { order?: string | undefined; asides?: boolean | undefined }): Host {
  const { name, bytes } = load(path);
  if (order !== undefined && !(BYTE_ORDERS as readonly string[]).includes(order))
    fail(`there is no order of bytes “${order}”; choose one of ${BYTE_ORDERS.join(', ')}.`);
  const host = readHost(name, bytes, { ...(order !== undefined && { order: order as ByteOrder }), ...(asides && { asides }) });
  if (typeof host === 'string') return fail(`${dirname(path) === '.' ? '' : `${dirname(path)}/`}${host}`);
  for (const { line, message } of host.found.problems) tell(`${path}, line ${line}: ${message}`);
  return host;
}

function withSet({ source, found }: Host, set: readonly string[], path: string): readonly Edit[] {
  const { edits, problems } = graftEdits(source, replacementsOf(set, found));
  const [first] = problems;
  return first ? fail(`${path}, line ${first.line}, column ${first.column}: ${first.message}`) : edits;
}

function bindingsAt(path: string): ReadBindings {
  const read = readBindFile(new TextDecoder().decode(load(path).bytes));
  return typeof read === 'string' ? fail(`${path}: ${read}`) : read;
}

function boundTo(brand: Brand, bindings: ReadBindings, host: Host, path: string): readonly Edit[] {
  const bound = bindingsOf(brand, bindings, host.found);
  if (typeof bound === 'string') return fail(`${path}: ${bound}`);
  const graft = {
    id: 'graft',
    path: basename(path),
    host: { sha256: '', name: basename(path), bytes: host.source.bytes.length },
    ...bound,
  };
  const { edits, findings } = writeOnto(brand, graft, host);
  return findings.length > 0 ? fail(findings[0]!.message) : edits;
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

function list({ source, found: { slots, kind, orders, spokenOf } }: Host, json: boolean): void {
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
