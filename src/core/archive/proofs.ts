import { sha256 } from '../base/sha256';

/** A line of the history with the number of its change. */
export interface HistoryLine {
  readonly seq: number;
  readonly text: string;
}

interface Release {
  readonly seq: number;
  readonly files: readonly { readonly path: string; readonly sha256: string }[];
}

/**
 * What ties an archive's releases to its history, whatever version wrote it: the proof of a release is the SHA-256 of the proof before it, the lines of
 * the history since then as they stand in the archive, and the hashes of its files. The last one is that of what follows the last release.
 * Whoever alters a line has to make all that follow anew, so that what merely got damaged, or was edited by hand, is found.
 * @param first the brand as the log begins, as JSON text
 * @param releases oldest first
 * @returns one more than there are releases
 */
export async function proofsOf(first: string, lines: readonly HistoryLine[], releases: readonly Release[]): Promise<string[]> {
  const proofs: string[] = [];
  let before = await sha256(new TextEncoder().encode(first));
  let from = 0;
  for (const release of [...releases, null]) {
    const next = release ? lines.findIndex(({ seq }, at) => at >= from && seq > release.seq) : -1;
    const to = next < 0 ? lines.length : next;
    const files = release?.files.map((file) => `${file.path} ${file.sha256}`) ?? [];
    const said = [before, ...lines.slice(from, to).map(({ text }) => text), ...files].join('\n');
    before = await sha256(new TextEncoder().encode(said));
    proofs.push(before);
    from = to;
  }
  return proofs;
}
