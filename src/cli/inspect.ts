import { palettesOf, problemsOf } from '@/core/intake/intake';
import { load, readFileAs } from './input';
import { patch, printable } from './patch';

export async function inspect(path: string, options: { as?: string; range?: string; json?: boolean }): Promise<void> {
  const intake = await readFileAs(load(path), options.as, options.range);
  const problems = problemsOf(intake);
  const palettes = palettesOf(intake);
  if (options.json) {
    const told = palettes.map(({ name, kind, taken, swatches }) => ({
      name,
      kind,
      taken,
      swatches: swatches.map(({ name: label, row, colour: { css, hex, alpha } }) => ({
        name: label,
        css,
        hex,
        alpha,
        ...(row !== undefined && { row }),
      })),
    }));
    const { format, tokens } = intake;
    const shown = problems.map(({ severity, line, column, message }) => ({ severity, line, column, message }));
    process.stdout.write(JSON.stringify({ format, palettes: told, tokens, problems: shown }, null, 2) + '\n');
    return;
  }
  const lines: string[] = [];
  for (const { name, kind, taken, swatches } of palettes) {
    lines.push(`${printable(name)} (${kind}, ${swatches.length}${taken ? '' : ', offered apart'})`);
    for (const { colour, name: label } of swatches) {
      const opacity = colour.alpha < 1 ? ` ${Math.round(colour.alpha * 100)} %` : '';
      lines.push(`  ${patch(colour.hex)}${colour.hex}${opacity}  ${printable(label)}`);
    }
  }
  if (intake.tokens.length > 0) lines.push(`Tokens (${intake.tokens.length})`);
  for (const { hex, path: tokenPath, alias } of intake.tokens) {
    lines.push(`  ${patch(hex)}${hex}  ${printable(tokenPath)}${alias ? ` → ${printable(alias)}` : ''}`);
  }
  for (const problem of problems) {
    lines.push(`${problem.severity}, line ${problem.line}, column ${problem.column}: ${printable(problem.message)}`);
  }
  process.stdout.write(lines.join('\n') + '\n');
}
