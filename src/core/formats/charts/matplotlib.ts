import { withoutHash } from '../kit/marks';
import { type ChartColours, chartFiles, chartParts, chartTokens } from './chart-parts';
import { z } from 'zod';
import { chosen } from '../kit/choices';
import { defineFormat } from '../kit/format';
import { commentText } from '../../base/plain-text';

/** Matplotlib's style sheets, "Customizing Matplotlib with style sheets and rcParams": a # begins a comment, so codes go without. */
export const matplotlib = defineFormat({
  id: 'matplotlib',
  title: 'Matplotlib style',
  family: 'dashboard',
  extensions: ['.mplstyle'],
  purpose:
    'For charts by Matplotlib: name the file’s path to style.use, or put it into the style folder and name it without its ending.',
  readBy: 'Charts by Matplotlib',
  reload: 'start',
  options: z.strictObject({ ...chartParts, themes: chosen.themes }),
  tokensWritten: chartTokens,
  write(brand, themes, options) {
    const place = { folder: 'matplotlib', extension: '.mplstyle', mediaType: 'text/plain' };
    return chartFiles(brand, themes, options, place, (colours, { theme }) =>
      style(colours, commentText(`${brand.name}, ${theme.name}`)),
    );
  },
});

function style({ series, ground, text, soft, lines, values }: ChartColours, title: string): string {
  const settings: [string[], string | undefined][] = [
    [['figure.facecolor', 'figure.edgecolor', 'axes.facecolor', 'savefig.facecolor'], ground],
    [['text.color', 'axes.titlecolor', 'axes.labelcolor'], text],
    [['axes.edgecolor', 'xtick.color', 'ytick.color'], soft],
    [['grid.color'], lines],
  ];
  const cycle = series.map((hex) => `'${withoutHash(hex)}'`).join(', ');
  const known = Object.entries(values).flatMap(([field, colours]) =>
    Object.entries(colours).map(([value, { color }]) => `# ${commentText(`${field}: ${value}`)} ${withoutHash(color)}`),
  );
  return [
    `# ${title}`,
    ...(series.length > 0 ? [`axes.prop_cycle: cycler('color', [${cycle}])`] : []),
    ...settings.flatMap(([keys, hex]) => (hex ? keys.map((key) => `${key}: ${withoutHash(hex)}`) : [])),
    ...known,
    '',
  ].join('\n');
}
