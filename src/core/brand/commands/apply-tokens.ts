import { edited, find, listed, mustBeNew, mustFit, mustStillBe, Refusal, type StepResult } from './apply-parts';
import type { Step } from './commands';
import { findCycle, ringWords, ruleTokens, type Brand, type Token } from '../document/document';
import { LIMITS } from '../document/fields';
import { insertBefore, runsOf, without } from '../document/lists';

type TokenStep = Extract<Step, { do: `token.${string}` }>;
type TokenEdit = Extract<Step, { do: 'token.edit' | 'token.set' }>;

export function isTokenStep(step: Step): step is TokenStep {
  return step.do.startsWith('token.');
}

/** The edits of tokens from a place on that can be made in one pass: all of one kind, and each of another token. */
export function tokenEdits(steps: readonly Step[], from: number): TokenEdit[] {
  const edits: TokenEdit[] = [];
  const seen = new Set<string>();
  for (let at = from; at < steps.length; at++) {
    const step = steps[at]!;
    if ((step.do !== 'token.edit' && step.do !== 'token.set') || step.do !== steps[from]!.do || seen.has(step.id)) break;
    seen.add(step.id);
    edits.push(step);
  }
  return edits;
}

/**
 * Edits of different tokens as one: paths are looked at when all are changed, so that a group can be renamed in any
 * order, and two tokens can change places.
 */
export function editTokens(brand: Brand, steps: readonly TokenEdit[]): StepResult {
  const wanted = new Map(steps.map((step) => [step.id, step]));
  const back = new Map<string, Step>();
  const changed: Token[] = [];
  const tokens = brand.tokens.map((token) => {
    const step = wanted.get(token.id);
    if (!step) return token;
    const { next, inverse } = step.do === 'token.edit' ? editToken(token, step) : setToken(token, step);
    back.set(token.id, inverse);
    changed.push(next);
    return next;
  });
  if (back.size < steps.length) throw new Refusal('That token is no longer there; somebody may have deleted it.');
  const after = { ...brand, tokens };
  mustHaveOwnPaths(after, changed);
  mustPointSomewhere(after, changed, (token) => {
    const step = wanted.get(token.id)!;
    if (step.do === 'token.edit') return step.set.rule ? after.themes.map(({ id }) => id) : [];
    // A value taken away from a theme that is gone as well leaves nothing to look at.
    return Object.keys(step.set).filter((theme) => step.set[theme] || after.themes.some(({ id }) => id === theme));
  });
  return { brand: after, inverse: [...steps].reverse().map(({ id }) => back.get(id)!) };
}

function editToken(token: Token, step: Extract<Step, { do: 'token.edit' }>): { next: Token; inverse: Step } {
  const { next, back } = edited(token, step, token.path);
  return { next, inverse: { do: 'token.edit', id: token.id, ...back } };
}

function setToken(token: Token, step: Extract<Step, { do: 'token.set' }>): { next: Token; inverse: Step } {
  const held = Object.fromEntries(Object.keys(step.set).map((theme) => [theme, token.values[theme] ?? null]));
  mustStillBe(held, step.was, token.path);
  const values = { ...token.values };
  for (const [theme, value] of Object.entries(step.set)) {
    if (value) values[theme] = value;
    else delete values[theme];
  }
  return { next: { ...token, values }, inverse: { do: 'token.set', id: token.id, set: held, was: step.set } };
}

export function applyTokenStep(brand: Brand, step: TokenStep): StepResult {
  switch (step.do) {
    case 'token.edit':
    case 'token.set':
      return editTokens(brand, [step]);
    case 'token.add': {
      mustBeNew(brand, step.tokens);
      mustFit(brand.tokens.length + step.tokens.length, LIMITS.tokens, 'tokens');
      const next = { ...brand, tokens: insertBefore(brand.tokens, step.tokens, step.before) };
      mustHaveOwnPaths(next, step.tokens);
      const all = next.themes.map(({ id }) => id);
      mustPointSomewhere(next, step.tokens, (token) => (token.rule ? all : Object.keys(token.values)));
      return { brand: next, inverse: [{ do: 'token.remove', ids: step.tokens.map((token) => token.id) }] };
    }
    case 'token.remove': {
      const gone = new Set(step.ids);
      const names = step.ids.map((id) => find(brand.tokens, id, 'token'));
      mustBeUnused(brand, names, gone);
      return {
        brand: { ...brand, tokens: without(brand.tokens, gone) },
        inverse: runsOf(brand.tokens, gone).map((run) => ({ do: 'token.add', tokens: run.items, before: run.before })),
      };
    }
    case 'token.move': {
      const chosen = new Set(step.ids);
      const tokens = step.ids.map((id) => find(brand.tokens, id, 'token'));
      return {
        brand: { ...brand, tokens: insertBefore(without(brand.tokens, chosen), tokens, step.before) },
        inverse: runsOf(brand.tokens, chosen).map((run) => ({
          do: 'token.move',
          ids: run.items.map((token) => token.id),
          before: run.before,
        })),
      };
    }
  }
}

function mustHaveOwnPaths(brand: Brand, changed: readonly Token[]): void {
  const count = new Map<string, number>();
  for (const token of brand.tokens) count.set(token.path, (count.get(token.path) ?? 0) + 1);
  for (const { path } of changed) {
    if (count.get(path)! > 1) throw new Refusal(`There is a token ${path} already. Choose another path.`);
  }
}

/** Every reference of the changed tokens leads to something, in the themes named, and none leads back to itself. */
export function mustPointSomewhere(brand: Brand, changed: readonly Token[], themesOf: (token: Token) => readonly string[]): void {
  const tokens = new Map(brand.tokens.map((pointed) => [pointed.id, pointed]));
  const swatches = new Set(brand.palettes.flatMap((palette) => palette.swatches.map(({ id }) => id)));
  const themes = new Map(brand.themes.map(({ id }) => [id, [] as string[]]));
  const mustBeToken = (id: string | undefined) => id === undefined || tokens.has(id) || find(brand.tokens, id, 'token');
  for (const token of changed) {
    if (token.rule) ruleTokens(token.rule).forEach(mustBeToken);
    mustBeToken(token.deprecated?.use);
    for (const theme of themesOf(token)) {
      const starts = themes.get(theme);
      if (!starts) throw new Refusal('That theme is no longer there; somebody may have deleted it.');
      starts.push(token.id);
      const value = token.values[theme];
      if (value && 'swatch' in value && !swatches.has(value.swatch))
        throw new Refusal('That swatch is no longer there; somebody may have deleted it.');
      if (value && 'token' in value) mustBeToken(value.token);
    }
  }
  for (const [theme, starts] of themes) {
    const cycle = findCycle(tokens, starts, theme);
    if (cycle) throw new Refusal(`That would go round in a circle: ${ringWords(cycle)}. Point it at something else.`);
  }
}

function mustBeUnused(brand: Brand, removed: readonly Token[], gone: ReadonlySet<string>): void {
  const path = new Map(removed.map((token) => [token.id, token.path]));
  /** By the id of what is to go: who uses it. */
  const users = new Map<string, Token[]>();
  for (const token of brand.tokens) {
    if (gone.has(token.id)) continue;
    for (const target of new Set(targetsOf(token))) {
      if (gone.has(target)) users.set(target, [...(users.get(target) ?? []), token]);
    }
  }
  for (const [target, tokens] of users) {
    throw new Refusal(
      `${path.get(target)} cannot go while ${listed(tokens)} ${tokens.length === 1 ? 'uses' : 'use'} it. Unlink first.`,
    );
  }
  for (const field of brand.fields) {
    const pinned = field.values.find(({ token }) => token !== undefined && gone.has(token));
    if (pinned)
      throw new Refusal(
        `${path.get(pinned.token!)} cannot go while ${pinned.text} of ${field.name} is pinned to it. Unpin it first.`,
      );
  }
}

/** Ids of all tokens that a token speaks of, in any theme and for any reason. */
export function targetsOf(token: Token): string[] {
  return [
    ...token.on,
    ...Object.values(token.values).flatMap((value) => ('token' in value ? [value.token] : [])),
    ...(token.rule ? ruleTokens(token.rule) : []),
    ...(token.deprecated?.use !== undefined ? [token.deprecated.use] : []),
  ];
}
