import { pageOf } from '../brand/reading/elevation';
import { groundsByName } from '../brand/reading/grounds';
import { stateRule, type Token } from '../brand/document/token-shape';
import type { Brand } from '../brand/document/document';
import { groupKind } from '../brand/reading/group-kind';
import { tokensOf } from '../brand/reading/resolve';
import { GRAPHIC_RATIO, worstBelow } from './contrast';
import { contrastFinding, contrastMend } from './contrast-rule';
import type { Rule, Severity } from './finding';
import { worst } from './worst';

/**
 * Borders, states and colours of data that cannot be made out on their ground: WCAG 2.2, success criterion 1.4.11 (AA). Of states, those that only
 * their colour tells: focus and selected; the pointer tells hover and pressed, and what is disabled is exempt. Other borders than that of the
 * focus may be mere decoration, so they are notes. The classes of sequential and diverging palettes are told by their neighbours.
 */
export const contrastGraphic: Rule = {
  id: 'contrast-graphic',
  title: 'Graphics that cannot be made out',
  looksAt: ['palettes', 'tokens', 'themes'],
  find(brand, known) {
    const seen = brand.tokens.filter((token) => isGraphic(brand, token));
    return (['warning', 'note'] as const).flatMap((severity) => {
      const tokens = seen.filter((token) => weightOf(token) === severity);
      const { pairs, more } = worstBelow(brand, tokens, (token) => groundsOfGraphic(brand, token), GRAPHIC_RATIO, known);
      return worst(
        pairs,
        (pair) => contrastFinding('contrast-graphic', severity, pair, GRAPHIC_RATIO, 'a graphic wants'),
        known,
        more,
      );
    });
  },
  mend: contrastMend('Make all of them stand out', GRAPHIC_RATIO, groundsOfGraphic),
};

/** Whether a token is a graphic that has to be made out on its ground. */
export function isGraphic(brand: Brand, token: Token): boolean {
  return weightOf(token) !== null && !isOfSeries(brand, token);
}

const weights = new WeakMap<Token, Severity | null>();

function weightOf(token: Token): Severity | null {
  let weight = weights.get(token);
  if (weight === undefined) weights.set(token, (weight = weigh(token)));
  return weight;
}

function weigh(token: Token): Severity | null {
  const { role, path } = token;
  const last = path.slice(path.lastIndexOf('.') + 1).toLowerCase();
  if (role === 'border') return /focus/.test(last) ? 'warning' : 'note';
  if (role === 'data') return 'warning';
  const state = stateRule(token)?.state ?? (role === 'state' ? last : '');
  return state === 'focus' || state === 'selected' ? 'warning' : null;
}

const CHARTS = /(?:^|[._-])(?:chart|plot|graph|map)s?(?:[._-]|$)/i;
const charts = new WeakMap<readonly Token[], readonly Token[]>();
const pages = new WeakMap<readonly Token[], readonly Token[]>();

/** What such a token is seen on: what it names, what its name says, the surface of its state, that of charts for data, or else the page. */
export function groundsOfGraphic(brand: Brand, token: Token): readonly Token[] {
  const tokens = tokensOf(brand);
  const named = token.on.length > 0 ? token.on : token.rule ? [token.rule.surface] : null;
  if (named) return named.flatMap((id) => tokens.get(id) ?? []);
  const byName = groundsByName(brand, token);
  if (byName) return byName;
  const plots = remembered(charts, brand.tokens, () =>
    brand.tokens.filter(({ role, path }) => role === 'surface' && CHARTS.test(path)).slice(0, 1),
  );
  if (token.role === 'data' && plots.length > 0) return plots;
  return remembered(pages, brand.tokens, () => [pageOf(brand)].flatMap((page) => page ?? []));
}

function remembered(map: WeakMap<readonly Token[], readonly Token[]>, tokens: readonly Token[], make: () => readonly Token[]) {
  let found = map.get(tokens);
  if (!found) map.set(tokens, (found = make()));
  return found;
}

/** Whether a token is a class of a sequential or diverging palette, in whichever theme it still points there. */
function isOfSeries(brand: Brand, token: Token): boolean {
  const kind = token.role === 'data' ? groupKind(brand, [token], brand.themes[0]!.id) : undefined;
  return kind === 'sequential' || kind === 'diverging';
}
