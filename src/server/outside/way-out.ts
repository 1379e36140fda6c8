import { lookup } from 'node:dns/promises';
import { isIP } from 'node:net';
import ipaddr from 'ipaddr.js';
import { Agent, fetch, type Response } from 'undici';
import { writeDownOf } from '../people/audit';
import { environment } from '../http/environment';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';

/** How long a request may take in all, its redirects included, in milliseconds. */
const PATIENCE_MS = 10_000;
const MOST_REDIRECTS = 5;

/** Who wants something of elsewhere, for what is written down: a person of a brand, or the server for one. */
export interface OnBehalfOf {
  readonly brand: string;
  readonly by: { readonly id: string | null; readonly name: string };
}

interface Wanted {
  readonly address: string;
  /** What is sent; without it something is fetched, and redirects are followed. */
  readonly sent?: { readonly headers: Readonly<Record<string, string>>; readonly body: string };
  /** How many bytes are read of the answer, once it is unpacked. */
  readonly most: number;
}

export interface Answer {
  readonly status: number;
  /** Where the answer came from, after all redirects. */
  readonly address: string;
  /** In lower case, with its parameters; empty where none is told. */
  readonly mediaType: string;
  readonly bytes: Uint8Array;
}

/**
 * The one way out: whatever is sent or fetched at a person's word goes through here. Only http and https, only to addresses of the public
 * internet (and what `BREAKWATER_REACH` adds), and to the very address that was looked up and checked, at every redirect. Each attempt is
 * written down, those that came to nothing too.
 * @throws Refused with one sentence where it is not allowed, not reached, too large or too slow
 */
export async function reach(whom: OnBehalfOf, wanted: Wanted): Promise<Answer> {
  const note = (came: string) =>
    writeDownOf(whom.by, whom.brand, {
      what: wanted.sent ? 'send-out' : 'fetch',
      about: `${withoutQuery(wanted.address)}: ${came}`,
    });
  try {
    const answer = await attempt(wanted);
    await note(`${answer.status}, ${answer.bytes.length} bytes`);
    return answer;
  } catch (error) {
    if (error instanceof Refused) await note(error.message);
    throw error;
  }
}

/** A query may hold what is secret. */
function withoutQuery(address: string): string {
  return URL.canParse(address) ? new URL(address).origin + new URL(address).pathname : 'no address';
}

async function attempt({ address, sent, most }: Wanted): Promise<Answer> {
  const signal = AbortSignal.timeout(PATIENCE_MS);
  let url = allowedUrl(address);
  for (let redirects = 0; ; redirects++) {
    const agent = agentTo(await checkedAddresses(url.hostname, signal));
    try {
      const response = await fetch(url, {
        dispatcher: agent,
        redirect: 'manual',
        signal,
        headers: { 'user-agent': 'Breakwater', ...sent?.headers },
        ...(sent && { method: 'POST', body: sent.body }),
      });
      const next = sent ? null : nextOf(response, url);
      if (!next) {
        const mediaType = response.headers.get('content-type')?.toLowerCase() ?? '';
        return { status: response.status, address: url.href, mediaType, bytes: await bytesOf(response, most, url) };
      }
      if (redirects === MOST_REDIRECTS)
        throw new Refused(
          409,
          `${url.host} leads on from page to page more than ${MOST_REDIRECTS} times; give the address where it ends.`,
        );
      url = next;
    } catch (error) {
      throw error instanceof Refused ? error : new Refused(409, whyNot(error, url, signal));
    } finally {
      // Whatever is still open there is of no use any more.
      void agent.destroy();
    }
  }
}

function allowedUrl(address: string): URL {
  const url = URL.canParse(address) ? new URL(address) : null;
  if (!url || !/^https?:$/.test(url.protocol)) throw new Refused(400, 'An address begins with https:// or http://.');
  if (url.username !== '' || url.password !== '')
    throw new Refused(400, 'There is a name or password in this address; Breakwater signs in nowhere. Take it out.');
  return url;
}

/** Where a redirect leads (Fetch Standard, section 4.4); null when the answer is none. */
function nextOf(response: Response, from: URL): URL | null {
  const location = response.headers.get('location');
  if (location === null || ![301, 302, 303, 307, 308].includes(response.status)) return null;
  if (!URL.canParse(location, from.href)) throw new Refused(409, `${from.host} leads on to something that is no address.`);
  return allowedUrl(new URL(location, from).href);
}

/** All network addresses of a host. Refused where one of them may not be reached: which of them is used is not for the other side to choose. */
async function checkedAddresses(hostname: string, signal: AbortSignal): Promise<{ address: string; family: number }[]> {
  const host = hostname.replace(/^\[|\]$/g, '');
  const found = isIP(host) > 0 ? [{ address: host, family: isIP(host) }] : await lookedUp(host, signal);
  for (const { address } of found)
    if (!mayReach(address))
      throw new Refused(
        403,
        `${hostname} is no address of the public internet, and the settings of this server do not open it; whoever runs the server can, by BREAKWATER_REACH.`,
      );
  return found;
}

async function lookedUp(host: string, signal: AbortSignal): Promise<{ address: string; family: number }[]> {
  // A lookup cannot be broken off; what comes of it afterwards is of no use.
  const tooLate = new Promise<never>((_, refuse) => signal.addEventListener('abort', () => refuse(new Error('too late'))));
  try {
    return await Promise.race([lookup(host, { all: true, verbatim: true }), tooLate]);
  } catch {
    throw new Refused(409, signal.aborted ? lateAt(host) : `There is no host named ${host}; look at the address again.`);
  }
}

/** What the operator's setting opens besides the public internet; null where it closes the way out. */
const opened = () =>
  onePerProcess('way out', () => {
    const { BREAKWATER_REACH: reach } = environment();
    if (reach === 'off') return null;
    return reach === 'public' ? [] : reach.split(',').map((text) => ipaddr.parseCIDR(text.trim()));
  });

/** All of IPv6 that is given to anybody on the public internet (IANA, IPv6 Global Unicast Address Assignments). */
const PUBLIC_IPV6 = ipaddr.parseCIDR('2000::/3');

/** Whether an address is of the public internet, or opened by the settings. What only wraps another address is neither. */
function mayReach(address: string): boolean {
  const networks = opened();
  if (!networks) throw new Refused(403, 'This server reaches out to nobody; whoever runs it has set BREAKWATER_REACH to off.');
  const known = ipaddr.process(address);
  const isIn = ([network, bits]: [ipaddr.IPv4 | ipaddr.IPv6, number]) =>
    network.kind() === known.kind() && known.match(network, bits);
  const isPublic = known.range() === 'unicast' && (known.kind() === 'ipv4' || isIn(PUBLIC_IPV6));
  return isPublic || networks.some(isIn);
}

/** What connects to these addresses, whatever the name says by then. */
function agentTo(addresses: readonly { address: string; family: number }[]): Agent {
  return new Agent({
    connections: 1,
    connect: {
      lookup: (_host, { all }, answer) => {
        if (all) answer(null, [...addresses]);
        else answer(null, addresses[0]!.address, addresses[0]!.family);
      },
    },
  });
}

/** The body as far as it may go; of one that goes further nothing is kept. */
async function bytesOf(response: Response, most: number, url: URL): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of response.body ?? []) {
    size += (chunk as Uint8Array).length;
    if (size > most)
      throw new Refused(413, `What ${url.host} answers is more than ${Math.round(most / 1024)} KB; so much is not read.`);
    chunks.push(chunk as Uint8Array);
  }
  return Buffer.concat(chunks);
}

const lateAt = (host: string) => `${host} did not answer whole within ${PATIENCE_MS / 1000} seconds; try again later.`;

function whyNot(error: unknown, { host }: URL, signal: AbortSignal): string {
  if (signal.aborted) return lateAt(host);
  const cause = error instanceof Error && error.cause instanceof Error ? error.cause : error;
  const code = cause instanceof Error && 'code' in cause ? String(cause.code) : '';
  if (code === 'ECONNREFUSED') return `Nobody answers at ${host}; look at the address and its port.`;
  if (/CERT|TLS|SSL/.test(code))
    return `${host} has no certificate that is valid for it, so that nobody knows who answers there.`;
  return `${host} could not be reached${code && ` (${code})`}; try again later.`;
}
