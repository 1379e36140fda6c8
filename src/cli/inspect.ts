import { problemsOf } from '@/core/intake/reading';
import { load, readingOf } from './input';
import { patch, printable } from './patch';

export async function inspect(path: string, options: { as?: string; range?: string; json?: boolean }): Promise<void> {
  const reading = await readingOf(load(path), options.as, options.range);
  const problems = problemsOf(reading);
  if (options.json) {
    const palettes = reading.palettes.map(({ name, kind, swatches }) => ({
      name,
      kind,
      swatches: swatches.map(({ name: label, css, hex, alpha }) => ({ name: label, css, hex, alpha })),
    }));
    process.stdout.write(JSON.stringify({ format: reading.format, palettes, tokens: reading.tokens, problems }, null, 2) + '\n');
    return;
  }
  const lines: string[] = [];
  for (const palette of reading.palettes) {
    lines.push(`${printable(palette.name)} (${palette.kind}, ${palette.swatches.length})`);
    for (const { hex, alpha, name } of palette.swatches) {
      lines.push(`  ${patch(hex)}${hex}${alpha < 1 ? ` ${Math.round(alpha * 100)} %` : ''}  ${printable(name)}`);
    }
  }
  if (reading.tokens.length > 0) lines.push(`Tokens (${reading.tokens.length})`);
  for (const { hex, path: tokenPath, alias } of reading.tokens) {
    lines.push(`  ${patch(hex)}${hex}  ${printable(tokenPath)}${alias ? ` → ${printable(alias)}` : ''}`);
  }
  for (const problem of problems) {
    lines.push(`${problem.severity}, line ${problem.line}, column ${problem.column}: ${printable(problem.message)}`);
  }
  process.stdout.write(lines.join('\n') + '\n');
}
