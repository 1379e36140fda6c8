import { z } from 'zod';
import { defineFormat, slug, textFile, type WrittenFile } from './format';
import { assignments, firstSeries } from '../brand/data-fields';
import type { Brand, DataField, Token } from '../brand/document';
import { material, type ShippedTheme } from './material';
import { cssText } from './css-text';

/** A token's path or a group's; `empty` says what is taken when it is left empty. */
const path = (title: string, empty: string) =>
  z.string().max(200).default('').meta({ title, description: empty, names: 'tokens' });

export const echarts = defineFormat({
  id: 'echarts',
  title: 'Chart theme (Apache ECharts)',
  family: 'dashboard',
  extensions: ['.json'],
  purpose: 'For dashboards: register the file as a theme under any name and name it when a chart is made.',
  options: z.strictObject({
    series: path('Series colours, a group', 'first data group'),
    scale: path('Continuous scale, a group', 'none'),
    ground: path('Ground', 'first surface'),
    text: path('Text', 'first text'),
    soft: path('Axis labels', 'first text'),
    lines: path('Grid lines', 'first border'),
  }),
  reach(tokens, options) {
    const all = new Set(Object.values(picked(tokens, options)).flat());
    return tokens.filter((token) => all.has(token));
  },
  write(brand, themes, options) {
    const shipped = material(brand, themes);
    const picks = picked(brand.tokens, options);
    const files = shipped.themes.map((theme): WrittenFile => {
      const json = chartTheme(brand, theme, picks);
      const name = `charts/${slug(brand.name)}-${theme.identifier}.json`;
      return textFile(name, 'application/json', JSON.stringify(json, null, 2) + '\n');
    });
    const own = brand.tokens.length > 0 ? complain(picks, options) : [];
    return { files, problems: [...shipped.problems, ...own, ...withoutColour(brand)] };
  },
});

type Options = Record<'series' | 'scale' | 'ground' | 'text' | 'soft' | 'lines', string>;
type Picked = Record<keyof Options, readonly Token[]>;

/** The role that stands in where no token is named. */
const ROLES = { ground: 'surface', text: 'text', soft: 'text', lines: 'border' } as const;

/** Which tokens go where: those the options name, else the first of the fitting role. */
function picked(tokens: readonly Token[], options: Options): Picked {
  const group = (name: string | undefined) => tokens.filter(({ path: own }) => name !== undefined && parent(own) === name);
  const one = (what: keyof typeof ROLES) => {
    const found = tokens.find((token) => (options[what] ? token.path === options[what] : token.role === ROLES[what]));
    return found ? [found] : [];
  };
  return {
    series: group(options.series || firstSeries(tokens)),
    scale: options.scale ? group(options.scale) : [],
    ground: one('ground'),
    text: one('text'),
    soft: one('soft'),
    lines: one('lines'),
  };
}

function complain(picks: Picked, options: Options): { severity: 'error' | 'warning'; message: string }[] {
  return (Object.keys(picks) as (keyof Picked)[]).flatMap((what) => {
    if (picks[what].length > 0 || (what === 'scale' && !options.scale)) return [];
    const chosen = options[what];
    return [
      chosen
        ? {
            severity: 'error' as const,
            message: `The chart theme takes its ${what} from ${chosen}, and there is no such token; choose another.`,
          }
        : {
            severity: 'warning' as const,
            message: `The chart theme has no ${what}: no token has that role, so the chart will use its own.`,
          },
    ];
  });
}

function chartTheme(brand: Brand, { tokens }: ShippedTheme, picks: Picked) {
  const colourOf = new Map(tokens.map(({ token, colour }) => [token.id, cssText(colour)]));
  const colours = (list: readonly Token[]) => list.flatMap(({ id }) => colourOf.get(id) ?? []);
  const paths = (list: readonly Token[]) => list.filter(({ id }) => colourOf.has(id)).map((token) => token.path);
  const [ground, text, soft, lines] = [picks.ground, picks.text, picks.soft, picks.lines].map((list) => colours(list)[0]);
  const axis = {
    axisLine: { lineStyle: { color: soft } },
    axisTick: { lineStyle: { color: soft } },
    axisLabel: { color: soft },
    splitLine: { lineStyle: { color: lines } },
  };
  return {
    color: colours(picks.series),
    backgroundColor: ground,
    textStyle: { color: text },
    title: { textStyle: { color: text }, subtextStyle: { color: soft } },
    legend: { textStyle: { color: text } },
    categoryAxis: axis,
    valueAxis: axis,
    timeAxis: axis,
    logAxis: axis,
    visualMap: picks.scale.length > 0 ? { textStyle: { color: text }, inRange: { color: colours(picks.scale) } } : undefined,
    // Charts pass over what they do not know; a reader of the file learns here which token stands where, and which
    // colour each value of the data always has.
    tokens: {
      color: paths(picks.series),
      scale: paths(picks.scale),
      ground: paths(picks.ground)[0],
      text: paths(picks.text)[0],
      soft: paths(picks.soft)[0],
      lines: paths(picks.lines)[0],
    },
    values: brand.fields.length > 0 ? Object.fromEntries(brand.fields.map((field) => [field.name, valuesOf(field)])) : undefined,
  };

  function valuesOf(field: DataField): Record<string, { color: string; token: string }> {
    const known = assignments(brand, field).flatMap(({ text: value, token }) => {
      const color = token && colourOf.get(token.id);
      return token && color ? [[value, { color, token: token.path }] as const] : [];
    });
    return Object.fromEntries(known);
  }
}

/** Values for which the colours do not reach: a chart would take one of its own, and silently. */
function withoutColour(brand: Brand): { severity: 'warning'; message: string }[] {
  return brand.fields.flatMap((field) => {
    const given = assignments(brand, field);
    const bare = given.filter(({ token }) => !token);
    if (bare.length === 0) return [];
    const message = `The group ${field.group} has colours for ${given.length - bare.length} of the ${given.length} values of ${field.name}; add ${bare.length} or pin some.`;
    return [{ severity: 'warning' as const, message }];
  });
}

function parent(path: string): string {
  return path.split('.').slice(0, -1).join('.');
}
