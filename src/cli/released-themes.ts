import { themesShown, type ThemeColours } from '@/core/screens/match';
import { ToldRelease } from '@/core/screens/screen';
import { brandFileAt } from './brand-at';
import { ask, consumerAt } from './consumer-at';
import { fail } from './failure';

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
  if (options.server === undefined)
    return fail('give --brand with a brand file, or --server with an address such as https://colours.example/deliver/BRAND.');
  const { consumer, token } = consumerAt(options.server);
  if (!/^(latest|[1-9]\d{0,6})$/.test(options.release)) fail(`“${options.release}” is no release; give its number, or latest.`);
  const told = ToldRelease.safeParse(await ask(`${consumer}/releases/${options.release}`, token));
  if (!told.success) fail(`${options.server} answers, but not as Breakwater does; look at the address.`, 1);
  const { themes, number } = told.data!;
  return {
    themes: themes.map(({ name, identifier, colours }) => ({ name, identifier, colours: new Map(Object.entries(colours)) })),
    release: number,
    report: async (screen, readings) =>
      void (await ask(`${consumer}/screens/${encodeURIComponent(screen)}/readings`, token, readings)),
  };
}
