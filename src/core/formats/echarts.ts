import { z } from 'zod';
import { defineFormat, slug, textFile, type WrittenFile } from './format';
import { material, type ShippedTheme, type ShippedToken } from './material';
import { cssText } from './css-text';

/** A token's path or a group's; `empty` says what is taken when it is left empty. */
const path = (title: string, empty: string) => z.string().max(200).default('').meta({ title, description: empty });

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
  write(brand, themes, options) {
    const shipped = material(brand, themes);
    const complaints = new Map<string, 'error' | 'warning'>();
    const files = shipped.themes.map((theme): WrittenFile => {
      const json = chartTheme(theme, options, complaints);
      const name = `charts/${slug(brand.name)}-${theme.identifier}.json`;
      return textFile(name, 'application/json', JSON.stringify(json, null, 2) + '\n');
    });
    const own = brand.tokens.length > 0 ? [...complaints].map(([message, severity]) => ({ severity, message })) : [];
    return { files, problems: [...shipped.problems, ...own] };
  },
});

type Options = Record<'series' | 'scale' | 'ground' | 'text' | 'soft' | 'lines', string>;

function chartTheme({ tokens }: ShippedTheme, options: Options, complaints: Map<string, 'error' | 'warning'>) {
  const wanted = (what: string, chosen: string, found: readonly ShippedToken[]) => {
    if (found.length > 0) return;
    if (chosen)
      complaints.set(`The chart theme takes its ${what} from ${chosen}, and there is no such token; choose another.`, 'error');
    else complaints.set(`The chart theme has no ${what}: no token has that role, so the chart will use its own.`, 'warning');
  };
  const group = (what: string, chosen: string, fallback: string | undefined) => {
    const name = chosen || fallback;
    const found = tokens.filter(({ token }) => name !== undefined && parent(token.path) === name);
    wanted(what, chosen, found);
    return found;
  };
  const one = (what: keyof Options, role: string) => {
    const found = tokens.find(({ token }) => (options[what] ? token.path === options[what] : token.role === role));
    wanted(what, options[what], found ? [found] : []);
    return found && { path: found.token.path, colour: cssText(found.colour) };
  };
  const firstData = tokens.find(({ token }) => token.role === 'data');
  const series = group('series', options.series, firstData && parent(firstData.token.path));
  const scale = options.scale ? group('scale', options.scale, undefined) : [];
  const ground = one('ground', 'surface');
  const text = one('text', 'text');
  const soft = one('soft', 'text');
  const lines = one('lines', 'border');
  const axis = {
    axisLine: { lineStyle: { color: soft?.colour } },
    axisTick: { lineStyle: { color: soft?.colour } },
    axisLabel: { color: soft?.colour },
    splitLine: { lineStyle: { color: lines?.colour } },
  };
  const colours = (list: readonly ShippedToken[]) => list.map(({ colour }) => cssText(colour));
  const paths = (list: readonly ShippedToken[]) => list.map(({ token }) => token.path);
  return {
    color: colours(series),
    backgroundColor: ground?.colour,
    textStyle: { color: text?.colour },
    title: { textStyle: { color: text?.colour }, subtextStyle: { color: soft?.colour } },
    legend: { textStyle: { color: text?.colour } },
    categoryAxis: axis,
    valueAxis: axis,
    timeAxis: axis,
    logAxis: axis,
    visualMap: scale.length > 0 ? { textStyle: { color: text?.colour }, inRange: { color: colours(scale) } } : undefined,
    // Charts pass over what they do not know; a reader of the file learns here which token stands where.
    tokens: {
      color: paths(series),
      scale: paths(scale),
      ground: ground?.path,
      text: text?.path,
      soft: soft?.path,
      lines: lines?.path,
    },
  };
}

function parent(path: string): string {
  return path.split('.').slice(0, -1).join('.');
}
