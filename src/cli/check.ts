import { parseJson } from '@/core/base/json-text';
import type { Brand } from '@/core/brand/document/document';
import { brandWithCircles } from '@/core/brand/document/document';
import { resolveTheme, swatchesOf, tokensOf } from '@/core/brand/reading/resolve';
import { readColour } from '@/core/colour/read';
import { acceptanceOf } from '@/core/findings/accept';
import type { Finding, Severity } from '@/core/findings/finding';
import { findingsOf, mendOffered, ruleById, RULES, worstFirst } from '@/core/findings/rules';
import { tokensNarrowed, tokensWritten } from '@/core/formats/registry';
import { isBrandFile } from '@/core/intake/brand-file';
import { destinationFindings } from '@/core/release/problems';
import { brandOf } from './export';
import { fail } from './failure';
import { load } from './input';
import { patch, printable } from './patch';

export interface CheckOptions {
  theme?: string;
  failOn?: string;
  json?: boolean;
}

const SEVERITIES: readonly Severity[] = ['error', 'warning', 'note'];

/** Ends with 0 when nothing that nobody accepted is as bad as asked for or worse, with 1 when something is. */
export async function check(path: string, { theme, failOn = 'error', json = false }: CheckOptions): Promise<void> {
  if (!SEVERITIES.includes(failOn as Severity)) fail(`--fail-on is error, warning or note, and not ${failOn}.`);
  const brand = await brandAt(path);
  const only = theme === undefined ? null : brand.themes.find(({ name }) => name.toLowerCase() === theme.toLowerCase());
  if (only === undefined) fail(`${path} has no theme ${theme}; it has ${brand.themes.map(({ name }) => name).join(', ')}.`);
  const all = worstFirst([
    ...findingsOf(brand, RULES, { written: tokensWritten, narrow: tokensNarrowed }),
    ...destinationFindings(brand),
  ]);
  const found = only === null ? all : all.filter(({ subject }) => subject.theme === undefined || subject.theme === only.id);
  if (json) process.stdout.write(JSON.stringify({ findings: found.map((each) => inWords(brand, each)) }, null, 2) + '\n');
  else print(brand, found);
  const worst = SEVERITIES.slice(0, SEVERITIES.indexOf(failOn as Severity) + 1);
  if (found.some((each) => worst.includes(each.severity) && !acceptanceOf(brand, each))) process.exitCode = 1;
}

/** A brand file may have circles here: to say so is what a check is for. */
async function brandAt(path: string): Promise<Brand> {
  const text = new TextDecoder().decode(load(path).bytes);
  if (!isBrandFile(text)) return brandOf(path);
  let data: unknown = null;
  try {
    data = parseJson(text);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
  }
  return brandWithCircles(data) ?? brandOf(path);
}

/** A finding with names instead of ids. */
function inWords(brand: Brand, each: Finding) {
  const { rule, severity, message, subject, data } = each;
  const accepted = acceptanceOf(brand, each);
  const tokens = tokensOf(brand);
  const places = (subject.swatches ?? []).flatMap((id) => swatchesOf(brand).get(id) ?? []);
  const number = (value: string | number | undefined) => (typeof value === 'number' ? value : null);
  return {
    kind: rule,
    severity,
    theme: brand.themes.find(({ id }) => id === subject.theme)?.name ?? null,
    message,
    tokens: (subject.tokens ?? []).flatMap((id) => tokens.get(id)?.path ?? []),
    palette: brand.palettes.find(({ id }) => id === subject.palette)?.name ?? places[0]?.palette.name ?? null,
    swatches: places.map(({ swatch }) => swatch.name),
    value: number(data.value),
    limit: number(data.limit),
    mend: mendOffered(each) !== null,
    accepted: accepted !== null,
    ...(accepted && { reason: accepted.reason }),
  };
}

function print(brand: Brand, found: readonly Finding[]): void {
  const open = found.filter((each) => !acceptanceOf(brand, each));
  const counts = SEVERITIES.map((severity) => [severity, open.filter((each) => each.severity === severity).length] as const);
  for (const severity of SEVERITIES) {
    for (const rule of new Set(open.filter((each) => each.severity === severity).map((each) => each.rule))) {
      const list = open.filter((each) => each.severity === severity && each.rule === rule);
      process.stdout.write(`\n${severity}: ${ruleById(rule)?.title ?? 'In a destination'} (${list.length})\n`);
      for (const each of list)
        process.stdout.write(`  ${coloursOf(brand, each).map(patch).join('')}${printable(each.message)}\n`);
    }
  }
  const words = counts.map(([severity, count]) => `${count} ${severity}${count === 1 ? '' : 's'}`).join(', ');
  const accepted = found.length - open.length;
  process.stdout.write(`\n${printable(brand.name)}: ${words}${accepted > 0 ? `; ${accepted} accepted` : ''}.\n`);
}

/** The colours that a finding is about, in its theme or else the first. */
function coloursOf(brand: Brand, { subject }: Finding): string[] {
  const resolved = resolveTheme(brand, subject.theme ?? brand.themes[0]!.id);
  return [
    ...(subject.tokens ?? []).flatMap((id) => resolved.get(id)?.colour?.hex ?? []),
    ...(subject.swatches ?? []).flatMap((id) => {
      const place = swatchesOf(brand).get(id);
      return place ? readColour(place.swatch.value)!.hex : [];
    }),
  ];
}
