import { escapeXml } from '../base/escape-xml';
import { wholeTable, type WatchedRelease } from './told-match';
import type { MatchRow } from './match-table';

/** As much as anybody leafs through; the CSV has all of it. */
const MOST_ROWS = 1_500;

const STYLE = `
  @page { size: A4 landscape; margin: 14mm 12mm }
  body { font: 9pt/1.35 'Archivo Variable', sans-serif; color: #141414; margin: 0; -webkit-print-color-adjust: exact }
  h1 { font-size: 17pt; margin: 0 0 1mm } h2 { font-size: 11pt; margin: 6mm 0 1.5mm; break-after: avoid } p { margin: 0 0 4mm; color: #555 }
  table { border-collapse: collapse; width: 100% } thead { display: table-header-group } tr { break-inside: avoid }
  th { text-align: left; font-weight: 600; border-bottom: 0.3mm solid #141414; padding: 1mm 2mm 1mm 0; vertical-align: bottom }
  td { border-bottom: 0.1mm solid #bbb; padding: 0.8mm 2mm 0.8mm 0; vertical-align: top }
  code { font: 8pt 'Martian Mono Variable', monospace; font-stretch: 75% } i { display: inline-block; width: 9mm; height: 3.6mm; vertical-align: -0.6mm; margin-right: 1.5mm; box-shadow: 0 0 0 0.1mm #bbb }
  td.other { font-weight: 600 } small { display: block; font-size: 8pt; font-weight: 400; color: #555 }
`;

/**
 * The match report as a document to be printed: the figure, what differs and why, colours that are no token's, then what is the same.
 * @param fonts `@font-face` rules, so that it looks the same everywhere
 * @param day when it was made, in words
 */
export function matchHtml(watched: WatchedRelease, fonts: string, day: string): string {
  const { brand, release, read } = watched;
  const { differing, same, unused, strays } = wholeTable(watched);
  const used = differing.length + same.length;
  const figure =
    differing.length === 0
      ? `All ${used} colours are identical on every screen`
      : `${same.length} of ${used} colours are identical on every screen`;
  const head = `<tr><th>Token</th>${read.map(({ screen }) => `<th>${escapeXml(screen.name)}</th>`).join('')}</tr>`;
  const table = (rows: readonly MatchRow[]) =>
    `<table><thead>${head}</thead><tbody>${rows.slice(0, MOST_ROWS).map(row).join('')}</tbody></table>${
      rows.length > MOST_ROWS ? `<p>${rows.length - MOST_ROWS} more stand in the CSV.</p>` : ''
    }`;
  const screens = read.map(({ screen: { name, held, edited, readAt }, readings }) => {
    const state = [
      readAt === null && readings.length === 0 ? 'not read' : `release ${readings[0]?.release ?? release}`,
      ...(held === null ? [] : ['held']),
      ...(edited.length > 0 ? ['edited by hand'] : []),
    ];
    return `${name} (${state.join(', ')})`;
  });
  const others = strays
    .slice(0, MOST_ROWS)
    .map(
      ({ screen, theme, found, where, state, nearest, distance, share }) =>
        `<tr><td>${patch(found)}</td><td>${escapeXml(screen.name)}</td><td>${escapeXml(theme)}</td><td>${escapeXml(where)}${
          state === 'rest' ? '' : `, ${state}`
        }</td><td>${(share * 100).toFixed(1)} %</td><td>${escapeXml(nearest)}, ΔE ${distance.toFixed(1)}</td></tr>`,
    );
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>${escapeXml(brand.name)}: match report</title><style>${fonts}${STYLE}</style>
<h1>${escapeXml(brand.name)}: ${figure}</h1>
<p>Release ${release}, ${brand.themes.map(({ name }) => escapeXml(name)).join(', ')}; ${escapeXml(day)}. Screens: ${escapeXml(screens.join(', '))}.</p>
${differing.length > 0 ? `<h2>Different</h2>${table(differing)}` : ''}
${
  others.length > 0
    ? `<h2>Colours that are no token’s</h2><table><thead><tr><th>Colour</th><th>Screen</th><th>Theme</th><th>Where</th><th>Share</th><th>Nearest token</th></tr></thead><tbody>${others.join('')}</tbody></table>`
    : ''
}
${same.length > 0 ? `<h2>The same on every screen</h2>${table(same)}` : ''}
${unused.length > 0 ? `<p>${unused.length === 1 ? 'One token is' : `${unused.length} tokens are`} on none of these screens.</p>` : ''}
</html>`;
}

function row({ path, wanted, cells }: MatchRow): string {
  const shown = cells.map((themed) => {
    const others = themed.filter((cell) => !cell.same);
    if (themed.length === 0) return '<td></td>';
    if (others.length === 0) return '<td>same</td>';
    const lines = others.map(
      ({ theme, wanted: right, found, distance, why }) =>
        `${patch(found)}<small>${escapeXml(theme)}: wanted <code>${right}</code>, ΔE ${distance.toFixed(1)}; ${why}</small>`,
    );
    return `<td class="other">${lines.join('')}</td>`;
  });
  return `<tr><td>${patch(wanted, path)}</td>${shown.join('')}</tr>`;
}

function patch(colour: string, words = colour): string {
  return `<i style="background:${escapeXml(colour)}"></i><code>${escapeXml(words)}</code>`;
}
