/** What a source says when it is damaged, deeper or larger than anything anybody wrote: what, where, and no further. */
import { crc32, deflateRawSync } from 'node:zlib';
import { zipFile } from '../../../tests/zip-file';
import { scanCss } from './css';
import { memberOf, membersOf, readJson, scanJson } from './json';
import { pathText } from './occurrence';
import { SourceText } from './source-text';
import { isZip, unpack, unpackParts } from './zip';
import { walkXml } from './xml';
import { XmlStream } from './xml-stream';

const source = (text: string) => SourceText.ofText(text);
const bytes = (text: string) => new TextEncoder().encode(text);

describe('JSON', () => {
  const nested = (levels: number) => '['.repeat(levels) + ']'.repeat(levels);

  test('200 levels are read, 201 are not, and neither brackets that are closed nor those of texts count', () => {
    expect(readJson(source(nested(200)))).toMatchObject({ root: { type: 'array' }, problems: [] });
    expect(readJson(source(`\n ${nested(201)}`))).toEqual({
      root: null,
      problems: [
        {
          severity: 'error',
          line: 2,
          column: 202,
          message: 'This JSON is nested more than 200 levels deep; no settings file is, so it was not read.',
        },
      ],
    });
    expect(readJson(source(`{"a": ${nested(199)}, "b": ${nested(199)}, "c": "${'['.repeat(300)}"}`)).problems).toEqual([]);
    expect(readJson(source(`${'{"a":'.repeat(201)}1${'}'.repeat(201)}`)).root).toBeNull();
  });

  test('what came before a fault is read, and the fault told where it is, three times at most', () => {
    const { root, problems } = readJson(source('{"a": 1,\n "b": nope, "c": nope, "d": nope, "e": nope'));
    expect(membersOf(root!)[0]).toMatchObject({ key: 'a', offset: 1, value: { value: 1 } });
    expect(problems).toHaveLength(3);
    expect(problems[0]).toEqual({
      severity: 'error',
      line: 2,
      column: 7,
      message: 'This JSON is damaged here (InvalidSymbol); what came before is read.',
    });
    expect(readJson(source('')).root).toBeNull();
    expect(readJson(source('{"a": 1,} // trailing')).problems).toEqual([]);
  });

  test('of two members of one name the first counts; what is no object has none', () => {
    const { root } = readJson(source('{"a": 1, "a": 2, "b": [3]}'));
    expect([memberOf(root!, 'a')!.value, membersOf(root!).map(({ key }) => key)]).toEqual([1, ['a', 'a', 'b']]);
    expect(membersOf(memberOf(root!, 'b')!)).toEqual([]);
  });

  test.each([
    ['"tint": [0, 0.5, 1]', ['0, 0.5, 1 #0080ff']],
    ['"tint": [0, 128, 255]', ['0, 128, 255 #0080ff']],
    ['"tint": [1, 1, 1, 0.5]', ['1, 1, 1, 0.5 #ffffff']],
    ['"tint": [2, 0.5, 1]', []],
    ['"tint": [0, -1, 1]', []],
    ['"tint": [0, 128, 256]', []],
    ['"tint": [0, 128, -1]', []],
    ['"tint": []', []],
    ['"tint": [0, 1]', []],
    ['"tint": [0, 1, 0, 1, 0]', []],
    ['"tint": [0, 1, "x"]', []],
    ['"tint": ["tan", "x #123456"]', ['tan #d2b48c', '#123456 #123456']],
  ])('a list of numbers is a colour or none: %s', (member, expected) => {
    const text = source(`{${member}}`);
    expect(scanJson(text).occurrences.map(({ span, literal }) => `${text.textOf(span)} ${literal.colour.hex}`)).toEqual(expected);
  });
});

describe('style sheets', () => {
  test('200 levels are read, 201 are not, told where the sheet begins', () => {
    const deep = (levels: number) => `a{color:${'('.repeat(levels - 1)}#fff${')'.repeat(levels - 1)}}`;
    expect(scanCss(source(deep(200))).problems).toEqual([]);
    const text = `xx\nxx${deep(201)}`;
    expect(scanCss(source(text), { from: 5, to: text.length })).toEqual({
      occurrences: [],
      problems: [
        {
          severity: 'error',
          line: 2,
          column: 3,
          message: 'This style sheet is nested more than 200 levels deep, so it was not read.',
        },
      ],
    });
    for (const [open, close] of ['()', '{}', '[]'])
      expect(scanCss(source(`a{--x:${open!.repeat(200)}${close!.repeat(200)}}`)).problems).toHaveLength(1);
    expect(scanCss(source('(a){[b]}'.repeat(300))).problems.map(({ message }) => message)).not.toContain(
      'This style sheet is nested more than 200 levels deep, so it was not read.',
    );
    expect(scanCss(source(`${')'.repeat(300)}${'('.repeat(200)}`)).problems).toEqual([]);
  });

  test('faults are warnings at their places, twenty at most, and the rest is read', () => {
    const { problems, occurrences } = scanCss(source(`a { color #fff; }\n${'b { color: }\n'.repeat(30)}c { color: #abc }`));
    expect(problems[0]).toMatchObject({ severity: 'warning', line: 1, message: expect.stringMatching(/^This is no CSS: .+\.$/) });
    expect(problems.length).toBeLessThanOrEqual(20);
    expect(occurrences.map(({ literal }) => literal.text)).toContain('#abc');
  });

  test('a part of a source is read by itself, with places of the whole; a custom property is whole or not', () => {
    const text = '<a style=" --x:  #123456 ; --y: 1px #fff; --z: red; color: currentColor; fill: TRANSPARENT; stroke: red8 ">';
    const from = text.indexOf('"') + 1;
    const found = scanCss(source(text), { from, to: text.lastIndexOf('"') }, 'declarationList').occurrences;
    expect(found.map(({ span, path, whole, aside }) => [text.slice(span.from, span.to), pathText(path), whole, aside])).toEqual([
      ['#123456', '--x', true, null],
      ['#fff', '--y', false, null],
      ['red', '--z', true, null],
    ]);
  });
});

describe('XML', () => {
  test('a thousand levels are walked, and no element of a level more', () => {
    const names = (levels: number) => {
      let count = 0;
      const fault = walkXml(source(`${'<a>'.repeat(levels)}${'</a>'.repeat(levels)}`), { element: () => void count++ });
      return [count, fault?.message ?? null];
    };
    expect(names(1_000)).toEqual([1_000, null]);
    expect(names(1_001)).toEqual([1_000, 'This XML is nested more than 1000 levels deep, so it was not read further.']);
  });

  test('a fault ends the walk and is told where it is, without the parser’s own count', () => {
    const seen: string[] = [];
    const handlers = {
      element: ({ name, within, at }: { name: string; within: readonly string[]; at: number }) =>
        seen.push(`<${[...within, name].join('/')} ${at}`),
      end: (name: string, within: readonly string[]) => seen.push(`>${[...within, name].join('/')}`),
      text: ({ value }: { value: string }) => seen.push(value),
    };
    const fault = walkXml(source('<x:a xmlns:x="u">\n<b/>t<c></b><d/></x:a>'), handlers);
    expect(fault).toEqual({ severity: 'error', line: 2, column: 13, message: 'This is not whole XML: unexpected close tag.' });
    // Two faults: the first is told.
    expect(walkXml(source('<a></b></c>'), {})?.column).toBe(8);
    expect(seen).toEqual(['<a 0', '\n', '<a/b 18', '>a/b', 't', '<a/c 23', '>a/c']);
    expect(walkXml(source('<a>'), {})?.message).toBe('This is not whole XML: unclosed tag: a');
    // An entity of the document's own is not expanded: it is a fault.
    expect(walkXml(source('<!DOCTYPE a [<!ENTITY e "x">]><a>&e;</a>'), {})?.message).toMatch(/entity/);
  });

  test('texts stand where they stand: behind markup of every kind, in CDATA, in comments', () => {
    const text =
      '<?xml version="1.0"?><!DOCTYPE a><a b=\'1\' x:c="2 &lt;">one<!-- two -->three<?p q?>four<![CDATA[five]]>six</a>';
    const places: string[] = [];
    const take = (kind: string) => (found: { value: string; span: { from: number; to: number } }) => {
      places.push(`${kind} ${found.value}: ${text.slice(found.span.from, found.span.to)}`);
    };
    expect(
      walkXml(source(text), {
        element: ({ attributes }) => attributes.forEach((value, name) => take(`@${name}`)(value)),
        text: take('text'),
        comment: take('comment'),
      }),
    ).toBeNull();
    expect(places).toEqual([
      '@b 1: 1',
      '@c 2 <: 2 &lt;',
      'text one: one',
      'comment  two :  two ',
      'text three: three',
      'text four: four',
      'text five: five',
      'text six: six',
    ]);
  });

  test('in pieces: names without prefixes, texts and CDATA, in each encoding, and nothing after a fault', () => {
    const walked = (pieces: readonly Uint8Array[]) => {
      const seen: string[] = [];
      const stream = new XmlStream({
        open: (name, attribute) => seen.push(`<${name} ${attribute('k')}`),
        close: (name) => seen.push(`>${name}`),
        text: (text) => seen.push(text),
      });
      pieces.forEach((piece, at) => stream.write(piece, at === pieces.length - 1));
      return [seen.join('|'), stream.fault];
    };
    const text = '<x:a xmlns:x="u" k="é">b<![CDATA[c]]></x:a>';
    const wide = (swap: boolean) => {
      const buffer = Buffer.from(`\ufeff${text}`, 'utf16le');
      return Uint8Array.from(swap ? buffer.swap16() : buffer);
    };
    // Cut within a character of two bytes.
    const cut = text.indexOf('é') + 1;
    for (const pieces of [[bytes(text)], [bytes(text).subarray(0, cut), bytes(text).subarray(cut)], [wide(false)], [wide(true)]])
      expect(walked(pieces)).toEqual(['<a é|b|c|>a', null]);
    const [seen, fault] = walked([bytes('<a><b></a>'), bytes('<c/>')]);
    expect([seen, fault]).toEqual(['<a undefined|<b undefined|>b', expect.stringContaining('unexpected close tag')]);
    expect(walked([bytes('<a>')])[1]).toContain('unclosed tag');
  });
});

describe('zips', () => {
  const zip = zipFile({ 'a.txt': bytes('one'), 'b.txt': bytes('two'), 'large.bin': new Uint8Array(100_000) });
  const parts = (data: Uint8Array, most: number, wanted = (path: string) => path !== 'large.bin') => {
    const { parts: found, ending } = unpackParts(data, wanted, most);
    return [Object.fromEntries([...found].map(([path, content]) => [path, new TextDecoder().decode(content)])), ending];
  };

  test('give the parts that are wanted and count only those, byte by byte', () => {
    expect(parts(zip, 6)).toEqual([{ 'a.txt': 'one', 'b.txt': 'two' }, 'whole']);
    expect(parts(zip, 5)).toEqual([{ 'a.txt': 'one' }, 'large']);
    expect(parts(zip, 0, (path) => path === 'none')).toEqual([{}, 'whole']);
    expect(unpackParts(zip, (path) => path === 'large.bin', 100_000).parts.get('large.bin')).toHaveLength(100_000);
    expect(unpackParts(zip, () => true, 100_005).ending).toBe('large');
  });

  test('that end too early or hold no deflated bytes are damaged', () => {
    expect(parts(zip.subarray(0, 38), 100)[1]).toBe('damaged');
    const spoilt = Uint8Array.from(zip);
    spoilt.fill(0xff, 35, 40);
    expect(parts(spoilt, 100)[1]).toBe('damaged');
    expect(unpack(bytes('PK\u0003\u0004'), () => null, 10)).toBe('whole');
  });

  test('of two parts of one name the first counts', () => {
    const member = (text: string) => {
      const packed = deflateRawSync(bytes(text));
      const header = Buffer.alloc(30);
      header.writeUInt32LE(0x04034b50, 0);
      header.writeUInt16LE(20, 4);
      header.writeUInt16LE(8, 8);
      header.writeUInt32LE(crc32(bytes(text)), 14);
      header.writeUInt32LE(packed.length, 18);
      header.writeUInt32LE(text.length, 22);
      header.writeUInt16LE(1, 26);
      return Buffer.concat([header, Buffer.from('a'), packed]);
    };
    expect(parts(Uint8Array.from(Buffer.concat([member('first'), member('second')])), 100)).toEqual([{ a: 'first' }, 'whole']);
  });

  test('are told by their first four bytes', () => {
    expect([isZip(zip), isZip(bytes('PK\u0003')), isZip(bytes('PK\u0005\u0006')), isZip(bytes('xK\u0003\u0004'))]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });
});
