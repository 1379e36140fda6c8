import { type ChartColours, chartFiles, chartParts, chartTokens } from './chart-parts';
import { z } from 'zod';
import { defineFormat } from '../kit/format';
import { chosen } from '../kit/choices';

export const echarts = defineFormat({
  id: 'echarts',
  title: 'Chart theme (Apache ECharts)',
  family: 'dashboard',
  extensions: ['.json'],
  purpose: 'For dashboards: register the file as a theme under any name and name it when a chart is made.',
  readBy: 'Charts by Apache ECharts',
  reload: 'load',
  options: z.strictObject({ ...chartParts, themes: chosen.themes }),
  tokensWritten: chartTokens,
  write(brand, themes, options) {
    const place = { folder: 'charts', extension: '.json', mediaType: 'application/json' };
    return chartFiles(brand, themes, options, place, (colours) => JSON.stringify(chartTheme(colours), null, 2) + '\n');
  },
});

function chartTheme({ series, scale, ground, text, soft, lines, tokens, values }: ChartColours) {
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
