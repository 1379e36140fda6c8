/** What it costs to look through a large brand for what is wrong with it, and to show a picture with other eyes. */
import { apply } from '@/core/brand/commands/apply';
import type { Step } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import { byte } from '@/core/colour/read';
import { seenAs } from '@/core/colour/vision';
import { Finder } from '@/core/findings/rules';
import { tokensNarrowed, tokensWritten } from '@/core/formats/registry';
import { seenPicture } from '@/core/image/seen-picture';
import { photograph } from '../tests/photograph';
import { atLeast, atMost } from './bench-aims';
import { largeBrand } from './large-brand';

function median(times: readonly number[]): number {
  return [...times].sort((one, two) => one - two)[times.length >> 1]!;
}

function timed<T>(work: () => T): { result: T; ms: number } {
  const started = performance.now();
  const result = work();
  return { result, ms: performance.now() - started };
}

// First, as in a worker of its own.
const picture = photograph(1_280, 800);
const seen: string[] = [];
for (const vision of ['protan', 'deutan', 'tritan', 'achromat'] as const) {
  const fast = median(Array.from({ length: 31 }, () => timed(() => seenPicture(picture, vision, 1)).ms));
  const plain = timed(() => {
    const data = new Uint8ClampedArray(picture.data);
    for (let at = 0; at < data.length; at += 4) {
      const [r, g, b] = seenAs([data[at]! / 255, data[at + 1]! / 255, data[at + 2]! / 255], vision);
      data.set([byte(r), byte(g), byte(b)], at);
    }
    return data;
  });
  const same = seenPicture(picture, vision, 1).data.every((value, at) => value === plain.result[at]);
  if (!same) throw new Error(`${vision}: not the same pixels as by the plain formula.`);
  seen.push(`| ${vision} | ${fast.toFixed(1)} ms | ${Math.round(plain.ms)} ms | ${(plain.ms / fast).toFixed(0)} times |`);
  atMost(25, 'ms', `a picture of 1280 x 800 as ${vision} sees it`, fast);
  atLeast(5, 'times', `the same for ${vision}, faster than the plain formula`, plain.ms / fast);
}
process.stdout.write(
  [
    '| a picture of 1280 x 800 | Breakwater | plain formula, same pixels | faster |',
    '| --- | --- | --- | --- |',
    ...seen,
    '',
  ].join('\n'),
);

const large = largeBrand();
/** As many tokens, but a fifth are texts, a fiftieth surfaces and a tenth data: every text is set on a hundred surfaces. */
const heavy: Brand = {
  ...large,
  tokens: large.tokens.map((token, at) => {
    const place = at % 10;
    const role = place === 1 || place === 2 ? 'text' : at % 50 === 5 ? 'surface' : place === 6 ? 'data' : token.role;
    return token.rule ? token : { ...token, role };
  }),
};

const rows: string[] = [];
for (const [name, brand] of [
  ['5,000 tokens, 4 themes', large],
  ['the same with 1,000 texts on 100 surfaces', heavy],
] as const) {
  const finder = new Finder({ written: tokensWritten, narrow: tokensNarrowed });
  const first = timed(() => finder.find(brand));
  let now: Brand = brand;
  const after = (steps: (n: number) => Step) =>
    Array.from({ length: 40 }, (_, n) => {
      const result = apply(now, { label: 'Edit', steps: [steps(n)] });
      if (!result.ok) throw new Error(result.refusal);
      now = result.brand;
      return timed(() => finder.find(now)).ms;
    }).slice(20);
  const sea = brand.palettes.find(({ kind }) => kind === 'sequential')!;
  const swatch = median(
    after((n) => ({
      do: 'swatch.edit',
      id: sea.swatches[n % sea.swatches.length]!.id,
      set: { value: `#${(0x224466 + n * 4_321).toString(16)}` },
    })),
  );
  const token = median(
    after((n) => ({ do: 'token.set', id: brand.tokens[17 + n * 30]!.id, set: { day: { colour: `#33${40 + n}55` } } })),
  );
  rows.push(`| ${name} | ${Math.round(first.ms)} ms | ${swatch.toFixed(1)} ms | ${token.toFixed(1)} ms |`);
  if (brand === large) {
    atMost(400, 'ms', 'findings of 5,000 tokens in 4 themes', first.ms);
    atMost(30, 'ms', 'findings of 5,000 tokens after an edit of a swatch: median', swatch);
    atMost(30, 'ms', 'findings of 5,000 tokens after an edit of a token: median', token);
  }
}
process.stdout.write(
  ['', '| findings of | first | after an edit of a swatch | of a token |', '| --- | --- | --- | --- |', ...rows, '', ''].join(
    '\n',
  ),
);
