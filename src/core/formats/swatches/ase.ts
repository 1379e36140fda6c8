import { ByteReader, ByteWriter } from '../../base/bytes';
import { defineFormat, slug, type Doubt, type Problem, type ReadSwatch, type SourceFile } from '../kit/format';
import { fromCmyk, fromLab, fromUnit } from '../../intake/channel-values';
import { chosenPalettes, paletteOptions, plain } from './palette-files';
import { nameOfFile, problem, readingOf, readSwatch, tidyName } from '../../intake/reading';

const [COLOUR, GROUP, GROUP_END] = [0x0001, 0xc001, 0xc002];
/** More blocks than this are no palette. */
const MOST = 20_000;

/**
 * ASE, the swatch exchange file that drawing programs share. Big-endian: "ASEF", version, number of blocks; a block is
 * its kind, its length, and for a colour its name in UTF-16, a model of four letters and 32-bit floats. The layout is
 * common knowledge of the trade without an official publication.
 */
export const ase = defineFormat({
  id: 'ase',
  title: 'Swatch exchange (ASE)',
  family: 'swatches',
  extensions: ['.ase'],
  purpose: 'For drawing and layout programs: load the file as a swatch library; each palette is a group in it.',
  readBy: 'Drawing and layout programs',
  taken: 'import',
  options: paletteOptions,
  read({ name, bytes }: SourceFile) {
    const reader = new ByteReader(bytes);
    if (reader.latin(4) !== 'ASEF') return null;
    reader.u32();
    const promised = reader.u32();
    const problems: Problem[] = [];
    const loose: ReadSwatch[] = [];
    const palettes: { name: string; kind: 'loose'; swatches: ReadSwatch[] }[] = [
      { name: nameOfFile(name), kind: 'loose', swatches: loose },
    ];
    let current = loose;
    let block = 0;
    for (; block < Math.min(promised, MOST) && reader.left > 0; block++) {
      const kind = reader.u16();
      const end = reader.u32() + reader.at;
      if (reader.short || end > bytes.length) break;
      if (kind === GROUP) {
        current = [];
        palettes.push({ name: tidyName(reader.utf16(reader.u16())) || nameOfFile(name), kind: 'loose', swatches: current });
      } else if (kind === GROUP_END) current = loose;
      else if (kind === COLOUR) {
        const label = reader.utf16(reader.u16());
        const model = reader.latin(4);
        const colour = coloured(model, reader);
        if (!colour || reader.at > end) {
          problems.push(
            problem(`Swatch ${label || block + 1} is of a kind (${model.trim() || 'none'}) that is not known.`, block + 1),
          );
        } else current.push(readSwatch(colour.css, { name: label, line: block + 1, doubts: colour.doubts }));
      }
      reader.at = end;
    }
    if (block < promised) {
      const message = `The file ends after ${block} of ${promised} entries; what came before is here.`;
      problems.push(problem(message, block + 1));
    }
    return readingOf('ase', palettes, problems);
  },
  write(brand, _themes, { palette }) {
    const { palettes, problems } = chosenPalettes(brand, palette);
    const blocks = palettes.flatMap(({ name, swatches }) => [
      block(GROUP, named(name)),
      ...swatches.map((swatch) => {
        const { rgb } = plain(swatch);
        const body = named(swatch.name).latin('RGB ');
        for (const channel of rgb) body.f32(channel / 255);
        return block(COLOUR, body.u16(2));
      }),
      block(GROUP_END, new ByteWriter()),
    ]);
    const file = new ByteWriter().latin('ASEF').u16(1).u16(0).u32(blocks.length);
    for (const bytes of blocks) file.append(bytes);
    const path = `swatches/${slug(brand.name)}.ase`;
    return { files: palettes.length > 0 ? [{ path, mediaType: 'application/octet-stream', bytes: file.bytes() }] : [], problems };
  },
});

function coloured(model: string, reader: ByteReader): { css: string; doubts: readonly Doubt[] } | null {
  const take = (count: number) => Array.from({ length: count }, () => reader.f32());
  const usable = (values: number[]) => !reader.short && values.every((value) => Number.isFinite(value) && Math.abs(value) < 1e4);
  switch (model) {
    case 'RGB ': {
      const values = take(3);
      return usable(values) ? { css: fromUnit(values as [number, number, number]), doubts: [] } : null;
    }
    case 'CMYK': {
      const values = take(4);
      return usable(values) ? fromCmyk(...(values as [number, number, number, number])) : null;
    }
    case 'LAB ': {
      const [l, a, b] = take(3) as [number, number, number];
      return usable([l, a, b]) ? { css: fromLab(l * 100, a, b), doubts: [] } : null;
    }
    case 'Gray': {
      const [value] = take(1) as [number];
      return usable([value]) ? { css: fromUnit([value, value, value]), doubts: [] } : null;
    }
    default:
      return null;
  }
}

function named(name: string): ByteWriter {
  return new ByteWriter().u16(name.length + 1).utf16(name);
}

function block(kind: number, body: ByteWriter): Uint8Array {
  const bytes = body.bytes();
  return new ByteWriter().u16(kind).u32(bytes.length).append(bytes).bytes();
}
