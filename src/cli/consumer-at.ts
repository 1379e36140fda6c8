import { fail } from './failure';

const WAIT_MS = 30_000;

/** Where a server answers consumers of a brand, and the token they come with, from the address that its page shows. */
export function consumerAt(address: string): { consumer: string; token: string } {
  const base = /^(https?:\/\/.+)\/deliver\/([A-Za-z0-9_-]+)\/?$/.exec(address);
  if (!base) fail('give the address of a brand, such as https://colours.example/deliver/BRAND.');
  const token = process.env.BREAKWATER_TOKEN;
  if (!token) fail('set BREAKWATER_TOKEN to a token for builds; one is made under Ship.', 3);
  return { consumer: `${base![1]}/consumer/${base![2]}`, token: token! };
}

/** Asks a server, or tells it something, with a token. Ends with the server's sentence where it refuses. */
export async function ask(url: string, token: string, body?: unknown): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(url, {
      headers: { authorization: `Bearer ${token}`, ...(body !== undefined && { 'content-type': 'application/json' }) },
      ...(body !== undefined && { method: 'POST', body: JSON.stringify(body) }),
      // Elsewhere nobody is handed the token.
      redirect: 'manual',
      signal: AbortSignal.timeout(WAIT_MS),
    });
  } catch (error) {
    const cause = (error as Error).cause as { code?: string } | undefined;
    fail(`${new URL(url).host} cannot be reached (${cause?.code ?? (error as Error).name}).`, 1);
  }
  const data: unknown = await response!.json().catch(() => null);
  if (response!.ok) return data;
  const said = (data as { error?: string } | null)?.error;
  fail(said ?? `${url} answers with ${response!.status}.`, response!.status < 500 ? 3 : 1);
}
