import { finding, type Finding } from '../../findings/finding';
import { tokenOption } from '../kit/options';
import { slug } from '../../base/words';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import { textFile, type Written } from '../kit/format';
import { material, type ShippedTheme, type ShippedToken } from '../kit/material';

/** The sixteen colours of a terminal in the order of their numbers (ECMA-48 SGR 30–37, and their bright partners). */
export const SIXTEEN = [
  ...['black', 'red', 'green', 'yellow', 'blue', 'magenta', 'cyan', 'white'],
  ...['black', 'red', 'green', 'yellow', 'blue', 'magenta', 'cyan', 'white'].map((name) => `bright-${name}`),
] as const;

/** Where the sixteen are found. */
export const terminalGroup = tokenOption('group', 'Group of the sixteen colours', 'terminal', 'terminal');

export interface TerminalColours {
  /** Sixteen, by number. */
  readonly colours: readonly ShippedToken[];
  readonly ground: ShippedToken | undefined;
  readonly text: ShippedToken | undefined;
  readonly cursor: ShippedToken | undefined;
}

/** A theme's terminal scheme; null, with what is missing, where not all sixteen are there. */
function terminalColours(
  { tokens, theme }: ShippedTheme,
  group: string,
): { scheme: TerminalColours; findings: [] } | { scheme: null; findings: Written['findings'] } {
  const found = new Map(tokens.map((token) => [token.token.path.toLowerCase(), token]));
  const namedToken = (name: string) => found.get(`${group || 'terminal'}.${name}`.toLowerCase());
  const missing = SIXTEEN.filter((name) => !namedToken(name));
  if (missing.length > 0) {
    const message = `A terminal wants sixteen colours, and ${group || 'terminal'} has no ${missing.slice(0, 3).join(', ')}${missing.length > 3 ? ` and ${missing.length - 3} more` : ''} in ${theme.name}; the terminal scaffold under Name makes them.`;
    return { scheme: null, findings: [finding('incomplete', 'error', message, { theme: theme.id })] };
  }
  return {
    scheme: {
      colours: SIXTEEN.map((name) => namedToken(name)!),
      ground: namedToken('ground'),
      text: namedToken('text'),
      cursor: namedToken('cursor'),
    },
    findings: [],
  };
}

/** A file a theme from its terminal scheme; a theme without one is an error. */
export function terminalFiles(
  brand: Brand,
  themes: readonly Theme[],
  group: string,
  extension: string,
  write: (scheme: TerminalColours, theme: ShippedTheme) => string,
): Written {
  const { themes: shipped, findings } = material(brand, themes, { group: group || 'terminal' }, { opaque: true });
  const all: Finding[] = [...findings];
  const files = shipped.flatMap((theme) => {
    const { scheme, findings: missing } = terminalColours(theme, group);
    all.push(...missing);
    const path = `terminal/${slug(brand.name)}-${theme.identifier}${extension}`;
    return scheme ? [textFile(path, 'text/plain', write(scheme, theme))] : [];
  });
  return { files, findings: all };
}

/** The tokens of the group. */
export function terminalTokens<T extends { readonly path: string }>(
  tokens: readonly T[],
  { group }: { group: string },
): readonly T[] {
  return tokens.filter(({ path }) => path.startsWith(`${group || 'terminal'}.`));
}
