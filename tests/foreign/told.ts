import { hexCode } from '@/core/colour/read';
import { readFile } from '@/core/intake/readers';
import type { Entry, Intake } from '@/core/intake/intake';
import { decodePng } from '../decode-png';

/** A foreign file read, as one line for each entry: where, name, colour, row, and what is doubtful. */
export async function told(name: string, content: string | Uint8Array): Promise<string[]> {
  return lines((await reading(name, content))!);
}

export async function reading(name: string, content: string | Uint8Array): Promise<Intake | null> {
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  return readFile({ name, bytes }, { decode: decodePng });
}

export function lines({ entries, palettes }: Intake): string[] {
  const several = palettes.length > 1;
  return entries.map((entry) => {
    const group = several && entry.palette !== null ? `${palettes[entry.palette]!.name}/` : '';
    return `${entry.line} ${group}${line(entry)}`;
  });
}

function line({ name, colour, row, doubts, take }: Entry): string {
  const code = colour ? colour.hex + (colour.alpha < 1 ? ` ${Math.round(colour.alpha * 100)}%` : '') : '–';
  const given = colour && name === hexCode(colour.hex, colour.alpha) ? '' : name;
  const said = doubts.map(({ kind }) => kind).join(', ');
  return [given, code, row && `in ${row}`, !take && 'left', said].filter(Boolean).join(' | ');
}
