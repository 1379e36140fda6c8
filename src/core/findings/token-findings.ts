import { resolveTheme } from '../brand/resolve';
import { orphanTokens } from '../brand/where-used';
import { unusedSwatches } from '../brand/where-used';
import type { Command, Step } from '../brand/commands';
import type { Brand, Token } from '../brand/document';
import { assignments } from '../brand/data-fields';
import { renameTokens } from '../brand/rename-tokens';
import { tokensOf, trailOf } from '../brand/resolve';
import { clashes, named } from '../brand/naming';

export type FindingKind =
  'no colour' | 'clash' | 'naming' | 'deprecated' | 'no room' | 'orphan token' | 'unused swatch' | 'lost reference';

/** Something about a brand's names that wants a look. */
export interface Finding {
  readonly kind: FindingKind;
  /** One sentence: what, and where. */
  readonly words: string;
  /** What it is about: a token's id, or a swatch's. */
  readonly about: { readonly token: string } | { readonly swatch: string } | null;
  /** What would put it right; null where a person has to decide. */
  readonly mend: Command | null;
  /** The path it should have, where that would put it right. */
  readonly path?: string;
}

/** Everything there is to tidy among the tokens: what would break a file first, what is merely superfluous last. */
export function tokenFindings(brand: Brand): Finding[] {
  return [
    ...withoutColour(brand),
    ...clashing(brand),
    ...withoutRoom(brand),
    ...lostReferences(brand),
    ...stillUsed(brand),
    ...misnamed(brand),
    ...orphanTokens(brand).map((token): Finding => ({
      kind: 'orphan token',
      words: `${token.path} goes to no destination, and nothing points at it.`,
      about: { token: token.id },
      mend: { label: `Delete ${token.path}`, steps: [{ do: 'token.remove', ids: [token.id] }] },
    })),
    ...unusedSwatches(brand).map((swatch): Finding => ({
      kind: 'unused swatch',
      words: `No token uses ${swatch.name} (${swatch.value}).`,
      about: { swatch: swatch.id },
      mend: { label: `Delete ${swatch.name}`, steps: [{ do: 'swatch.remove', ids: [swatch.id] }] },
    })),
  ];
}

/** The mends of several findings as one command; null when there is none among them. */
export function mendAll(brand: Brand, findings: readonly Finding[], label: string): Command | null {
  const byId = tokensOf(brand);
  // Renames as one: a group whose every token is renamed is renamed itself, wherever it is spoken of.
  const renames = findings.flatMap(({ about, path }) =>
    path !== undefined && about && 'token' in about ? [[byId.get(about.token)!.path, path] as const] : [],
  );
  const renamed = renames.length > 0 ? renameTokens(brand, new Map(renames), label) : null;
  const steps = [
    ...(renamed && 'steps' in renamed ? renamed.steps : []),
    ...findings.flatMap(({ mend, path }) => (path === undefined ? (mend?.steps ?? []) : [])),
  ];
  // Deletions as one: a token and the one it points at may go together.
  const tokens = steps.flatMap((step) => (step.do === 'token.remove' ? step.ids : []));
  const swatches = steps.flatMap((step) => (step.do === 'swatch.remove' ? step.ids : []));
  const others = steps.filter(({ do: what }) => what !== 'token.remove' && what !== 'swatch.remove');
  const all: Step[] = [
    ...others,
    ...(tokens.length > 0 ? [{ do: 'token.remove' as const, ids: tokens }] : []),
    ...(swatches.length > 0 ? [{ do: 'swatch.remove' as const, ids: swatches }] : []),
  ];
  return all.length > 0 ? { label, steps: all } : null;
}

function withoutColour(brand: Brand): Finding[] {
  return brand.themes.flatMap((theme) =>
    [...resolveTheme(brand, theme.id).values()].flatMap((resolved): Finding[] => {
      if (resolved.colour) return [];
      const trail = trailOf(resolved, theme.id);
      const way = trail.length > 1 ? `: ${trail.join(' → ')} → nothing` : '';
      return [
        {
          kind: 'no colour',
          words: `${resolved.token.path} has no colour in ${theme.name}${way}.`,
          about: { token: resolved.token.id },
          mend: null,
        },
      ];
    }),
  );
}

function clashing(brand: Brand): Finding[] {
  return clashes(brand.tokens).map(({ one, two, by }) => ({
    kind: 'clash',
    words: `${one.path} and ${two.path} differ only in ${by === 'case' ? 'capitals' : 'separators'}; some destinations would take them for one.`,
    about: { token: two.id },
    mend: null,
  }));
}

function withoutRoom(brand: Brand): Finding[] {
  return brand.fields.flatMap((field) => {
    const bare = assignments(brand, field).filter(({ token }) => !token);
    if (bare.length === 0) return [];
    const names = bare.slice(0, 3).map(({ text }) => text);
    const more = bare.length > names.length ? ` and ${bare.length - names.length} more` : '';
    const words = `${field.name}: no colour is left in ${field.group} for ${names.join(', ')}${more}.`;
    return [{ kind: 'no room', words, about: null, mend: null }];
  });
}

function lostReferences(brand: Brand): Finding[] {
  const known = new Set([...brand.tokens.map(({ path }) => path), ...brand.carried.map(({ path }) => path.join('.'))]);
  return brand.carried.flatMap(({ path, json }) =>
    [...json.matchAll(/"\{([^{}"]+)\}"/g)].flatMap(([, target]) =>
      known.has(target!)
        ? []
        : [
            {
              kind: 'lost reference' as const,
              words: `${path.join('.')}, which is not a colour, points at ${target}, which is not there.`,
              about: null,
              mend: null,
            },
          ],
    ),
  );
}

function stillUsed(brand: Brand): Finding[] {
  const deprecated = new Map(brand.tokens.flatMap((token) => (token.deprecated ? [[token.id, token] as const] : [])));
  if (deprecated.size === 0) return [];
  return brand.tokens.flatMap((token) => {
    const old = Object.entries(token.values).filter(([, value]) => 'token' in value && deprecated.has(value.token));
    if (old.length === 0 || token.deprecated) return [];
    const first = deprecated.get((old[0]![1] as { token: string }).token)!;
    const set = Object.fromEntries(
      old.flatMap(([theme, value]) => {
        const use = deprecated.get((value as { token: string }).token)?.deprecated?.use;
        return use === undefined || use === token.id ? [] : [[theme, { token: use }]];
      }),
    );
    const use = brand.tokens.find(({ id }) => id === first.deprecated!.use);
    return [
      {
        kind: 'deprecated' as const,
        words: `${token.path} points at ${first.path}, which is deprecated${use ? `; ${use.path} is to be used instead` : ''}.`,
        about: { token: token.id },
        mend:
          Object.keys(set).length > 0
            ? { label: `Point ${token.path} at what is in use`, steps: [{ do: 'token.set' as const, id: token.id, set }] }
            : null,
      },
    ];
  });
}

function misnamed(brand: Brand): Finding[] {
  const { naming } = brand;
  if (!naming) return [];
  const taken = new Set(brand.tokens.map(({ path }) => path));
  return brand.tokens.flatMap((token: Token): Finding[] => {
    const path = named(token.path, naming);
    if (path === token.path) return [];
    return [
      {
        kind: 'naming',
        words: `${token.path} is written ${path} in the convention chosen${taken.has(path) ? ', and that path is taken' : ''}.`,
        about: { token: token.id },
        // A rename looks through the whole brand, so it is made up when it is asked for: see `mendAll`.
        mend: null,
        ...(!taken.has(path) && { path }),
      },
    ];
  });
}
