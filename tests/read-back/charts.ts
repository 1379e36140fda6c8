/** Dashboards and charts: drawn by their libraries, or valid against their schemas. */
import Ajv2020 from 'ajv/dist/2020';
import { init, registerTheme } from 'echarts';
import { drawPlotly, drawVega, type Drawing } from './chromium';
import { loaded, fileEnding, pairs, perTheme, python, schema, text, valid, type Pair, type Read, type Reader } from './files';

const drawnByEcharts: Reader['read'] = (files, themes) =>
  perTheme(files, themes, '.json').map((file) => {
    const theme = JSON.parse(text(file)) as { color: string[]; tokens: { color: string[] } };
    registerTheme(file.path, theme);
    const chart = init(null, file.path, { renderer: 'svg', ssr: true, width: 600, height: 300 });
    const bars = theme.color.map((_, at) => at + 1);
    chart.setOption({
      animation: false,
      title: { text: 'Sailings' },
      xAxis: { type: 'category', data: bars.map(String), show: false },
      yAxis: { show: false },
      series: [{ type: 'bar', colorBy: 'data', data: bars }],
    });
    const svg = chart.renderToSVGString();
    chart.dispose();
    const fills = [...svg.matchAll(/<path[^>]*fill="(#[0-9a-f]+)"/g)].map(([, fill]) => fill!);
    const ground = /<rect[^>]*fill="(#[0-9a-f]+)"/.exec(svg)![1]!;
    const title = /fill="(#[0-9a-f]+)"[^>]*>Sailings/.exec(svg)![1]!;
    return pairs([...fills.map((fill): [string, string] => ['series', fill]), ['ground', ground], ['text', title]]);
  });

/** By Vega, and by Vega-Lite on top of it, with the same configuration; both must draw alike. */
const drawnInVega: Reader['read'] = async (files, themes, page) => {
  const found: Pair[][] = [];
  for (const file of perTheme(files, themes, '.json')) {
    const { full, lite } = await drawVega(page, schema(file) as { range: { category: string[] } });
    expect(lite).toEqual(full);
    found.push(drawing(full));
  }
  return found;
};

const drawing = ({ fills, ground, title }: Drawing) =>
  pairs([...fills.map((fill): [string, string] => ['series', fill]), ['ground', ground], ['text', title]]);

export const charts: Readonly<Record<string, Reader>> = {
  echarts: { by: 'Apache ECharts, drawn as SVG', holds: 'chart', read: drawnByEcharts },
  vega: { by: 'Vega and Vega-Lite, drawn as SVG', holds: 'chart', read: drawnInVega },
  plotly: {
    by: 'Plotly, drawn in Chromium',
    holds: 'chart',
    async read(files, themes, page) {
      const found: Pair[][] = [];
      for (const file of perTheme(files, themes, '.json')) {
        const template = schema(file) as { layout: { colorway: string[] } };
        found.push(drawing(await drawPlotly(page, template, template.layout.colorway.length)));
      }
      return found;
    },
  },
  matplotlib: {
    by: 'Python ast, as the style is parsed',
    holds: 'chart',
    read: (files, themes) =>
      python('style', perTheme(files, themes, '.mplstyle')).map((list) => {
        const of = (key: string, name: string): Read =>
          list.filter(([listed]) => listed === key).map(([, value]) => [name, value]);
        return pairs([...of('series', 'series'), ...of('figure.facecolor', 'ground'), ...of('text.color', 'text')]);
      }),
  },
  d3: {
    by: 'Node, as a module',
    holds: 'chart',
    read: ([file]) =>
      Object.values(loaded(file!).themes as Record<string, { category: string[]; ground: string; text: string }>).map((theme) =>
        pairs([
          ...theme.category.map((hex): [string, string] => ['series', hex]),
          ['ground', theme.ground],
          ['text', theme.text],
        ]),
      ),
  },
  'dashboard-xml': {
    by: 'Python xml.etree; valid by xmllint',
    holds: 'tokens',
    read: (files, themes) => python('dashboard', valid(files, perTheme(files, themes, '.xml'))).map(pairs),
  },
  'dashboard-json': {
    by: 'JSON.parse; valid by Ajv',
    holds: 'tokens',
    read(files, themes) {
      const valid = new Ajv2020().compile(schema(fileEnding(files, 'schema.json')) as object);
      return perTheme(files, themes, '.json').map((file) => {
        const content = schema(file) as { tokens: { name: string; value: string }[] };
        expect(valid(content) ? [] : valid.errors).toEqual([]);
        expect(valid({ ...content, ground: '12345g' })).toBe(false);
        return pairs(content.tokens.map(({ name, value }) => [name, value]));
      });
    },
  },
};
