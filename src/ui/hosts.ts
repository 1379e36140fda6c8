import type { Brand, Graft } from '@/core/brand/document';
import type { Hosts } from '@/core/release/bundle';
import { Declined, request } from './request';

/** Hosts that this page has had in its hands, by their SHA-256. Few and small, as a rule; more than so many are fetched again. */
const held = new Map<string, Uint8Array>();
const MOST_HELD = 8;

function hold(sha256: string, bytes: Uint8Array): Uint8Array {
  held.delete(sha256);
  held.set(sha256, bytes);
  for (const [oldest] of held) if (held.size > MOST_HELD) held.delete(oldest);
  return bytes;
}

/** The bytes of a host that the brand keeps. @throws Declined when it does not, TypeError when the server cannot be reached */
export async function keptHost(brand: string, { sha256 }: Pick<Graft['host'], 'sha256'>): Promise<Uint8Array> {
  const known = held.get(sha256);
  if (known) return known;
  const response = await fetch(`/api/brands/${brand}/hosts/${sha256}`);
  if (!response.ok) throw new Declined(response.status, 'The host file is not kept here any more; hand it in again.');
  return hold(sha256, new Uint8Array(await response.arrayBuffer()));
}

/** All hosts of a brand's grafts; one that is not kept is missing, which writing them says. */
export async function keptHosts(brand: Brand): Promise<Hosts> {
  const hosts = new Map<string, Uint8Array>();
  for (const { host } of brand.grafts) {
    try {
      hosts.set(host.sha256, await keptHost(brand.id, host));
    } catch (error) {
      if (!(error instanceof Declined)) throw error;
    }
  }
  return hosts;
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
