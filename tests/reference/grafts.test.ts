/** Grafted files, read by parsers that are not ours: everything but the colours is what it was. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { parse as parseYaml } from 'yaml';
import { graftEdits, wantedColour } from '@/core/source/graft';
import { kindOfSource } from '@/core/source/scan';
import { slotsOf } from '@/core/source/slots';
import { SourceText } from '@/core/source/source-text';
import { hexColour } from '../arbitrary-colours';

const folder = mkdtempSync(join(tmpdir(), 'breakwater-grafts-'));

/** A document of anything, in which some members are colours. */
const colour = fc.oneof(
  hexColour,
  hexColour.map((hex) => hex.toUpperCase()),
  fc.constantFrom('#abc', '#ABCD', 'rgb(1, 2, 3)', 'hsl(186deg 59% 30%)'),
);
const word = fc.stringMatching(/^[a-z][a-z0-9-]{0,8}$/);
const other = fc.oneof(
  fc.integer(),
  fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e6, max: 1e6 }),
  fc.boolean(),
  fc.string({ maxLength: 20 }),
  fc.constantFrom('no. 7', '', 'a: b', '- x', 'Ω 海'),
);
const { tree } = fc.letrec((tie) => ({
  tree: fc.dictionary(word, fc.oneof({ depthSize: 'small' }, colour, other, tie('list'), tie('tree')), { maxKeys: 6 }),
  list: fc.array(fc.oneof({ depthSize: 'small' }, colour, other, tie('tree')), { maxLength: 5 }),
}));

/** The same with every text that looks like one of these colours made the same. */
const blank = (value: unknown): unknown =>
  typeof value === 'string'
    ? value.replace(/#(?:[0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{3,4})(?![\w-])|(?:rgb|hsl)\([^)]*\)/gi, '·')
    : Array.isArray(value)
      ? value.map(blank)
      : value !== null && typeof value === 'object'
        ? Object.fromEntries(Object.entries(value).map(([key, one]) => [key, blank(one)]))
        : value;

/** The file with every slot in another colour. */
function regrafted(name: string, text: string, hex: string): string {
  const source = SourceText.ofText(text);
  const { slots, problems } = slotsOf(source, kindOfSource(name, source), name);
  expect(problems).toEqual([]);
  const { edits, problems: refused } = graftEdits(
    source,
    slots.map((slot) => ({ slot, ...wantedColour(hex)! })),
  );
  expect(refused).toEqual([]);
  return new TextDecoder().decode(source.rewritten(edits));
}

const colourCount = (value: unknown): number =>
  typeof value === 'string'
    ? (value.match(/#(?:[0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{3,4})(?![\w-])|(?:rgb|hsl)\([^)]*\)/gi)?.length ?? 0)
    : value !== null && typeof value === 'object'
      ? Object.values(value).reduce<number>((sum, one) => sum + colourCount(one), 0)
      : 0;

test.each([
  ['a.json', (data: unknown) => JSON.stringify(data, null, 2), (text: string): unknown => JSON.parse(text)],
  ['a.json', (data: unknown) => JSON.stringify(data), (text: string): unknown => JSON.parse(text)],
  ['a.yaml', (data: unknown) => JSON.stringify(data, null, 2), (text: string): unknown => parseYaml(text)],
])('JSON and YAML of any shape (%s)', (name, write, read) => {
  fc.assert(
    fc.property(tree, hexColour, (data, hex) => {
      const text = write(data);
      expect(blank(read(regrafted(name, text, hex)))).toEqual(blank(read(text)));
    }),
    { numRuns: 150 },
  );
});

/** By Python's standard library: what a file says, as JSON. */
function readByPython(kind: 'xml' | 'toml' | 'ini', texts: readonly string[]): unknown[] {
  const paths = texts.map((text, at) => {
    const path = join(folder, `${at}.${kind}`);
    writeFileSync(path, text);
    return path;
  });
  const program = `
import json, sys, tomllib, configparser
import xml.etree.ElementTree as ET
def tree(e): return [e.tag, e.attrib, e.text, e.tail, [tree(c) for c in e]]
def ini(p):
    c = configparser.ConfigParser(interpolation=None); c.read(p, encoding='utf8'); return {s: dict(c[s]) for s in c.sections()}
read = {'xml': lambda p: tree(ET.parse(p).getroot()), 'toml': lambda p: tomllib.load(open(p, 'rb')), 'ini': ini}[sys.argv[1]]
print(json.dumps([read(p) for p in sys.argv[2:]]))`;
  return JSON.parse(execFileSync('python3', ['-c', program, kind, ...paths], { encoding: 'utf8' })) as unknown[];
}

const escaped = (text: string) =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);
const safe = other.map((value) => String(value).replace(/[^\x20-\x7e]/g, '?'));
const xml = fc
  .array(fc.record({ tag: word, fill: colour, text: safe, key: safe }), { minLength: 1, maxLength: 6 })
  .map(
    (all) =>
      `<a>\n${all.map(({ tag, fill, text, key }) => `  <${tag} fill="${fill}" key='${escaped(key)}'>${escaped(text)}<!-- ${fill} --></${tag}>`).join('\n')}\n</a>`,
  );
const toml = fc
  .array(fc.record({ key: word, fill: colour, text: safe }), { minLength: 1, maxLength: 6 })
  .map((all) =>
    all
      .map(
        ({ key, fill, text }, at) =>
          `[${key}-${at}]\nfill = "${fill}" # ${fill}\nnote = ${JSON.stringify(text)}\nramp = [\n  "${fill}",\n  '${fill}',\n]`,
      )
      .join('\n'),
  );
const ini = fc
  .array(fc.record({ key: word, fill: colour, text: safe }), { minLength: 1, maxLength: 6 })
  .map((all) => all.map(({ key, fill, text }, at) => `[${key}-${at}]\nfill = ${fill}\nnote = ${text.trim()}x`).join('\n'));

test.each([
  ['xml', xml, 1],
  ['toml', toml, 3],
  ['ini', ini, 1],
] as const)('%s', (kind, files, least) => {
  const texts = fc.sample(files, { numRuns: 60, seed: 20_261_201 });
  const after = readByPython(
    kind,
    texts.map((text) => regrafted(`a.${kind}`, text, '#1f6f78')),
  );
  const before = readByPython(kind, texts);
  expect(after.map(blank)).toEqual(before.map(blank));
  for (const [at, one] of after.entries()) {
    expect(colourCount(one)).toBe(colourCount(before[at]));
    expect(colourCount(one)).toBeGreaterThanOrEqual(least);
    expect(JSON.stringify(one)).not.toEqual(JSON.stringify(before[at]));
  }
});

test('the demo’s planner, with its byte order mark, its line ends and hundreds of settings', () => {
  const text = `\ufeff${readFileSync('demo/hosts/berth-planner.xml', 'utf8')}`;
  const written = regrafted('berth-planner.xml', text, '#123456');
  expect(written.match(/\r\n/g)).toHaveLength(text.match(/\r\n/g)!.length);
  const numbers = (file: string) => file.replace(/tint="\d+, \d+, \d+"/g, 'tint=""');
  expect(blank(readByPython('xml', [numbers(written)]))).toEqual(blank(readByPython('xml', [numbers(text)])));
});
