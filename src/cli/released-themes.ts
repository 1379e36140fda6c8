import { themesShown, type ThemeColours } from '@/core/screens/match';
import { ToldRelease } from '@/core/screens/screen';
import { brandFileAt } from './brand-at';
import { fail } from './failure';

const WAIT_MS = 30_000;

/** What pages are held against. */
export interface Against {
  readonly themes: readonly ThemeColours[];
  /** Number of the release; null for a brand file. */
  readonly release: number | null;
  /** Tells a screen's readings to the server that the release is of. */
  readonly report: (screen: string, readings: unknown) => Promise<void>;
}

/** The themes of a brand file, or of a release that a server has. */
export async function against(options: { brand?: string; server?: string; release: string }): Promise<Against> {
  if (options.brand !== undefined) {
    const themes = themesShown(brandFileAt(options.brand));
    return { themes, release: null, report: () => fail('--screen is told to a server; give --server as well.') };
  }
  const base = /^(https?:\/\/.+)\/deliver\/([A-Za-z0-9_-]+)\/?$/.exec(options.server ?? '');
  if (!base) fail('give --brand with a brand file, or --server with an address such as https://colours.example/deliver/BRAND.');
  const token = process.env.BREAKWATER_TOKEN;
  if (!token) fail('set BREAKWATER_TOKEN to a token for builds; one is made under Ship.', 3);
  if (!/^(latest|[1-9]\d{0,6})$/.test(options.release)) fail(`“${options.release}” is no release; give its number, or latest.`);
  const consumer = `${base![1]}/consumer/${base![2]}`;
  const told = ToldRelease.safeParse(await ask(`${consumer}/releases/${options.release}`, token!));
  if (!told.success) fail(`${options.server} answers, but not as Breakwater does; look at the address.`, 1);
  const { themes, number } = told.data!;
  return {
    themes: themes.map(({ name, identifier, colours }) => ({ name, identifier, colours: new Map(Object.entries(colours)) })),
    release: number,
    report: async (screen, readings) =>
      void (await ask(`${consumer}/screens/${encodeURIComponent(screen)}/readings`, token!, readings)),
  };
}

async function ask(url: string, token: string, body?: unknown): Promise<unknown> {
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
