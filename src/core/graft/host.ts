import { LIMITS } from '../brand/document/fields';
import { type Graft } from '../brand/document/graft-shape';
import { kindOfSource } from '../source/scan';
import { slotsOf, type Slots } from '../source/slots';
import { SourceText } from '../source/source-text';

/** A host file as its bytes and what of them may be replaced. */
export interface Host {
  readonly source: SourceText;
  readonly found: Slots;
}

/** How a host is to be understood. */
export type HostWishes = Pick<Graft, 'order' | 'asides'>;

/**
 * Reads a host.
 * @param name by whose ending its kind is told
 * @param onProgress told the share of it that was read, 0..1
 * @returns one sentence when it cannot be a host
 */
export function readHost(
  name: string,
  bytes: Uint8Array,
  { order, asides }: HostWishes = {},
  onProgress?: (share: number) => void,
): Host | string {
  if (bytes.length > LIMITS.fileBytes) return `${name} is larger than 20 MB; a host is at most that.`;
  if (bytes.length === 0) return `${name} is empty; there is nothing to graft onto.`;
  const source = SourceText.of(bytes);
  if (!source) return `${name} is no text; a host is a text file such as XML, JSON, INI or a style sheet.`;
  const found = slotsOf(source, kindOfSource(name, source), name, { order, asides }, onProgress);
  if (found.slots.length > 0) return { source, found };
  const spoken = found.spokenOf > 0 ? ` ${found.spokenOf} stand in comments or sentences, which can be asked for.` : '';
  return `${name} holds no colour that could be replaced.${spoken}`;
}
