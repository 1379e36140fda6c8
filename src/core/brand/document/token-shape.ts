import { z } from 'zod';
import { colour, EntityId as id, LIMITS, text } from './fields';

export const TOKEN_ROLES = ['surface', 'text', 'accent', 'border', 'state', 'status', 'data', 'other'] as const;
export const TOKEN_STATES = ['hover', 'pressed', 'selected', 'focus', 'disabled'] as const;

/** Marks what deriving a theme gave; a value without it was chosen by a person, and deriving again leaves it. */
const derived = z.literal(true).optional();

/** What a token stands for in one theme: a swatch, another token, or a colour of its own. */
export const TokenValue = z.union([
  z.strictObject({ swatch: id, derived }),
  z.strictObject({ token: id, derived }),
  z.strictObject({ colour, derived }),
]);

export const TokenPath = z
  .string()
  .max(LIMITS.path, `A token path has at most ${LIMITS.path} characters.`)
  .regex(/^[\p{L}\p{N}_-]+(\.[\p{L}\p{N}_-]+)*$/u, {
    error: (issue) =>
      /[{}$]/.test(String(issue.input))
        ? 'The characters { } and $ are reserved by the design token standard; a path is letters, digits, hyphens and underscores with dots between.'
        : 'A token path is words of letters, digits, hyphens and underscores with dots between, such as text.default.',
  });

/** How a state is made from its token at rest, in every theme in which it has no value of its own. */
export const StateRule = z.strictObject({
  state: z.enum(TOKEN_STATES),
  /** Id of the token at rest. */
  of: id,
  /** Id of the surface that the steps go away from. */
  surface: id,
  /** Id of the text that stands on it and stays as readable as at rest. */
  text: id.optional(),
  /** Step of OKLCH lightness, away from the surface above 0 and towards it below. */
  step: z.number().min(-0.5).max(0.5),
  /** What its chroma is multiplied by. */
  chroma: z.number().min(0).max(2),
  /** WCAG contrast with the surface that it has at least, 1..21. */
  least: z.number().min(1).max(21),
});

/** How a token is tinted with the colour of another, such as a row of a list with the colour of its item, in every theme in which it has no value of its own. */
export const TintRule = z.strictObject({
  /** How much of the colour is in it, 0..1: from none to all. */
  strength: z.number().min(0).max(1),
  /** Id of the token that gives the colour. */
  of: id,
  /** Id of the surface that is tinted. */
  surface: id,
});

export const Token = z.strictObject({
  id,
  path: TokenPath,
  role: z.enum(TOKEN_ROLES),
  description: text(LIMITS.description),
  /** For a text token: ids of the tokens it is set on. Empty means every surface. */
  on: z.array(id).max(LIMITS.tokens),
  /** By theme id. */
  values: z.record(id, TokenValue),
  rule: z.union([StateRule, TintRule]).optional(),
  /** Not to be used any more: why, and the id of the token to use instead. */
  deprecated: z.strictObject({ note: text(LIMITS.description), use: id.optional() }).optional(),
  /** What other tools keep with it (`$extensions` of the design token standard), as JSON text. */
  extensions: text(LIMITS.carriedText).optional(),
});

export type TokenValue = z.infer<typeof TokenValue>;
export type StateRule = z.infer<typeof StateRule>;
export type TintRule = z.infer<typeof TintRule>;
export type Token = z.infer<typeof Token>;

/** Ids of the tokens that a rule makes a colour from. */
export function ruleTokens(rule: StateRule | TintRule): string[] {
  return 'state' in rule && rule.text !== undefined ? [rule.of, rule.surface, rule.text] : [rule.of, rule.surface];
}

/** The rule that makes a token a state of another, if one does. */
export function stateRule({ rule }: Token): StateRule | undefined {
  return rule && 'state' in rule ? rule : undefined;
}

/** The rule that tints a token with another, if one does. */
export function tintRule({ rule }: Token): TintRule | undefined {
  return rule && 'strength' in rule ? rule : undefined;
}

/** Ids of the tokens whose colours a token's own is made from in one theme: the one it points at, or those of its rule. */
export function sourcesOf(token: Token, theme: string): readonly string[] {
  const value = token.values[theme];
  if (value) return 'token' in value ? [value.token] : NONE;
  return token.rule ? ruleTokens(token.rule) : NONE;
}

const NONE: readonly string[] = [];
