import { importsOf, isAddress, readWebPage } from './web-page';

const read = (parts: Parameters<typeof readWebPage>[0]['parts'], title = 'Harbour gallery') =>
  readWebPage({ address: 'https://gallery.example/prints/', title, parts, unseen: ['A picture was not looked at.'] });

test('each colour comes once, with how often and in which parts of the page it stands; what has a name keeps it', () => {
  const { palettes, entries, problems } = read([
    {
      name: 'site.css',
      text: ':root { --chalk: #f6f3ec }\np { color: #20363d; border: 1px solid #c49a48 }',
      isDeclarations: false,
    },
    { name: 'style attributes', text: 'border-color: rgb(196, 154, 72);\ncolor: #f6f3ec;', isDeclarations: true },
    { name: 'drawings', text: 'fill: #20363d;', isDeclarations: true },
  ]);
  expect(palettes).toEqual([{ name: 'Harbour gallery', kind: 'loose', about: { source: { file: 'gallery.example/prints/' } } }]);
  expect(entries.map(({ name, text, take, line }) => [name, text, take, line])).toEqual([
    ['chalk', '#f6f3ec', true, 1],
    ['#20363d', 'color in site.css, fill in drawings: #20363d, 2 times', true, 2],
    ['#c49a48', 'border in site.css, border-color in style attributes: #c49a48, 2 times', true, 2],
    // In an attribute nobody goes to a line.
    ['#f6f3ec', 'color in style attributes: #f6f3ec, once', false, 0],
  ]);
  expect(problems.map(({ message }) => message)).toEqual(['A picture was not looked at.']);
});

test('a page without a title is called by its host; one without colours says so', () => {
  const intake = read([{ name: 'site.css', text: 'p { margin: 0 }', isDeclarations: false }], ' ');
  expect(intake.palettes).toEqual([]);
  expect(intake.problems.at(-1)!.message).toBe('No colour stands in the styles of this page.');
  const part = { name: 'a', text: 'p { color: red }', isDeclarations: false };
  expect(read([part], '').palettes[0]!.name).toBe('gallery.example');
});

test('what is too long together is left out and named', () => {
  const long = `p { color: red }${' '.repeat(900_000)}`;
  const { entries, problems } = read([
    { name: 'one.css', text: long, isDeclarations: false },
    { name: 'two.css', text: long, isDeclarations: false },
  ]);
  expect(entries).toHaveLength(1);
  expect(problems.at(-1)!.message).toMatch(/^two\.css was not read/);
});

// CSS Cascading and Inheritance Level 4, section 2, "Importing Style Sheets".
test('imports are found in every notation, and not in comments', () => {
  const sheet = `@import "a.css"; /* @import "no.css"; */ @import url(b.css) print; @import url( "c.css" ) layer(x);@import url('d.css');`;
  expect(importsOf(sheet)).toEqual(['a.css', 'b.css', 'c.css', 'd.css']);
});

test.each([
  ['https://gallery.example', true],
  [' http://gallery.example/a?b#c\n', true],
  ['https://gallery.example #aabbcc', false],
  ['gallery.example', false],
  ['https://', false],
])('%p is an address: %p', (text, is) => expect(isAddress(text)).toBe(is));
