import type { Brand } from '@/core/brand/document/document';
import type { StoredFiles } from '@/core/release/bundle';
import { Declined, request } from './request';

/** KeptFiles that this page has had in its hands, by their SHA-256. Few and small, as a rule; more than so many are fetched again. */
const fetched = new Map<string, Uint8Array>();
const MOST_FETCHED = 8;

function hold(sha256: string, bytes: Uint8Array): Uint8Array {
  fetched.delete(sha256);
  fetched.set(sha256, bytes);
  for (const [oldest] of fetched) if (fetched.size > MOST_FETCHED) fetched.delete(oldest);
  return bytes;
}

/** The bytes of a file that the brand keeps. @throws Declined when it does not, TypeError when the server cannot be reached */
export async function storedFile(brand: string, kind: 'hosts' | 'pictures', sha256: string): Promise<Uint8Array> {
  const known = fetched.get(sha256);
  if (known) return known;
  const response = await fetch(`/api/brands/${brand}/${kind}/${sha256}`);
  if (!response.ok) throw new Declined(response.status, 'This file is not kept here any more; hand it in again.');
  return hold(sha256, new Uint8Array(await response.arrayBuffer()));
}

/** What a brand's grafts and art are made from, by SHA-256; what is not kept is missing, which writing them says. */
export async function storedFiles(brand: Brand): Promise<StoredFiles> {
  const kept = new Map<string, Uint8Array>();
  const wanted = [
    ...brand.grafts.map(({ host }) => ['hosts', host.sha256] as const),
    ...brand.art.flatMap(({ sheets }) => sheets.map(({ picture }) => ['pictures', picture] as const)),
  ];
  for (const [kind, sha256] of wanted) {
    if (kept.has(sha256)) continue;
    try {
      kept.set(sha256, await storedFile(brand.id, kind, sha256));
    } catch (error) {
      if (!(error instanceof Declined)) throw error;
    }
  }
  return kept;
}

/** Gives a host to the server to keep. @returns its SHA-256 */
export async function keepHost(brand: string, bytes: Uint8Array): Promise<string> {
  const { host } = await request<{ host: string }>(
    `/api/brands/${brand}/hosts`,
    'POST',
    new Blob([bytes as Uint8Array<ArrayBuffer>]),
  );
  hold(host, bytes);
  return host;
}

/** Gives a picture to the server to keep. @returns its SHA-256 */
export async function keepPicture(brand: string, bytes: Uint8Array): Promise<string> {
  const { picture } = await request<{ picture: string }>(
    `/api/brands/${brand}/pictures`,
    'POST',
    new Blob([bytes as Uint8Array<ArrayBuffer>]),
  );
  hold(picture, bytes);
  return picture;
}
