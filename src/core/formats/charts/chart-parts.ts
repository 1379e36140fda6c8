import { marked } from '../kit/marks';
import { finding, type Finding } from '../../findings/finding';
import { tokenOption } from '../kit/options';
import { slug } from '../../base/words';
import { assignments, firstSeries } from '../../brand/reading/data-fields';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import type { Token } from '../../brand/document/token-shape';
import { cssText } from '../kit/css-text';
import { textFile, type Written } from '../kit/format';
import { material, type ShippedTheme } from '../kit/material';

/** The options of every format for charts: which tokens go where. */
export const chartParts = {
  ...tokenOption('series', 'Series colours, a group', 'first data group'),
  ...tokenOption('scale', 'Continuous scale, a group', 'none'),
  ...tokenOption('ground', 'Ground', 'first surface'),
  ...tokenOption('text', 'Text', 'first text'),
  ...tokenOption('soft', 'Axis labels', 'first text'),
  ...tokenOption('lines', 'Grid lines', 'first border'),
};

/** For charts that know a scale with a middle. */
export const middlePart = tokenOption('middle', 'Scale with a middle, a group', 'none');

export type ChartPart = keyof typeof chartParts | 'middle';
/** The parts a format has; of the others nothing is said. */
type Options = { readonly [Part in ChartPart]?: string };
type Picked = Record<ChartPart, readonly Token[]>;

/** Which tokens of a brand a chart's parts take, by the options. */
export function chartTokens(tokens: readonly Token[], options: Options): readonly Token[] {
  const all = new Set(Object.values(picked(tokens, options)).flat());
  return tokens.filter((token) => all.has(token));
}

/** The colours of a chart in one theme, CSS hex each, and the tokens they come from. */
export interface ChartColours {
  readonly series: readonly string[];
  readonly scale: readonly string[];
  readonly middle: readonly string[];
  readonly ground: string | undefined;
  readonly text: string | undefined;
  readonly soft: string | undefined;
  readonly lines: string | undefined;
  /** Paths, in the same order. */
  readonly tokens: Record<ChartPart, readonly string[]>;
  /** By field and value of the data: the colour that value always has. */
  readonly values: Readonly<Record<string, Readonly<Record<string, { readonly color: string; readonly token: string }>>>>;
}

export function chartColours(brand: Brand, { tokens }: ShippedTheme, options: Options): ChartColours {
  const picks = picked(brand.tokens, options);
  const colourOf = new Map(tokens.map((token) => [token.token.id, marked(token, cssText(token.colour))]));
  const colours = (part: ChartPart) => picks[part].flatMap(({ id }) => colourOf.get(id) ?? []);
  const paths = (part: ChartPart) => picks[part].filter(({ id }) => colourOf.has(id)).map((token) => token.path);
  const values = brand.fields.map((field) => {
    const known = assignments(brand, field).flatMap(({ text, token }) => {
      const color = token && colourOf.get(token.id);
      return token && color ? [[text, { color, token: token.path }] as const] : [];
    });
    return [field.name, Object.fromEntries(known)] as const;
  });
  return {
    series: colours('series'),
    scale: colours('scale'),
    middle: colours('middle'),
    ground: colours('ground')[0],
    text: colours('text')[0],
    soft: colours('soft')[0],
    lines: colours('lines')[0],
    tokens: Object.fromEntries(Object.keys(picks).map((part) => [part, paths(part as ChartPart)])) as Record<ChartPart, string[]>,
    values: Object.fromEntries(values),
  };
}

/** A file a theme from the colours of its charts, with what is to be said about them. */
export function chartFiles(
  brand: Brand,
  themes: readonly Theme[],
  options: Options,
  { folder, extension, mediaType }: { folder: string; extension: string; mediaType: string },
  write: (colours: ChartColours, theme: ShippedTheme) => string,
): Written {
  const shipped = material(brand, themes);
  const files = shipped.themes.map((theme) => {
    const path = `${folder}/${slug(brand.name)}-${theme.identifier}${extension}`;
    return textFile(path, mediaType, write(chartColours(brand, theme, options), theme));
  });
  return { files, findings: [...shipped.findings, ...chartFindings(brand, options)] };
}

/** What is named and not there, what no token has the role for, and values for which the colours do not reach. */
export function chartFindings(brand: Brand, options: Options): Written['findings'] {
  return [...(brand.tokens.length > 0 ? complain(picked(brand.tokens, options), options) : []), ...withoutColour(brand)];
}

/** The role that stands in where no token is named. */
const ROLES = { ground: 'surface', text: 'text', soft: 'text', lines: 'border' } as const;

/** Which tokens go where: those the options name, else the first of the fitting role. */
function picked(tokens: readonly Token[], options: Options): Picked {
  const group = (name: string | undefined) =>
    tokens.filter(({ path: itsPath }) => name !== undefined && parent(itsPath) === name);
  const first = (what: keyof typeof ROLES) => {
    const found = tokens.find((token) => (options[what] ? token.path === options[what] : token.role === ROLES[what]));
    return found ? [found] : [];
  };
  return {
    series: group(options.series || firstSeries(tokens)),
    scale: options.scale ? group(options.scale) : [],
    middle: options.middle ? group(options.middle) : [],
    ground: first('ground'),
    text: first('text'),
    soft: first('soft'),
    lines: first('lines'),
  };
}

function complain(picks: Picked, options: Options): Finding[] {
  return (Object.keys(picks) as ChartPart[]).flatMap((what) => {
    if (options[what] === undefined) return [];
    if (picks[what].length > 0 || ((what === 'scale' || what === 'middle') && !options[what])) return [];
    const chosen = options[what];
    return [
      chosen
        ? finding(
            'no-such-token',
            'error',
            `The chart theme takes its ${what} from ${chosen}, and there is no such token; choose another.`,
          )
        : finding(
            'incomplete',
            'warning',
            `The chart theme has no ${what}: no token has that role, so the chart will use its own.`,
          ),
    ];
  });
}

/** Values for which the colours do not reach: a chart would take one of its own, and silently. */
function withoutColour(brand: Brand): Finding[] {
  return brand.fields.flatMap((field) => {
    const given = assignments(brand, field);
    const bare = given.filter(({ token }) => !token);
    if (bare.length === 0) return [];
    const message = `The group ${field.group} has colours for ${given.length - bare.length} of the ${given.length} values of ${field.name}; add ${bare.length} or pin some.`;
    return [finding('too-few', 'warning', message, { field: field.id })];
  });
}

function parent(path: string): string {
  return path.split('.').slice(0, -1).join('.');
}
