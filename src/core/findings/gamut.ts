import type { Step } from '../brand/commands/commands';
import { resolveTheme, swatchesOf } from '../brand/reading/resolve';
import { finding, type Rule } from './finding';
import { worst } from './worst';

/** Colours beyond sRGB that some destination cannot hold, and writes as the nearest that it can. */
export const gamut: Rule = {
  id: 'gamut',
  title: 'Outside what a destination holds',
  looksAt: ['palettes', 'tokens', 'themes', 'destinations'],
  find(brand, known) {
    const { narrow } = known;
    if (!narrow) return [];
    /** Names of the destinations that write a token in sRGB only. */
    const to = new Map<string, string[]>();
    for (const destination of brand.destinations)
      for (const { id } of narrow(brand, destination)) to.set(id, [...(to.get(id) ?? []), destination.name]);
    const found = new Map<
      string,
      {
        readonly clipped: number;
        readonly words: string;
        readonly tokens: string[];
        readonly theme: string;
        readonly swatch: string | null;
      }
    >();
    for (const theme of brand.themes) {
      for (const { token, colour, kept, via } of resolveTheme(brand, theme.id).values()) {
        if (!colour || colour.clipped === 0 || via || !to.has(token.id)) continue;
        const key = kept?.swatch.id ?? `${token.id} ${theme.id}`;
        const there = found.get(key);
        if (there) {
          if (!there.tokens.includes(token.id)) there.tokens.push(token.id);
          continue;
        }
        const name = kept ? `${kept.palette.name} / ${kept.swatch.name}` : `${token.path} in ${theme.name}`;
        const [first, ...more] = to.get(token.id)!;
        const where = more.length > 0 ? `${first} and ${more.length} more` : first;
        const words = `${name} lies outside sRGB by ΔE-OK ${colour.clipped.toFixed(3)}, and ${where} cannot hold it; the nearest, ${colour.hex}, is written.`;
        found.set(key, { clipped: colour.clipped, words, tokens: [token.id], theme: theme.id, swatch: kept?.swatch.id ?? null });
      }
    }
    const list = [...found.values()].sort((one, two) => two.clipped - one.clipped);
    return worst(
      list,
      ({ clipped, words, tokens, theme, swatch }) =>
        finding('gamut', 'warning', words, swatch === null ? { theme, tokens } : { tokens, swatches: [swatch] }, {
          value: Math.ceil(clipped * 1000) / 1000,
          limit: 0,
        }),
      known,
    );
  },
  mend: {
    all: 'Bring all inside sRGB',
    offer: ({ subject }) => (subject.tokens || subject.swatches ? 'Take the nearest colour inside sRGB' : null),
    command(brand, findings, label) {
      const swatches = swatchesOf(brand);
      const steps = findings.flatMap(({ subject }): Step[] => {
        const [swatch] = subject.swatches ?? [];
        const [token] = subject.tokens ?? [];
        if (swatch !== undefined) {
          const place = swatches.get(swatch);
          const hex =
            place && [...brand.themes].flatMap(({ id }) => resolveTheme(brand, id).get(token ?? '')?.colour?.hex ?? [])[0];
          return hex ? [{ do: 'swatch.edit', id: swatch, set: { value: hex } }] : [];
        }
        const hex = token && subject.theme && resolveTheme(brand, subject.theme).get(token)?.colour?.hex;
        return hex ? [{ do: 'token.set', id: token, set: { [subject.theme!]: { colour: hex } } }] : [];
      });
      return steps.length > 0 ? { label, steps } : null;
    },
  },
};
