import { type ChartColours, chartFiles, chartParts, chartTokens, middlePart } from './chart-parts';
import { z } from 'zod';
import { chosen } from '../kit/choices';
import { defineFormat } from '../kit/format';

export const plotly = defineFormat({
  id: 'plotly',
  title: 'Plotly template',
  family: 'dashboard',
  extensions: ['.json'],
  purpose: 'For charts by Plotly in any language: hand the object over as layout.template.',
  readBy: 'Charts by Plotly',
  reload: 'load',
  options: z.strictObject({ ...chartParts, ...middlePart, themes: chosen.themes }),
  tokensWritten: chartTokens,
  write(brand, themes, options) {
    const place = { folder: 'plotly', extension: '.json', mediaType: 'application/json' };
    return chartFiles(brand, themes, options, place, (colours) => JSON.stringify(template(colours), null, 2) + '\n');
  },
});

function template({ series, scale, middle, ground, text, soft, lines, values }: ChartColours): object {
  const axis = {
    gridcolor: lines,
    linecolor: soft,
    zerolinecolor: soft,
    tickfont: { color: soft },
    title: { font: { color: text } },
  };
  return {
    layout: {
      ...(series.length > 0 && { colorway: series }),
      paper_bgcolor: ground,
      plot_bgcolor: ground,
      font: { color: text },
      title: { font: { color: text } },
      legend: { font: { color: text } },
      xaxis: axis,
      yaxis: axis,
      colorscale: {
        ...(scale.length > 1 && { sequential: stops(scale), sequentialminus: stops(scale) }),
        ...(middle.length > 1 && { diverging: stops(middle) }),
      },
      // "meta" is the place that the library leaves to others: which colour each value of the data always has.
      ...(Object.keys(values).length > 0 && { meta: { values } }),
    },
  };
}

/** A scale as the library wants it: places 0..1 with their colours. */
function stops(colours: readonly string[]): [number, string][] {
  return colours.map((colour, at) => [Number((at / (colours.length - 1)).toFixed(6)), colour]);
}
