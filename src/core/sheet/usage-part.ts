import { assignments, firstSeries, tokensBelow } from '../brand/reading/data-fields';
import { stateRule } from '../brand/document/token-shape';
import type { Brand } from '../brand/document/document';
import type { Theme } from '../brand/document/theme-shape';
import { groupKind } from '../brand/reading/group-kind';
import { resolveTheme } from '../brand/reading/resolve';
import { contrastRatio } from '../colour/contrast';
import { textPairs, TEXT_RATIO } from '../findings/contrast';
import { hardestPair } from '../palette/categorical';
import type { Content } from './flow';
import { FLOOR, INNER, PAPER, paragraph, rect, rule, text } from './paper';

const GAP = 26;
/** Height of a piece of advice with its patch. */
const ROW = 59;

/** Themes whose charts stand on a page; more go on further pages. */
const CHARTS = 4;

/** Charts in the brand's colours, and what to do and what not to, found out by computing rather than by taste. */
export function usagePart(brand: Brand, lead: number): Content[] {
  const half = (INNER - GAP) / 2;
  return Array.from({ length: Math.ceil(brand.themes.length / CHARTS) }, (_, page) => () => {
    const top = PAPER.head + (page === 0 ? lead : 0);
    const charts = brand.themes
      .slice(page * CHARTS, (page + 1) * CHARTS)
      .map((theme, at) =>
        chart(brand, theme, PAPER.margin + (at % 2) * (half / 2 + 8), top + 24 + Math.floor(at / 2) * 282, half / 2 - 8),
      );
    return [
      text(PAPER.margin, top + 10, 'Charts', { size: 13, weight: 620 }),
      rule(PAPER.margin, top + 15, half),
      ...charts,
      page === 0 ? rules(brand, PAPER.margin + half + GAP, top, half) : '',
    ].join('');
  });
}

/** Bars in the categories' colours, a strip of each scale. */
function chart(brand: Brand, theme: Theme, x: number, y: number, width: number): string {
  const resolved = resolveTheme(brand, theme.id);
  const colourOfRole = (role: string) => {
    const token = brand.tokens.find((each) => each.role === role);
    return token && resolved.get(token.id)?.colour?.hex;
  };
  const ground = colourOfRole('surface') ?? '#ffffff';
  const ink = colourOfRole('text') ?? '#16181a';
  const series = seriesOf(brand);
  const bars = series.flatMap(({ id }) => resolved.get(id)?.colour?.hex ?? []).slice(0, 12);
  const each = (width - 28) / Math.max(1, bars.length);
  // Heights of no meaning, the same in every theme.
  const heights = bars.map((_, at) => 46 + ((at * 37) % 64));
  const scales = scalesOf(brand).map((tokens) => tokens.flatMap(({ id }) => resolved.get(id)?.colour?.hex ?? []));
  return [
    rect(x, y, width, 268, ground, '#c9cdd1'),
    text(x + 14, y + 24, theme.name, { size: 12, weight: 600, fill: ink, max: width - 28 }),
    ...bars.map((hex, at) => rect(x + 14 + at * each, y + 158 - heights[at]!, each - 3, heights[at]!, hex)),
    rule(x + 14, y + 158.5, width - 28, ink),
    ...scales.slice(0, 2).flatMap((colours, row) => {
      const step = (width - 28) / Math.max(1, colours.length);
      return colours.map((hex, at) => rect(x + 14 + at * step, y + 182 + row * 38, step + 0.2, 26, hex));
    }),
  ].join('');
}

function seriesOf(brand: Brand) {
  const group = brand.fields[0]?.group ?? firstSeries(brand.tokens);
  return group === undefined ? [] : tokensBelow(brand.tokens, group);
}

/** Groups of data tokens that come from a sequential or a diverging palette. */
function scalesOf(brand: Brand) {
  const groups = new Map<string, typeof brand.tokens>();
  for (const token of brand.tokens) {
    if (token.role !== 'data') continue;
    const group = token.path.slice(0, Math.max(0, token.path.lastIndexOf('.')));
    groups.set(group, [...(groups.get(group) ?? []), token]);
  }
  return [...groups.values()].filter((tokens) => {
    const kind = tokens.length > 2 ? groupKind(brand, tokens, brand.themes[0]!.id) : undefined;
    return kind === 'sequential' || kind === 'diverging';
  });
}

interface Advice {
  readonly does: boolean;
  readonly words: string;
  /** Two colours side by side: ink on ground, or neighbours. */
  readonly show?: { readonly ground: string; readonly ink?: string; readonly beside?: string };
}

function rules(brand: Brand, x: number, top: number, width: number): string {
  const advice = [...textAdvice(brand), ...dataAdvice(brand)];
  const parts: string[] = [];
  let y = top;
  for (const does of [true, false]) {
    parts.push(text(x, y + 10, does ? 'Use' : 'Misuse', { size: 13, weight: 620 }), rule(x, y + 15, width));
    y += 28;
    for (const { words, show } of advice.filter((line) => line.does === does)) {
      if (y + ROW > FLOOR + 20) break;
      if (show) {
        parts.push(rect(x, y, 84, 44, show.ground, '#c9cdd1'));
        if (show.beside) parts.push(rect(x + 42, y, 42, 44, show.beside));
        if (show.ink) parts.push(text(x + 42, y + 30, 'Ag', { size: 24, weight: 600, fill: show.ink, anchor: 'middle' }));
      }
      // Struck through: what is not to be done is told by shape as well as by its heading.
      if (!does && show) parts.push(`<path d="M${x} ${y + 44}L${x + 84} ${y}" stroke="#16181a" stroke-width="1.5"/>`);
      const [drawn] = paragraph(x + 98, y + 13, words, width - 100, 3, { size: 12 });
      parts.push(drawn);
      y += ROW;
    }
    y += 8;
  }
  return parts.join('');
}

function textAdvice(brand: Brand): Advice[] {
  const theme = brand.themes[0]!;
  const pairs = textPairs(brand, [theme]);
  const good = [...pairs].sort((one, two) => two.ratio - one.ratio)[0];
  const resolved = resolveTheme(brand, theme.id);
  const colourOf = (id: string) => resolved.get(id)?.colour;
  // What nobody meant to be set on each other, and somebody will: the pairs that nearly pass, which are
  // the likeliest mistakes.
  const texts = brand.tokens.filter(({ role }) => role === 'text');
  const surfaces = brand.tokens.filter(({ role }) => role === 'surface');
  const bad = texts
    .flatMap((one) => surfaces.map((surface) => ({ one, surface, ink: colourOf(one.id), ground: colourOf(surface.id) })))
    .flatMap(({ one, surface, ink, ground }) =>
      ink && ground ? [{ one, surface, ink, ground, ratio: contrastRatio(ink, ground) }] : [],
    )
    .filter(({ ratio, ink, ground }) => ratio < TEXT_RATIO && ink.hex !== ground.hex)
    .sort((one, two) => two.ratio - one.ratio)
    .slice(0, 2);
  return [
    ...(good
      ? [
          {
            does: true,
            words: `Set ${good.text.path} on ${good.surface.path}: ${good.ratio.toFixed(1)} to 1, readable for nearly everybody.`,
            show: { ground: good.surfaceColour.hex, ink: good.textColour.hex },
          },
        ]
      : []),
    ...bad.map(({ one, surface, ink, ground, ratio }) => ({
      does: false,
      words: `Do not set ${one.path} on ${surface.path}: ${ratio.toFixed(1)} to 1, below the ${TEXT_RATIO} that text needs.`,
      show: { ground: ground.hex, ink: ink.hex },
    })),
  ];
}

function dataAdvice(brand: Brand): Advice[] {
  const resolved = resolveTheme(brand, brand.themes[0]!.id);
  const advice: Advice[] = [
    {
      does: true,
      words:
        'Name colours by their tokens, never by their codes: when a theme is switched, what has a code of its own stays behind.',
    },
  ];
  const state = brand.tokens.find((token) => stateRule(token));
  const rest = state && brand.tokens.find(({ id }) => id === state.rule!.of);
  const [one, two] = [rest, state].map((token) => token && resolved.get(token.id)?.colour?.hex);
  if (state && rest && one && two) {
    const words = `Show states by their tokens: ${rest.path} becomes ${state.path}. A state nobody named is a colour nobody can change.`;
    advice.push({ does: true, words, show: { ground: one, beside: two } });
  }
  const [field] = brand.fields;
  const bound = field && assignments(brand, field).find(({ token }) => token);
  const colour = bound?.token && resolved.get(bound.token.id)?.colour?.hex;
  if (bound && colour)
    advice.push({
      does: true,
      words: `The same thing has the same colour in every chart: ${bound.text} is ${bound.token!.path}.`,
      show: { ground: colour },
    });
  const colours = seriesOf(brand).flatMap(({ id }) => resolved.get(id)?.colour?.hex ?? []);
  const pair = colours.length > 1 ? hardestPair(colours, ['protan', 'deutan', 'tritan']) : null;
  if (pair) {
    const [first, second] = [colours[pair.one]!, colours[pair.two]!];
    const words = `Do not rely on colour alone for ${first} and ${second}: for some eyes they are ${pair.distance.toFixed(0)} ΔE2000 apart. Label them.`;
    advice.push({ does: false, words, show: { ground: first, beside: second } });
  }
  if (field) {
    const given = assignments(brand, field);
    const bare = given.filter(({ token }) => !token).length;
    if (bare > 0)
      advice.push({
        does: false,
        words: `Do not draw all ${given.length} values of ${field.name} at once: there are colours for ${given.length - bare}. Gather the rest as one.`,
      });
  }
  return advice;
}
