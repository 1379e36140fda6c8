import { readFileSync } from 'node:fs';
import { Brand, emptyBrand } from '../brand/document/document';
import { type Graft } from '../brand/document/graft-shape';
import { bindFileText, bindingsOf, readBindFile } from './bind-file';
import { readHost, type Host } from './host';
import { Proposer } from './propose';
import { rebind } from './rebind';
import { writeGraft } from './write-graft';

const brand = Brand.parse({
  ...emptyBrand('b', 'Few'),
  themes: [
    { id: 'day', name: 'Day' },
    { id: 'night', name: 'Night' },
  ],
  palettes: [
    {
      id: 'p',
      name: 'Core',
      kind: 'brand',
      swatches: [
        { id: 's1', name: 'Harbour', value: '#006871', locked: false },
        { id: 's2', name: 'Buoy', value: '#da452c', locked: false },
        { id: 's3', name: 'Lamp', value: '#f0bb3b', locked: false },
      ],
    },
  ],
  tokens: [
    {
      id: 't1',
      path: 'surface.page',
      role: 'surface',
      description: '',
      on: [],
      values: { day: { colour: '#ddf0ee' }, night: { colour: '#10181c' } },
    },
    { id: 't2', path: 'veil', role: 'other', description: '', on: [], values: { day: { colour: '#16263180' } } },
  ],
});
const bytesOf = (text: string) => new TextEncoder().encode(text);
const hostOf = (text: string, name = 'h.xml'): Host => {
  const host = readHost(name, bytesOf(text));
  if (typeof host === 'string') throw new Error(host);
  return host;
};
const graftOf = (more: Partial<Graft>, name = 'h.xml'): Graft => ({
  id: 'g',
  path: 'out/h.xml',
  host: { sha256: '0'.repeat(64), name, bytes: 1 },
  theme: 'day',
  bindings: {},
  banks: {},
  ...more,
});
const bind = (to: Graft['bindings'][string]['to'], theme?: string) => ({ to, was: '#000000', ...(theme && { theme }) });
const write = (text: string, more: Partial<Graft>, name?: string) => {
  const { bytes, findings } = writeGraft(brand, graftOf(more, name), bytesOf(text));
  return bytes ? new TextDecoder().decode(bytes) : findings.map(({ message }) => message);
};

const HOST = '<h>\n  <page fill="#DDDDDD"/>\n  <c v="#111"/>\n  <c v="#222"/>\n  <keep v="#333"/>\n</h>\n';

test('slots get the colours of swatches and of tokens, in the theme of the graft or in their own; others stay', () => {
  expect(
    write(HOST, {
      bindings: {
        '/h[1]/page[1]/@fill': bind({ token: 't1' }),
        '/h[1]/c[1]/@v': bind({ token: 't1' }, 'night'),
        '/h[1]/c[2]/@v': bind({ swatch: 's2' }),
      },
    }),
  ).toBe('<h>\n  <page fill="#DDF0EE"/>\n  <c v="#10181C"/>\n  <c v="#DA452C"/>\n  <keep v="#333"/>\n</h>\n');
  expect(write(HOST, {})).toBe(HOST);
});

test('a run takes a palette in order; it grows with it where that is wanted, and shrinks', () => {
  expect(write(HOST, { banks: { '/h[1]/c[*]/@v': { palette: 'p', resize: false } } })).toContain(
    '<c v="#006871"/>\n  <c v="#DA452C"/>\n  <keep',
  );
  expect(write(HOST, { banks: { '/h[1]/c[*]/@v': { palette: 'p', resize: true } } })).toContain(
    '<c v="#006871"/>\n  <c v="#DA452C"/>\n  <c v="#F0BB3B"/>\n  <keep',
  );
  const five = '{"ramp": ["#111111", "#222222", "#333333", "#444444", "#555555"]}';
  expect(write(five, { banks: { '/ramp[*]': { palette: 'p', resize: true } } }, 'h.json')).toBe(
    '{"ramp": ["#006871", "#da452c", "#f0bb3b"]}',
  );
  // A slot bound by itself has the last word, unless its entry goes.
  expect(
    write(
      five,
      {
        banks: { '/ramp[*]': { palette: 'p', resize: true } },
        bindings: { '/ramp[2]': bind({ token: 't1' }), '/ramp[5]': bind({ token: 't1' }) },
      },
      'h.json',
    ),
  ).toBe('{"ramp": ["#006871", "#ddf0ee", "#f0bb3b"]}');
});

test.each<[string, Partial<Graft>, string]>([
  [
    'a slot that is gone',
    { bindings: { '/h[1]/x[1]/@fill': bind({ swatch: 's1' }) } },
    'out/h.xml: the host has no colour at /h[1]/x[1]/@fill any more; bind it anew.',
  ],
  [
    'a token that is gone',
    { bindings: { '/h[1]/page[1]/@fill': bind({ token: 't9' }) } },
    'out/h.xml: what /h[1]/page[1]/@fill (line 2) was bound to has no colour, or is no longer there; bind it anew.',
  ],
  ['a theme that is gone', { theme: 'dusk' }, 'out/h.xml: the theme that it is for is no longer there; choose another.'],
  [
    'a palette that is gone',
    { banks: { '/h[1]/c[*]/@v': { palette: 'q', resize: false } } },
    'out/h.xml: the palette that /h[1]/c[*]/@v was bound to is no longer there; bind it anew.',
  ],
  [
    'a run that is gone',
    { banks: { '/h[1]/d[*]/@v': { palette: 'p', resize: false } } },
    'out/h.xml: the host has no bank of slots at /h[1]/d[*]/@v any more; bind it anew.',
  ],
])('%s stops it with a sentence', (_what, more, sentence) => {
  expect(write(HOST, more)).toEqual([sentence]);
});

test('an opacity that the notation cannot hold stops it, with its line', () => {
  expect(write('int sea = 0x112233;', { bindings: { '/sea': bind({ token: 't2' }) } }, 'h.c')).toEqual([
    'out/h.xml: line 1: 0x112233 (/sea) cannot become #162631 with an opacity of 50 % in its own notation; bind another colour, or change the notation in the host file.',
  ]);
  expect(write('a { color: #112233 }', { bindings: { '/a/color': bind({ token: 't2' }) } }, 'h.css')).toBe(
    'a { color: #16263180 }',
  );
});

test('proposals: the nearest first, alike in name before a little nearer, and none where nothing is near', () => {
  const proposer = new Proposer(brand, 'day');
  const { slots } = hostOf('<h><buoy fill="#d9442b"/><page fill="#dcefed"/><lamp fill="#888888"/></h>').found;
  expect(slots.map((slot) => [slot.label, proposer.forSlot(slot, 1).map(({ name }) => name)])).toEqual([
    ['fill', ['Core / Buoy']],
    ['fill', ['surface.page']],
    ['fill', []],
  ]);
  const named = hostOf('{"lamp": "#e0ab2b", "other": "#e0ab2b"}', 'h.json').found.slots;
  expect(named.map((slot) => proposer.forSlot(slot, 1)[0]!.likeness)).toEqual([1, 0]);
});

test('a newer host: bindings follow the name to another place, and what is lost and what is new is told', () => {
  const before = hostOf('<h><e key="sea" value="#111"/><e key="deck" value="#222"/><e key="gone" value="#333"/></h>').found;
  const after = hostOf('<h><e key="new" value="#999"/><e key="sea" value="#111"/><e key="deck" value="#444"/></h>').found;
  const bindings = Object.fromEntries(before.slots.map(({ key }, at) => [key, bind({ swatch: `s${at + 1}` })]));
  const banks = { '/h[1]/e[*]/@value': { palette: 'p', resize: false }, '/h[1]/f[*]/@value': { palette: 'p', resize: false } };
  const rebound = rebind({ bindings, banks }, before, after);
  expect(Object.entries(rebound.bindings).map(([key, { to, was }]) => [key, to, was])).toEqual([
    ['/h[1]/e[2]/@value', { swatch: 's1' }, '#111111'],
    ['/h[1]/e[3]/@value', { swatch: 's2' }, '#444444'],
  ]);
  expect(rebound.moved).toHaveLength(2);
  expect(rebound.lost).toEqual(['/h[1]/e[3]/@value', '/h[1]/f[*]/@value']);
  expect([rebound.added.map(({ key }) => key), Object.keys(rebound.banks)]).toEqual([
    ['/h[1]/e[1]/@value'],
    ['/h[1]/e[*]/@value'],
  ]);
});

test('bindings as a file, by names, there and back', () => {
  const graft = graftOf({
    bindings: { '/h[1]/page[1]/@fill': bind({ token: 't1' }, 'night'), '/h[1]/keep[1]/@v': bind({ swatch: 's2' }) },
    banks: { '/h[1]/c[*]/@v': { palette: 'p', resize: true } },
  });
  const read = readBindFile(bindFileText(brand, graft));
  const { found } = hostOf(HOST);
  expect(bindingsOf(brand, read as Exclude<typeof read, string>, found)).toEqual({
    theme: 'day',
    banks: graft.banks,
    bindings: {
      '/h[1]/page[1]/@fill': { ...graft.bindings['/h[1]/page[1]/@fill'], was: '#dddddd' },
      '/h[1]/keep[1]/@v': { ...graft.bindings['/h[1]/keep[1]/@v'], was: '#333333' },
    },
  });
});

test.each([
  ['{', 'a bind file is JSON, and this is none.'],
  ['{}', 'format: A bind file says "format": "breakwater-bindings".'],
  [{ bindings: [{ slot: 99, to: 'veil' }] }, 'there is no slot 99 in this host; it has 4.'],
  [{ bindings: [{ slot: '/x', to: 'veil' }] }, 'there is no slot /x in this host; it has 4.'],
  [{ bindings: [{ slot: 0, to: 'sail' }] }, '/h[1]/page[1]/@fill is bound to “sail”, and the brand has no such token or swatch.'],
  [
    { bindings: [{ slot: 0, to: 'veil', theme: 'Noon' }] },
    '/h[1]/page[1]/@fill is bound in “Noon”, and the brand has no such theme.',
  ],
  [{ bindings: [], theme: 'Noon' }, 'the brand has no theme “Noon”.'],
  [{ bindings: [], banks: [{ bank: '/h', palette: 'Core' }] }, 'there is no bank of slots /h in this host.'],
])('a bind file that cannot be used: %j', (file, sentence) => {
  const read = readBindFile(typeof file === 'string' ? file : JSON.stringify({ format: 'breakwater-bindings', ...file }));
  expect(typeof read === 'string' ? read : bindingsOf(brand, read, hostOf(HOST).found)).toBe(sentence);
});

test('the demo’s hosts: what is proposed is near, and writing them changes the bound literals and nothing else', () => {
  const parsed = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
  const proposer = new Proposer(parsed, parsed.themes[0]!.id);
  for (const name of ['berth-planner.xml', 'signage.json', 'console.ini']) {
    const bytes = readFileSync(`demo/hosts/${name}`);
    const host = readHost(name, bytes) as Host;
    const bindings = Object.fromEntries(
      host.found.slots.flatMap((slot) => {
        const sure = proposer.forSlot(slot, 1).find(({ deltaE }) => deltaE <= 1);
        return sure ? [[slot.key, { to: sure.to, was: slot.literal.colour.hex }]] : [];
      }),
    );
    expect(Object.keys(bindings).length).toBeGreaterThan(host.found.slots.length / 2);
    const { bytes: written } = writeGraft(parsed, { ...graftOf({ bindings }, name), theme: parsed.themes[0]!.id }, bytes);
    const [ours, theirs] = [host.source.text, new TextDecoder().decode(written!)].map((text) =>
      text.replace(/#[0-9a-f]{6}|0x[0-9a-f]{8}|\d+, \d+, \d+|0\.\d+,\s+0\.\d+,\s+0\.\d+|slategray/gi, '·'),
    );
    expect(theirs).toBe(ours);
  }
});
