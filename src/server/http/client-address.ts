import type { IncomingMessage } from 'node:http';
import ipaddr from 'ipaddr.js';
import proxyAddress from 'proxy-addr';
import { environment } from './environment';
import { onePerProcess } from '../database/one-per-process';

const FORWARDING = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-port', 'x-forwarded-proto', 'x-real-ip'];
/** The one header by which the address is passed on within this process. */
export const ADDRESS_HEADER = 'x-forwarded-for';

/** Who sent a request, and whether somebody passed it on. */
export interface Asker {
  readonly address: string;
  readonly isForwarded: boolean;
}

/** Whether a proxy at an address may say for whom it asks: one that was named in the settings. */
const isNamedProxy = () =>
  onePerProcess('proxies', () =>
    proxyAddress.compile(
      environment()
        .BREAKWATER_PROXY?.split(',')
        .map((text) => text.trim()) ?? [],
    ),
  );

/**
 * Who asks, and whether by way of somebody else. What a request says of that itself is believed only where a named proxy says it;
 * then those headers are taken out, and the address found is put in their place.
 */
export function settleAddress(request: IncomingMessage): Asker {
  const isForwarded = FORWARDING.some((name) => name in request.headers);
  const address = proxyAddress(request, isNamedProxy());
  for (const name of FORWARDING) delete request.headers[name];
  request.headers[ADDRESS_HEADER] = address;
  return { address, isForwarded };
}

/** An address as tries are counted by: of IPv6, the network that one household has (RFC 6177). */
export function network(address: string): string {
  if (!ipaddr.isValid(address)) return 'unknown';
  const known = ipaddr.process(address);
  return known.kind() === 'ipv6' ? known.toByteArray().slice(0, 8).join('.') : known.toString();
}

export function isLoopback(address: string): boolean {
  return ipaddr.isValid(address) && ipaddr.process(address).range() === 'loopback';
}
