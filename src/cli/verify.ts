import { matchOf, type MatchCell, type Stray, type ThemeColours } from '@/core/screens/match';
import { pageAddress } from '@/core/screens/screen';
import { fail } from './failure';
import { printable } from './patch';
import { openBrowser, readPage } from './read-page';
import { against } from './released-themes';

export interface VerifyOptions {
  brand?: string;
  server?: string;
  release: string;
  screen?: string;
  theme: string[];
  themeAttribute: string;
  json?: boolean;
}

interface Verified {
  readonly address: string;
  readonly themes: readonly {
    readonly theme: string;
    readonly equal: readonly string[];
    readonly differing: readonly MatchCell[];
    readonly strays: readonly Stray[];
  }[];
  readonly unseen: readonly string[];
}

/** Opens pages in a browser and holds every colour on them against a brand. Ends with 0 when all are the brand's, with 1 when not. */
export async function verify(addresses: readonly string[], options: VerifyOptions): Promise<void> {
  for (const address of addresses)
    if (!pageAddress.safeParse(address).success)
      fail(`“${address}” is no address of a page; it begins with https:// or http://.`);
  const { screen, theme: wanted, themeAttribute, json = false } = options;
  if (screen !== undefined && addresses.length > 1) fail('--screen is one page; give one address.');
  if (!/^(class|[a-z][a-z0-9-]{0,60})$/.test(themeAttribute)) fail(`“${themeAttribute}” is no name of an attribute.`);
  const { themes: all, release, report } = await against(options);
  const themes = wanted.length === 0 ? all : wanted.map((name) => themeCalled(all, name));
  const browser = await openBrowser();
  const verified: Verified[] = [];
  try {
    for (const address of addresses) {
      const { readings, unseen } = await readPage(browser, address, themes, all.length > 1 ? themeAttribute : null);
      if (screen !== undefined)
        await report(
          screen,
          readings.map((reading) => ({ ...reading, release })),
        );
      verified.push({
        address,
        unseen,
        themes: readings.map(({ seen }, at) => {
          const { cells, strays } = matchOf(themes[at]!, seen, { runs: null, isEdited: false });
          const shown = [...cells.values()];
          return {
            theme: themes[at]!.name,
            equal: shown.filter(({ same }) => same).map(({ token }) => token),
            differing: shown.filter(({ same }) => !same),
            strays,
          };
        }),
      });
    }
  } finally {
    await browser.close();
  }
  const identical = verified.every((page) =>
    page.themes.every(({ differing, strays }) => differing.length + strays.length === 0),
  );
  if (json) process.stdout.write(`${JSON.stringify({ identical, pages: verified }, null, 2)}\n`);
  else for (const page of verified) print(page);
  if (!identical) process.exitCode = 1;
}

function themeCalled(all: readonly ThemeColours[], name: string): ThemeColours {
  const found = all.find((theme) => theme.identifier === name || theme.name.toLowerCase() === name.toLowerCase());
  return found ?? fail(`the brand has no theme ${name}; it has ${all.map((theme) => theme.name).join(', ')}.`);
}

function print({ address, themes, unseen }: Verified): void {
  const line = (text: string) => process.stdout.write(`${printable(text)}\n`);
  const counted = (count: number, one: string, more: string) => `${count} ${count === 1 ? one : more}`;
  const place = ({ where, state }: Pick<MatchCell, 'where' | 'state'>) => (state === 'rest' ? where : `${where}, ${state}`);
  line(address);
  for (const { theme, equal, differing, strays } of themes) {
    const differ = counted(differing.length, 'differs', 'differ');
    line(
      `  ${theme}: ${counted(equal.length, 'token', 'tokens')} equal, ${differ}, ${counted(strays.length, 'colour is', 'colours are')} no token’s`,
    );
    for (const cell of differing)
      line(`    ${cell.token}  ${cell.wanted} wanted, ${cell.found} found, ΔE ${cell.distance.toFixed(1)}; ${place(cell)}`);
    for (const stray of strays) {
      const more = stray.places > 1 ? ` and ${counted(stray.places - 1, 'place', 'places')} more` : '';
      const share = `${(stray.share * 100).toFixed(1)} % of the page`;
      line(
        `    ${stray.found}  no token’s, ${share}; ${place(stray)}${more}; nearest is ${stray.nearest}, ΔE ${stray.distance.toFixed(1)}`,
      );
    }
  }
  if (unseen.length > 0) line(`  not looked into: ${unseen.join('; ')}`);
}
