import { finding, type Finding } from '../findings/finding';
import { slug } from '../base/words';
import { sha256 } from '../base/sha256';
import type { Brand } from '../brand/document/document';
import type { Graft } from '../brand/document/graft-shape';
import { writeArt } from '../art/write-art';
import { writeGraft } from '../graft/write-graft';
import { textFile, type Written, type WrittenFile } from '../formats/kit/format';
import { writeDestination } from '../formats/registry';

/** One line of a manifest: a file with what proves that it is the one that was written. */
export interface ManifestEntry {
  readonly path: string;
  readonly format: string;
  readonly mediaType: string;
  readonly bytes: number;
  /** SHA-256 of the bytes, lower-case hex. */
  readonly sha256: string;
}

export interface Bundle {
  readonly files: readonly WrittenFile[];
  readonly manifest: readonly ManifestEntry[];
  readonly findings: Written['findings'];
}

/** The bytes of what a brand keeps beside its document, hosts and pictures, by their SHA-256. */
export type StoredFiles = ReadonlyMap<string, Uint8Array>;

/**
 * Writes every destination, every graft and all art of a brand. Deterministic; two that would write one path are an error.
 * @param kept the hosts and pictures that they are made from; one that is missing is an error
 * @param onProgress told the share done, 0..1, after every destination
 * @param version of the release that it is for
 */
export async function bundle(
  brand: Brand,
  kept: StoredFiles,
  onProgress?: (share: number) => void,
  version?: string,
): Promise<Bundle> {
  const files: WrittenFile[] = [];
  const paths = new Set<string>();
  const manifest: ManifestEntry[] = [];
  const findings: Finding[] = [];
  const all = brand.destinations.length + brand.grafts.length + brand.art.length;
  if (all === 0) findings.push(finding('nothing-to-write', 'error', 'There is no destination to ship to; add one first.'));
  const take = async ({ files: written, findings: found }: Written, format: string, name: string) => {
    for (const finding of found) {
      // What is wrong with a token is wrong for every destination, and said once.
      if (!findings.some((known) => known.message === finding.message)) findings.push(finding);
    }
    for (const file of written) {
      // Case is no difference on many file systems.
      if (paths.has(file.path.toLowerCase())) {
        const message = `Two destinations would both write ${file.path}; give ${name} a folder of its own.`;
        if (!findings.some((known) => known.message === message)) findings.push(finding('same-path', 'error', message));
        continue;
      }
      paths.add(file.path.toLowerCase());
      files.push(file);
      manifest.push(await manifestEntry(file, format));
    }
  };
  let done = 0;
  for (const destination of brand.destinations) {
    await take(writeDestination(brand, destination, brand.themes, version), destination.format, destination.name);
    onProgress?.(++done / all);
  }
  for (const graft of brand.grafts) {
    await take(graftFile(brand, graft, kept.get(graft.host.sha256)), 'graft', graft.path);
    onProgress?.(++done / all);
  }
  for (const art of brand.art) {
    await take(await writeArt(brand, art, kept), 'art', art.path);
    onProgress?.(++done / all);
  }
  return { files, manifest, findings };
}

/** A graft as a file among the others. */
export function graftFile(brand: Brand, graft: Graft, host: Uint8Array | undefined): Written {
  if (!host) {
    const message = `${graft.path}: its host, ${graft.host.name}, is not kept here; hand it in again in Ship.`;
    return { files: [], findings: [finding('graft', 'error', message)] };
  }
  const { bytes, findings } = writeGraft(brand, graft, host);
  return { files: bytes ? [{ path: graft.path, mediaType: mediaTypeOf(graft.path), bytes }] : [], findings };
}

function mediaTypeOf(path: string): string {
  const known: Record<string, string> = { xml: 'application/xml', json: 'application/json', css: 'text/css' };
  return known[/[^.]*$/.exec(path)![0].toLowerCase()] ?? 'text/plain';
}

export async function manifestEntry(file: WrittenFile, format: string): Promise<ManifestEntry> {
  return { path: file.path, format, mediaType: file.mediaType, bytes: file.bytes.length, sha256: await sha256(file.bytes) };
}

/** The manifest as a file beside the others: the brand, its themes, and every file with its hash. */
export function manifestFile(brand: Brand, manifest: readonly ManifestEntry[]): WrittenFile {
  const themes = brand.themes.map(({ name }) => ({ name, identifier: slug(name) }));
  return textFile(
    'manifest.json',
    'application/json',
    JSON.stringify({ brand: brand.name, themes, files: manifest }, null, 2) + '\n',
  );
}
