import { finding, type Finding } from '../findings/finding';
import { slug } from '../base/words';
import { hexDigits } from '../base/hex';
import type { Brand } from '../brand/document';
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

/**
 * Writes every destination of a brand. Deterministic; two destinations that would write one path are an error.
 * @param onProgress told the share done, 0..1, after every destination
 */
export async function bundle(brand: Brand, onProgress?: (share: number) => void): Promise<Bundle> {
  const files: WrittenFile[] = [];
  const paths = new Set<string>();
  const manifest: ManifestEntry[] = [];
  const findings: Finding[] = [];
  if (brand.destinations.length === 0)
    findings.push(finding('nothing-to-write', 'error', 'There is no destination to ship to; add one first.'));
  for (const destination of brand.destinations) {
    const written = writeDestination(brand, destination);
    for (const finding of written.findings) {
      // What is wrong with a token is wrong for every destination, and said once.
      if (!findings.some((known) => known.message === finding.message)) findings.push(finding);
    }
    for (const file of written.files) {
      // Case is no difference on many file systems.
      if (paths.has(file.path.toLowerCase())) {
        const message = `Two destinations would both write ${file.path}; give ${destination.name} a folder of its own.`;
        if (!findings.some((known) => known.message === message)) findings.push(finding('same-path', 'error', message));
        continue;
      }
      paths.add(file.path.toLowerCase());
      files.push(file);
      manifest.push(await manifestEntry(file, destination.format));
    }
    onProgress?.((brand.destinations.indexOf(destination) + 1) / brand.destinations.length);
  }
  return { files, manifest, findings };
}

export async function manifestEntry(file: WrittenFile, format: string): Promise<ManifestEntry> {
  return { path: file.path, format, mediaType: file.mediaType, bytes: file.bytes.length, sha256: await sha256(file.bytes) };
}

/** SHA-256 (FIPS 180-4) as lower-case hex. */
export async function sha256(bytes: Uint8Array): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>);
  return hexDigits(new Uint8Array(digest));
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
