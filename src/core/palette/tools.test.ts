import { ordered, ORDERS, shuffled } from './order';
import fc from 'fast-check';
import { anyColour, hexColour } from '../../../tests/arbitrary-colours';
import { contrastRatio } from '../colour/contrast';
import { deltaE2000, deltaEOk } from '../colour/difference';
import { readColour } from '../colour/read';
import { adjust, NO_ADJUSTMENT } from './adjust';
import { angleOn, hueAt, turned } from './harmony';
import { mergeNear, reduceTo, type Reducible } from './reduce';
import { terminal, TERMINAL_COLOURS } from './terminal';

const list = fc.array(anyColour, { maxLength: 24 });
const oklch = (css: string) => readColour(css)!.oklch;

test('adjusting nothing changes nothing; anything else stays within sRGB and keeps opacity', () => {
  const unit = fc.double({ min: -1, max: 1, noNaN: true });
  const change = fc.record({
    lightness: unit,
    chroma: unit,
    hue: unit.map((share) => share * 180),
    warmth: unit,
    contrast: unit,
  });
  fc.assert(
    fc.property(list, change, (colours, adjustment) => {
      expect(adjust(colours, NO_ADJUSTMENT)).toEqual(colours);
      adjust(colours, adjustment).forEach((css, at) => {
        expect(readColour(css)!.clipped).toBe(0);
        expect(readColour(css)!.alpha).toBeCloseTo(readColour(colours[at]!)!.alpha, 2);
      });
    }),
  );
  const [lighter] = adjust(['#2c965d'], { ...NO_ADJUSTMENT, lightness: 0.5 });
  expect(oklch(lighter!)[0]).toBeCloseTo((1 + oklch('#2c965d')[0]) / 2, 2);
  expect(adjust(['#2c965d', '#ffffff', '#000000'], { ...NO_ADJUSTMENT, lightness: 1 })).toEqual(Array(3).fill('#ffffff'));
  expect(adjust(['#2c965d'], { ...NO_ADJUSTMENT, chroma: -1 })[0]).toMatch(/^#(..)\1\1$/);
  const flat = adjust(['#2c965d', '#dd3333', '#113355'], { ...NO_ADJUSTMENT, contrast: -1 }).map((css) => oklch(css)[0]);
  expect(Math.max(...flat) - Math.min(...flat)).toBeLessThan(0.01);
});

test('sorting and shuffling only change the order; a path is short; a seed is a seed', () => {
  const length = (colours: readonly { value: string }[]) =>
    colours.slice(1).reduce((sum, { value }, at) => sum + deltaEOk(colours[at]!.value, value), 0);
  fc.assert(
    fc.property(list, fc.constantFrom(...ORDERS), fc.nat(), (colours, by, seed) => {
      const things = colours.map((value, id) => ({ id, value }));
      const same = (other: typeof things) => expect([...other].sort((a, b) => a.id - b.id)).toEqual(things);
      same(ordered(things, by));
      same(shuffled(things, seed));
      expect(shuffled(things, seed)).toEqual(shuffled(things, seed));
    }),
  );
  const greys = ['#111', '#fff', '#555', '#999'].map((value) => ({ value }));
  expect(ordered(greys, 'path').map(({ value }) => value)).toEqual(['#111', '#555', '#999', '#fff']);
  fc.assert(
    fc.property(fc.array(hexColour, { minLength: 5, maxLength: 20 }), (colours) => {
      const things = colours.map((value) => ({ value }));
      expect(length(ordered(things, 'path'))).toBeLessThanOrEqual(length(ordered(things, 'lightness')) + 1e-6);
    }),
  );
});

const reducible = fc.uniqueArray(fc.record({ id: fc.string({ minLength: 1 }), value: anyColour, locked: fc.boolean() }), {
  selector: ({ id }) => id,
  maxLength: 30,
});
const idsOf = (groups: ReturnType<typeof reduceTo>) => groups.flatMap(({ keep, merge }) => [keep, ...merge.map(({ id }) => id)]);

test('reducing reaches the number, keeps every locked colour, and accounts for each colour once', () => {
  fc.assert(
    fc.property(reducible, fc.integer({ min: 1, max: 40 }), (colours, count) => {
      const groups = reduceTo(colours, count);
      const locked = colours.filter((colour) => colour.locked);
      expect(groups.length).toBe(Math.max(Math.min(count, colours.length), locked.length));
      expect(idsOf(groups).sort()).toEqual(colours.map(({ id }) => id).sort());
      const kept = new Set(groups.map(({ keep }) => keep));
      expect(locked.every(({ id }) => kept.has(id))).toBe(true);
    }),
  );
  const near = (within: number, ...values: string[]) =>
    mergeNear(
      values.map((value, at): Reducible => ({ id: `${at}`, value, locked: at === 2 })),
      within,
    ).map(({ keep, merge }) => [keep, ...merge.map(({ id }) => id)].join(''));
  expect(near(1, '#2c965d', '#2d965d', '#2c975d', '#113355')).toEqual(['201', '3']);
  expect(near(0.01, '#2c965d', '#2d965d', '#2c975d', '#2c965d')).toEqual(['03', '1', '2']);
});

test('2,000 colours are reduced to 64, and each merges into one not far away', () => {
  const colours = Array.from({ length: 2_000 }, (_, at) => ({
    id: `${at}`,
    value: `#${((at * 8_191) & 0xffffff).toString(16).padStart(6, '0')}`,
    locked: false,
  }));
  const groups = reduceTo(colours, 64);
  expect(groups).toHaveLength(64);
  const distances = groups.flatMap(({ merge }) => merge.map(({ distance }) => distance));
  expect(distances.reduce((sum, distance) => sum + distance, 0) / distances.length).toBeLessThan(10);
});

test('a turn and back is no turn, on both wheels; red stands opposite green for painters, and is 120° from yellow', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 359.99, noNaN: true }), (hue) => {
      expect(Math.abs(((hueAt('traditional', angleOn('traditional', hue)) - hue + 540) % 360) - 180)).toBeLessThan(1e-9);
    }),
  );
  expect(turned([0.6, 0.1, 20], 180)).toEqual([0.6, 0.1, 200]);
  expect(turned([0.6, 0.2, 28], 180, 'traditional')[2]).toBe(143);
  expect(turned([0.6, 0.2, 28], 120, 'traditional')[2]).toBe(104);
});

test('any palette gives sixteen terminal colours that can be read on their ground and told apart', () => {
  fc.assert(
    fc.property(
      list,
      fc.constantFrom('dark' as const, 'light' as const),
      fc.nat(50),
      fc.integer({ min: -2, max: 2 }),
      (from, ground, seed, lift) => {
        const roles = terminal({ from, ground, seed, lift });
        expect(roles).toHaveLength(19);
        const value = (role: string) => readColour(roles.find((each) => each.role === role)!.value)!;
        for (const name of TERMINAL_COLOURS.filter((other) => other !== 'black' && other !== 'white')) {
          expect(contrastRatio(value(name), value('ground'))).toBeGreaterThanOrEqual(4.5);
          expect(contrastRatio(value(`bright ${name}`), value('ground'))).toBeGreaterThanOrEqual(4.5);
        }
        expect(contrastRatio(value('text'), value('ground'))).toBeGreaterThanOrEqual(7);
      },
    ),
  );
  // A picture of one hue (common practice: poor unless fitted).
  const orange = terminal({ from: ['#c2661d', '#e08a3a', '#5c2b0a', '#f2c79b'], ground: 'dark', seed: 0, lift: 0 });
  const six = orange.slice(1, 7).map(({ value }) => value);
  six.forEach((one, at) => six.slice(at + 1).forEach((two) => expect(deltaE2000(one, two)).toBeGreaterThan(10)));
});
