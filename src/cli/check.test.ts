import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { breakwater } from '../../tests/command-line';
import type { Brand } from '../core/brand/document/document';
import { accept } from '../core/findings/accept';
import { contrastText } from '../core/findings/contrast-text';
import { mendOf } from '../core/findings/rules';
import { apply } from '../core/brand/commands/apply';

const DEMO = 'demo/quillhaven.breakwater.json';
const folder = mkdtempSync(join(tmpdir(), 'breakwater-check-'));
const demo = JSON.parse(readFileSync(DEMO, 'utf8')) as Brand;
const written = (name: string, brand: unknown) => {
  const path = join(folder, name);
  writeFileSync(path, typeof brand === 'string' ? brand : JSON.stringify(brand));
  return path;
};

interface Told {
  readonly kind: string;
  readonly severity: string;
  readonly theme: string | null;
  readonly tokens: string[];
  readonly palette: string | null;
  readonly swatches: string[];
  readonly value: number | null;
  readonly limit: number | null;
  readonly mend: boolean;
  readonly accepted: boolean;
  readonly reason?: string;
}
const check = async (...args: string[]) => {
  const { status, stdout } = await breakwater('check', ...args, '--json');
  return { status, findings: (JSON.parse(stdout) as { findings: Told[] }).findings };
};

test('what is found is told by names and numbers, the worst first, and ends with 1', async () => {
  const { status, findings } = await check(DEMO);
  expect([status, findings[0]]).toEqual([
    1,
    {
      kind: 'contrast-text',
      severity: 'error',
      theme: 'Night bridge',
      message: 'text.soft on surface.panel in Night bridge has a contrast of 2.96 to 1, and text wants 4.5.',
      tokens: ['text.soft', 'surface.panel'],
      palette: null,
      swatches: [],
      value: 2.96,
      limit: 4.5,
      mend: true,
      accepted: false,
    },
  ]);
  const order = ['error', 'warning', 'note'];
  const ranks = findings.map(({ severity }) => order.indexOf(severity));
  expect(ranks).toEqual([...ranks].sort());
  expect(findings.find(({ kind, palette }) => kind === 'alike-vision' && palette === 'Route lines')).toMatchObject({
    swatches: ['North Skerry', 'Outer Bank'],
    limit: 5.5,
    mend: true,
  });
});

test('accepted with a reason, or mended, it no longer ends with 1; --fail-on says from where on', async () => {
  let brand = demo;
  const errors = contrastText.find(brand, {});
  const run = (command: Parameters<typeof apply>[1]) => {
    const result = apply(brand, command);
    if (!result.ok) throw new Error(result.refusal);
    brand = result.brand;
  };
  run(accept(brand, errors[0]!, 'Only ever set large.', 'accepted-1'));
  run(mendOf(brand, errors.slice(1), 'Mend')!);
  const path = written('fine.breakwater.json', brand);
  const { status, findings } = await check(path);
  expect([status, findings.filter(({ severity }) => severity === 'error')]).toEqual([0, []]);
  expect((await check(path, '--fail-on', 'warning')).status).toBe(1);
  // Accepted and not mended, it stays on record.
  const kept = apply(demo, accept(demo, errors[0]!, 'Only ever set large.', 'accepted-1'));
  const only = await check(written('kept.breakwater.json', kept.ok && kept.brand), '--theme', 'night BRIDGE');
  expect(only.findings[0]).toMatchObject({ accepted: true, reason: 'Only ever set large.', theme: 'Night bridge' });
  expect(new Set(only.findings.map(({ theme }) => theme))).toEqual(new Set(['Night bridge', null]));
});

test('a circle is found instead of refused', async () => {
  const tokens = demo.tokens.map((token) =>
    token.path === 'brand.primary' ? { ...token, values: { ...token.values, day: { token: 't-text-link' } } } : token,
  );
  const { status, findings } = await check(written('circle.breakwater.json', { ...demo, tokens }));
  expect([status, findings[0]]).toMatchObject([1, { kind: 'cycle', severity: 'error', theme: 'Day' }]);
  expect(findings[0]!.tokens).toEqual(expect.arrayContaining(['brand.primary', 'text.link']));
});

test.each<[string, string[], RegExp]>([
  [
    'a theme that is not there',
    [DEMO, '--theme', 'Noon'],
    /^breakwater: .* has no theme Noon; it has Day, Dusk, Night bridge, High contrast\.\n$/,
  ],
  [
    'a severity that there is not',
    [DEMO, '--fail-on', 'doom'],
    /^breakwater: --fail-on is error, warning or note, and not doom\.\n$/,
  ],
  ['a file that is not there', ['gone.json'], /^breakwater: .*gone\.json.*\n$/],
  ['a brand that is damaged', [written('bad.json', '{"format": "breakwater-brand", "version": 5')], /^breakwater: .+\n$/],
  ['a brand with more wrong than a circle', [written('worse.json', { ...demo, themes: [] })], /^breakwater: .+\n$/],
])('%s ends with 2 and one line', async (_what, args, sentence) => {
  const { status, stdout, stderr } = await breakwater('check', ...args);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(sentence);
});

test('for people it is grouped, with patches of the colours', async () => {
  const { stdout } = await breakwater('check', DEMO, '--theme', 'Day');
  expect(stdout).toContain('error: Texts that cannot be read (2)\n');
  expect(stdout).toMatch(/Quillhaven Ferries: 2 errors, \d+ warnings, \d+ notes\.\n$/);
});
