import fc from 'fast-check';
import { deltaE2000 } from '../colour/difference';
import { catchOf } from './catch';
import { certain, doubt, leftOut, problemsOf, intakeOf, taken } from './intake';

const listed = (...codes: string[]) => codes.map((css, at) => taken(certain(css), { name: `N${at}`, line: at + 1 }));
const palette = (name: string, ...codes: string[]) => ({ name, kind: 'loose' as const, entries: listed(...codes) });
const kinds = (...codes: string[]) =>
  catchOf(intakeOf('x', [palette('P', ...codes)])).map(({ doubts }) => doubts.map(({ kind }) => kind));

test('what only the whole tells: twice, nearly twice, outside sRGB, translucent', () => {
  expect(kinds('#1f6f78', '#1F6F78', '#1f6f79', '#da452c')).toEqual([[], ['duplicate'], ['near'], []]);
  expect(kinds('color(display-p3 0 1 0)', '#1f6f7880')).toEqual([['outside'], ['translucent']]);
  // The same colour at another opacity is another colour.
  expect(kinds('#1f6f78', '#1f6f7880')).toEqual([[], ['translucent']]);
});

test('colours of a file are taken even when they stand twice; what a reader left out is not, and keeps its place', () => {
  const left = (line: number) => leftOut(certain('#123456'), doubt('duplicate', 'Again.'), { line });
  const [first, second] = listed('#102030', '#102030');
  const intake = intakeOf('x', [{ name: 'P', kind: 'loose', entries: [first!, left(1), second!, left(3)] }]);
  expect(catchOf(intake).map(({ line, take, index }) => [line, take, index])).toEqual([
    [1, true, 0],
    [1, false, 1],
    [2, true, 2],
    [3, false, 3],
  ]);
});

test('what other files gave is compared with too; an alias has the colour of another on purpose', () => {
  const earlier = [{ hex: '#da452c', alpha: 1, place: 'line 3 of buoys.gpl' }];
  const token = { path: 'link', alias: 'sea', description: '' };
  const alias = { ...taken(certain('#1f6f78'), { name: 'link', line: 1, token }), palette: null };
  const intake = intakeOf('x', [palette('P', '#da452c', '#1f6f78')]);
  const lines = catchOf({ ...intake, entries: [...intake.entries, alias] }, earlier);
  expect(lines.map((line) => `${line.palette} ${line.name}: ${line.doubts.map(({ reason }) => reason).join()}`)).toEqual([
    'P N0: The same colour as on line 3 of buoys.gpl.',
    'P N1: ',
    'Aliases link: ',
  ]);
});

test('groups keep together, in the source’s order', () => {
  const lines = catchOf(intakeOf('x', [palette('Boats', '#102030', '#203040'), palette('Buoys', '#da452c')]));
  expect(lines.map(({ palette: group, name }) => `${group} ${name}`)).toEqual(['Boats N0', 'Boats N1', 'Buoys N0']);
});

test('near means near: the same as comparing each colour with all kept before it', () => {
  const close = fc.array(
    fc.tuple(fc.integer({ min: 100, max: 106 }), fc.integer({ min: 20, max: 26 }), fc.constantFrom(30, 31, 250)),
    { maxLength: 40 },
  );
  fc.assert(
    fc.property(close, (list) => {
      const codes = list.map((rgb) => '#' + rgb.map((value) => value.toString(16).padStart(2, '0')).join(''));
      const kept: string[] = [];
      const seen = new Set<string>();
      const expected = codes.map((code) => {
        if (seen.has(code)) return ['duplicate'];
        seen.add(code);
        if (kept.some((other) => deltaE2000(code, other) < 1)) return ['near'];
        kept.push(code);
        return [];
      });
      expect(kinds(...codes)).toEqual(expected);
    }),
  );
});

test('twenty thousand lines are compared, each with its neighbours alone', () => {
  const codes = Array.from(
    { length: 20_000 },
    (_, at) => `#${((at * 2_654_435_761) >>> 8).toString(16).padStart(6, '0').slice(-6)}`,
  );
  // Comparing all with all would take minutes.
  const lines = catchOf(intakeOf('x', [palette('P', ...codes)]));
  expect(lines.filter(({ doubts }) => doubts.some(({ kind }) => kind === 'near')).length).toBeGreaterThan(1_000);
});

test('problems and doubts come in the file’s order, each with a place', () => {
  const doubtful = taken(certain('#102030'), { line: 2, doubts: [doubt('bare', 'No #.')] });
  const intake = intakeOf(
    'x',
    [{ name: 'P', kind: 'loose', entries: [doubtful] }],
    [{ severity: 'error', line: 1, column: 4, message: 'Broken.' }],
  );
  expect(problemsOf(intake)).toEqual([
    { severity: 'error', line: 1, column: 4, message: 'Broken.' },
    { severity: 'warning', line: 2, column: 1, message: '#102030: No #.' },
  ]);
});
