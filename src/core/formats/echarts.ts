import { z } from 'zod';
import { chartColours, chartParts, chartProblems, chartReach } from './chart-parts';
import { defineFormat, slug, textFile } from './format';
import { material } from './material';
import { chosen } from './choices';

export const echarts = defineFormat({
  id: 'echarts',
  title: 'Chart theme (Apache ECharts)',
  family: 'dashboard',
  extensions: ['.json'],
  purpose: 'For dashboards: register the file as a theme under any name and name it when a chart is made.',
  readBy: 'Charts by Apache ECharts',
  taken: 'load',
  options: z.strictObject({ ...chartParts, themes: chosen.themes }),
  reach: chartReach,
  write(brand, themes, options) {
    const shipped = material(brand, themes);
    const files = shipped.themes.map((theme) => {
      const json = JSON.stringify(chartTheme(chartColours(brand, theme, options)), null, 2);
      return textFile(`charts/${slug(brand.name)}-${theme.identifier}.json`, 'application/json', json + '\n');
    });
    return { files, problems: [...shipped.problems, ...chartProblems(brand, options)] };
  },
});

function chartTheme({ series, scale, ground, text, soft, lines, tokens, values }: ReturnType<typeof chartColours>) {
  const axis = {
    axisLine: { lineStyle: { color: soft } },
    axisTick: { lineStyle: { color: soft } },
    axisLabel: { color: soft },
    splitLine: { lineStyle: { color: lines } },
  };
  return {
    color: series,
    backgroundColor: ground,
    textStyle: { color: text },
    title: { textStyle: { color: text }, subtextStyle: { color: soft } },
    legend: { textStyle: { color: text } },
    categoryAxis: axis,
    valueAxis: axis,
    timeAxis: axis,
    logAxis: axis,
    visualMap: scale.length > 0 ? { textStyle: { color: text }, inRange: { color: scale } } : undefined,
    // Charts pass over what they do not know; a reader of the file learns here which token stands where, and which
    // colour each value of the data always has.
    tokens: {
      color: tokens.series,
      scale: tokens.scale,
      ground: tokens.ground[0],
      text: tokens.text[0],
      soft: tokens.soft[0],
      lines: tokens.lines[0],
    },
    values: Object.keys(values).length > 0 ? values : undefined,
  };
}
