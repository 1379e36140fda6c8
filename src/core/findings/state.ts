import type { Step } from '../brand/commands/commands';
import { stateRule } from '../brand/document/token-shape';
import { resolveTheme, tokensOf } from '../brand/reading/resolve';
import { bytesOf } from '../colour/integers';
import { bytesToOklab, type Oklab } from '../colour/oklab';
import type { ReadColour } from '../colour/read';
import { STATE_DEFAULTS } from '../brand/reading/state-rule';
import { stateOf, statesOf } from '../brand/reading/states-of';
import { finding, type Rule } from './finding';
import { worst } from './worst';

/** ΔE-OK that is just noticeable: CSS Color 4, section 13.2. */
export const SEEN = 0.02;

/** States that cannot be told from rest: nobody sees that the pointer is there, or what is chosen. */
export const state: Rule = {
  id: 'state',
  title: 'States that are not told from rest',
  looksAt: ['palettes', 'tokens', 'themes'],
  find(brand, known) {
    const pairs = brand.themes.flatMap((theme) => {
      const resolved = resolveTheme(brand, theme.id);
      return statesOf(brand).flatMap(({ token, rest }) => {
        const [one, two] = [resolved.get(token.id)?.colour, resolved.get(rest.id)?.colour];
        if (!one || !two || one.alpha !== two.alpha) return [];
        // Where two are the same nothing has to be computed.
        const distance = one.hex === two.hex ? 0 : apart(one, two);
        return distance < SEEN ? [{ theme, token, rest, distance }] : [];
      });
    });
    pairs.sort((one, two) => one.distance - two.distance);
    return worst(
      pairs,
      ({ theme, token, rest, distance }) => {
        const value = Math.floor(distance * 1000) / 1000;
        return finding(
          'state',
          'warning',
          `${token.path} in ${theme.name} cannot be told from ${rest.path}: ΔE-OK ${value.toFixed(3)}, and ${SEEN} is just noticeable.`,
          { theme: theme.id, tokens: [token.id, rest.id] },
          { value, limit: SEEN, text: token.path },
        );
      },
      known,
    );
  },
  mend: {
    all: 'Make all of them differ',
    offer: ({ data }) => (data.text === undefined ? null : `Make ${data.text} by rule, so that it differs`),
    command(brand, findings, label) {
      const tokens = tokensOf(brand);
      const steps = new Map<string, Step[]>();
      for (const { subject } of findings) {
        const [token, rest] = (subject.tokens ?? []).map((id) => tokens.get(id));
        if (!token || !rest || subject.theme === undefined) continue;
        const kind = stateOf(token);
        const surface = stateRule(token)?.surface ?? brand.tokens.find(({ role }) => role === 'surface')?.id;
        if (!kind || surface === undefined || surface === token.id) continue;
        const set = { ...(steps.get(token.id)?.[0] as { set?: Record<string, null> } | undefined)?.set };
        // Its own value goes, and the rule makes it: a rule is there already, or is begun.
        if (token.values[subject.theme] !== undefined) set[subject.theme] = null;
        const made: Step[] = Object.keys(set).length > 0 ? [{ do: 'token.set', id: token.id, set }] : [];
        if (!token.rule)
          made.push({
            do: 'token.edit',
            id: token.id,
            set: { rule: { state: kind, of: rest.id, surface, ...STATE_DEFAULTS[kind] } },
          });
        if (made.length > 0) steps.set(token.id, made);
      }
      return steps.size > 0 ? { label, steps: [...steps.values()].flat() } : null;
    },
  },
};

const shown = new WeakMap<ReadColour, Oklab>();

/** ΔE-OK of what a screen shows of two colours. */
function apart(one: ReadColour, two: ReadColour): number {
  const [a, b] = [one, two].map((colour) => {
    let found = shown.get(colour);
    if (!found) shown.set(colour, (found = bytesToOklab(...(bytesOf(colour).slice(0, 3) as [number, number, number]))));
    return found;
  }) as [Oklab, Oklab];
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
}
