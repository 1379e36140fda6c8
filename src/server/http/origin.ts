import { environment } from './environment';

/** The origins the application is reached at: the one it was told, or on this machine alone its two names with the port. */
function origins(): readonly string[] {
  const { BREAKWATER_ORIGIN, PORT } = environment();
  return BREAKWATER_ORIGIN ? [BREAKWATER_ORIGIN] : [`http://127.0.0.1:${PORT}`, `http://localhost:${PORT}`];
}

/** The origin by which others lead people back here. */
export function ownOrigin(): string {
  return origins()[0]!;
}

/** Whether an `Origin` header names this application: scheme, host and port. */
export function isOwnOrigin(origin: string | null): boolean {
  return origin !== null && origins().includes(origin);
}

/** Whether a `Host` header names this application; a name that somebody else pointed here does not. */
export function isOwnHost(host: string | undefined): boolean {
  return origins().some((origin) => new URL(origin).host === host);
}

/** Whether people reach it by TLS. */
export function isSecure(): boolean {
  return origins()[0]!.startsWith('https:');
}

/** Said to whoever comes by another name. */
export function whereItIs(): string {
  return `Breakwater is served at ${origins()[0]}; open it there.`;
}
