import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Failure } from './failure';
import { differing, placeFiles } from './place-files';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'breakwater-place-'))));
afterEach(() => rmSync(folder, { recursive: true }));

const file = (path: string, text = path) => ({ path, bytes: new TextEncoder().encode(text) });
const read = (path: string) => readFileSync(join(folder, path), 'utf8');
const failure = (act: () => unknown): Failure => {
  try {
    act();
  } catch (error) {
    if (error instanceof Failure) return error;
    throw error;
  }
  throw new Error('It did not fail.');
};

test('files come into their folders, in the place of older ones, and nothing else is left', () => {
  const out = join(folder, 'out');
  placeFiles(out, [file('a.css', 'old'), file('sub/b.css')]);
  placeFiles(out, [file('a.css', 'new'), file('sub/./../c.css')]);
  expect([read('out/a.css'), read('out/sub/b.css'), read('out/c.css')]).toEqual(['new', 'sub/b.css', 'sub/./../c.css']);
  expect(readdirSync(out, { recursive: true }).sort()).toEqual(['a.css', 'c.css', 'sub', 'sub/b.css']);
});

test.each([['../evil.css'], ['sub/../../evil.css'], ['/tmp/evil.css'], ['..'], ['a\0b.css']])(
  'a path that leads out of the folder is refused, with all that came with it: %j',
  (path) => {
    const out = join(folder, 'out');
    const told = { message: `“${path}” leads out of the folder; nothing was written.`, code: 2 };
    expect(failure(() => placeFiles(out, [file('first.css'), file(path)]))).toMatchObject(told);
    expect(readdirSync(out)).toEqual([]);
    expect(failure(() => differing(out, [file(path)]))).toMatchObject(told);
    expect(existsSync(join(folder, 'evil.css'))).toBe(false);
  },
);

test('of a path without end only the beginning is told', () => {
  expect(failure(() => placeFiles(folder, [file(`../${'x'.repeat(300)}`)])).message).toBe(
    `“../${'x'.repeat(77)}” leads out of the folder; nothing was written.`,
  );
});

test.each([
  ['a file where a folder is wanted', 'sub', 'a part of the path is a file, not a folder'],
  ['a file further up', '.', 'a part of the path is a file, not a folder'],
])('%s: nothing is changed', (_name, blocked, reason) => {
  const out = join(folder, 'out');
  placeFiles(out, [file('a.css', 'old')]);
  const inside = blocked === '.' ? 'a.css/deeper/b.css' : 'sub/b.css';
  if (blocked !== '.') writeFileSync(join(out, blocked), 'in the way');
  const { message, code } = failure(() => placeFiles(out, [file('c.css'), file(inside)]));
  expect([message.endsWith(` cannot be written: ${reason}. Nothing was changed.`), code]).toEqual([true, 1]);
  expect([read('out/a.css'), existsSync(join(out, 'c.css'))]).toEqual(['old', false]);
  expect(readdirSync(out).filter((name) => name.endsWith('.part'))).toEqual([]);
});

test('a folder where a file is wanted is found before the first file is moved', () => {
  mkdirSync(join(folder, 'b.css'));
  writeFileSync(join(folder, 'a.css'), 'old');
  expect(failure(() => placeFiles(folder, [file('a.css', 'new'), file('b.css')]))).toMatchObject({
    message: `${join(folder, 'b.css')} cannot be written: there is a folder of that name. Nothing was changed.`,
    code: 1,
  });
  expect([read('a.css'), readdirSync(folder)]).toEqual(['old', ['a.css', 'b.css']]);
});

test('what the folder does not hold, or otherwise, differs, in the order given', () => {
  placeFiles(folder, [file('a.css'), file('b.css'), file('c.css')]);
  writeFileSync(join(folder, 'b.css'), 'edited');
  expect(differing(folder, [file('d.css'), file('a.css'), file('b.css')])).toEqual(['d.css', 'b.css']);
  expect(differing(folder, [file('a.css'), file('c.css')])).toEqual([]);
  mkdirSync(join(folder, 'e.css'));
  expect(failure(() => differing(folder, [file('e.css')])).message).toContain('there is a folder of that name');
});

test('what no reason is known for is not hidden behind one', () => {
  symlinkSync(join(folder, 'loop'), join(folder, 'loop'));
  expect(() => placeFiles(folder, [file('loop/a.css')])).toThrow(/ELOOP/);
});
