import { strToU8 } from 'fflate';

/** What careless and hostile people bring: what it is, a name, and its bytes. Each is answered at once, with at most a sentence. */
export const BAD_FILES: [what: string, name: string, bytes: Uint8Array][] = [
  ['empty', 'x.txt', new Uint8Array()],
  ['random bytes', 'x.ase', Uint8Array.from({ length: 500 }, (_, at) => (at * 7_919) % 251)],
  [
    'a bomb of entities',
    'x.svg',
    strToU8(
      `<!DOCTYPE x [<!ENTITY a "${'ha'.repeat(99)}"><!ENTITY b "&a;&a;&a;">]><svg><title>&b;</title><rect fill="#1f6f78"/></svg>`,
    ),
  ],
  [
    'an entity of another file',
    'x.soc',
    strToU8(
      '<!DOCTYPE x [<!ENTITY f SYSTEM "file:///etc/passwd">]><color-table><color name="&f;" color="#1f6f78"/></color-table>',
    ),
  ],
  [
    'a picture that claims too much',
    'x.png',
    strToU8('\x89PNG\r\n\x1a\n\0\0\0\rIHDR\0\0\xea\x60\0\0\xea\x60\x08\x06\0\0\0', true),
  ],
  ['a zip that is none', 'x.xlsx', strToU8('PK\u0003\u0004\0\0\0\0')],
  ['JSON a hundred thousand deep', 'x.json', strToU8('['.repeat(100_000) + '"#fff"' + ']'.repeat(100_000))],
  ['CSS a hundred thousand deep', 'x.css', strToU8('a{color:' + '('.repeat(100_000))],
  ['names with control characters', 'x.gpl', strToU8('GIMP Palette\n1 2 3\tbad\u0007\u001b[31mname')],

  ['five megabytes of digits and spaces', 'x.txt', strToU8('1 2 3 '.repeat(870_000))],
  ['five megabytes of short codes', 'x.hex', strToU8('fff\n'.repeat(1_300_000))],
  ['five megabytes of a text palette', 'x.gpl', strToU8('GIMP Palette\n' + '1 2 3\n'.repeat(800_000))],
  ['five megabytes of JSON', 'x.json', strToU8(JSON.stringify(Array.from({ length: 500_000 }, () => '#1f6f78')))],
  ['five megabytes of codes in a table', 'x.csv', strToU8('#123,#456\n'.repeat(500_000))],
  ['five megabytes of one bracket', 'x.css', strToU8('('.repeat(5_000_000))],
  [
    'an object of a hundred thousand keys',
    'x.json',
    strToU8(JSON.stringify(Object.fromEntries(Array.from({ length: 100_000 }, (_, at) => [`key${at}`, at])))),
  ],
  [
    'a table of a million figures',
    'x.csv',
    strToU8(
      Array.from({ length: 2_500 }, (_, row) => Array.from({ length: 200 }, (__, at) => row * 31.7 + at).join()).join('\n'),
    ),
  ],
];
