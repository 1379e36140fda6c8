import { ASE } from '../../base/swatch-layouts';
import { ByteReader } from '../../base/bytes';
import { fromLab, fromUnit } from '../../colour/channel-values';
import { problem, type Problem } from '../../source/problem';
import type { Reader } from '../reader';
import { ENTRY_LIMIT, nameOfFile, intakeOf, stopped, taken, tidyName, type EntryParts } from '../intake';
import { inked, sure, type Coloured } from './coloured';

/** See `ASE`. */
export const ase: Reader = {
  id: 'ase',
  title: ASE.title,
  family: 'swatches',
  extensions: [ASE.extension],
  purpose: 'Each group of the library is a palette.',
  read({ name, bytes }) {
    const reader = new ByteReader(bytes);
    if (reader.latin(4) !== ASE.magic) return null;
    reader.u32();
    const promised = reader.u32();
    const problems: Problem[] = [];
    const palette = (title: string) => ({ name: title, kind: 'loose' as const, entries: [] as EntryParts[] });
    const loose = palette(nameOfFile(name));
    const palettes = [loose];
    let current = loose;
    let block = 0;
    let colours = 0;
    let beyond = 0;
    // The number in the header may be wrong; what is there is there.
    for (; reader.left >= 6; block++) {
      const from = reader.at;
      const kind = reader.u16();
      const end = reader.u32() + reader.at;
      if (end > bytes.length) break;
      if (kind === ASE.blocks.group) {
        current = palette(tidyName(reader.utf16(reader.u16())) || nameOfFile(name));
        palettes.push(current);
      } else if (kind === ASE.blocks.groupEnd) current = loose;
      else if (kind === ASE.blocks.colour && ++colours > ENTRY_LIMIT) beyond++;
      else if (kind === ASE.blocks.colour) {
        const label = reader.utf16(reader.u16());
        const model = reader.latin(4);
        const found = reader.at <= end ? coloured(model, reader) : null;
        const place = { line: block + 1, column: 0 };
        if (found && reader.at <= end) {
          current.entries.push(taken(found.colour, { ...place, name: label, doubts: found.doubts, span: { from, to: end } }));
        } else {
          const what = `Swatch ${tidyName(label) || block + 1} is of a kind (${tidyName(model) || 'none'}) that is not known.`;
          problems.push(problem(what, place, 'error', 1));
        }
      }
      reader.at = end;
    }
    const here = { line: block + 1, column: 1 };
    if (beyond > 0) problems.push(stopped(beyond, here));
    if (block < promised) {
      const message = `The file ends after ${block} of ${promised} entries; what came before is here.`;
      problems.push(problem(message, here));
    } else if (block > promised) {
      const message = `The file says that it has ${promised} entries, and it has ${block}; all are here.`;
      problems.push(problem(message, here, 'warning'));
    }
    return intakeOf('ase', palettes, problems);
  },
};

function coloured(model: string, reader: ByteReader): Coloured | null {
  const take = (count: number) => Array.from({ length: count }, () => reader.f32());
  const usable = (values: number[]) => !reader.short && values.every((value) => Number.isFinite(value) && Math.abs(value) < 1e4);
  switch (model) {
    case ASE.models.rgb: {
      const values = take(3);
      return usable(values) ? sure(fromUnit(values as [number, number, number])) : null;
    }
    case ASE.models.cmyk: {
      const values = take(4);
      return usable(values) ? inked(...(values as [number, number, number, number])) : null;
    }
    case ASE.models.lab: {
      const [l, a, b] = take(3) as [number, number, number];
      return usable([l, a, b]) ? sure(fromLab(l * 100, a, b)) : null;
    }
    case ASE.models.grey: {
      const [value] = take(1) as [number];
      return usable([value]) ? sure(fromUnit([value, value, value])) : null;
    }
    default:
      return null;
  }
}
