import type { Palette } from './palette-shape';
import { PaletteFile, paletteFileName, serialisePalette } from './palette-file';

test('a palette is handed on without ids and notes of settling, and the same one is the same bytes', () => {
  const palette: Palette = {
    id: 'p',
    name: 'Late boats',
    kind: 'categorical',
    swatches: [
      { id: 'a', name: 'Keel', value: '#162631', locked: true, row: 'Dark' },
      { id: 'b', name: 'Foam', value: '#ddf0ee', locked: false, settled: { from: '#123', to: '#456' } },
    ],
  };
  const text = serialisePalette(palette, ' Ida ');
  expect(JSON.parse(text)).toEqual({
    format: 'breakwater-palette',
    version: 2,
    name: 'Late boats',
    kind: 'categorical',
    maker: { name: 'Ida' },
    swatches: [
      { name: 'Keel', value: '#162631', locked: true, row: 'Dark' },
      { name: 'Foam', value: '#ddf0ee', locked: false },
    ],
  });
  expect([text.endsWith('}\n'), text.includes('\n  "version": 2,'), paletteFileName(palette)]).toEqual([
    true,
    true,
    'late-boats.palette.json',
  ]);
  const accepts = (change: object) => PaletteFile.safeParse({ ...(JSON.parse(text) as object), ...change }).success;
  expect([
    accepts({}),
    accepts({ version: 3 }),
    accepts({ format: 'x' }),
    accepts({ more: 1 }),
    accepts({ maker: { name: 'x'.repeat(121) } }),
  ]).toEqual([true, false, false, false, false]);
});
