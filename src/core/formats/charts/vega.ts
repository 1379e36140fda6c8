import { type ChartColours, chartFiles, chartParts, chartTokens, middlePart } from './chart-parts';
import { z } from 'zod';
import { chosen } from '../kit/choices';
import { defineFormat } from '../kit/format';

/** Marks of Vega that are filled, and those that are drawn with a line, where the chart names no colour. */
const FILLED = ['arc', 'area', 'rect', 'symbol', 'bar', 'point', 'circle', 'square'];
const DRAWN = ['line', 'path', 'rule', 'shape', 'trail', 'tick'];

/** Vega 6 and Vega-Lite 6 "config": one object fits both, for each passes over the keys it does not know. */
export const vega = defineFormat({
  id: 'vega',
  title: 'Vega and Vega-Lite configuration',
  family: 'dashboard',
  extensions: ['.json'],
  purpose:
    'For charts by Vega or Vega-Lite: put the object in as the specification’s config, or hand it over when a chart is embedded.',
  readBy: 'Charts by Vega and Vega-Lite',
  reload: 'load',
  options: z.strictObject({ ...chartParts, ...middlePart, themes: chosen.themes }),
  tokensWritten: chartTokens,
  write(brand, themes, options) {
    const place = { folder: 'vega', extension: '.json', mediaType: 'application/json' };
    return chartFiles(brand, themes, options, place, (colours) => JSON.stringify(config(colours), null, 2) + '\n');
  },
});

function config({ series, scale, middle, ground, text, soft, lines, values }: ChartColours): object {
  const [first] = series;
  const marks = [...FILLED.map((mark) => [mark, { fill: first }]), ...DRAWN.map((mark) => [mark, { stroke: first }])];
  return {
    background: ground,
    title: { color: text, subtitleColor: soft },
    axis: { domainColor: soft, tickColor: soft, labelColor: soft, titleColor: text, gridColor: lines },
    legend: { labelColor: soft, titleColor: text },
    header: { labelColor: soft, titleColor: text },
    view: { stroke: lines },
    ...Object.fromEntries(first ? marks : []),
    range: {
      ...(series.length > 0 && { category: series }),
      ...(scale.length > 0 && { ordinal: scale, ramp: scale, heatmap: scale }),
      ...(middle.length > 0 && { diverging: middle }),
    },
    // Kept for those who write specifications: which colour each value of the data always has.
    ...(Object.keys(values).length > 0 && { usermeta: { values } }),
  };
}
