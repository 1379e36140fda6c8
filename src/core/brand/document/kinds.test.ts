import { z } from 'zod';
import { Step } from '../commands/commands';
import { tableStep, writtenStep } from '../commands/table-step';
import { BrandShape } from './brand-shape';
import { FIELD_NAMES, KIND_NAMES, KINDS, type KindName } from './kinds';

/** By what a step does: the schemas of what it says. */
const STEPS = new Map(Step.options.map(({ shape }) => [shape.do.value, shape as unknown as Readonly<Record<string, z.ZodType>>]));
const namesIn = (schema: z.ZodType | undefined) => (schema instanceof z.ZodObject ? Object.keys(schema.shape) : []);

test('each field of a brand is in the table: as a list of a kind, or as a field of its own', () => {
  const lists = KIND_NAMES.filter((kind) => !KINDS[kind].within).map((kind) => KINDS[kind].list);
  expect([...lists, ...FIELD_NAMES, 'format', 'version', 'id'].sort()).toEqual(Object.keys(BrandShape.shape).sort());
  expect(namesIn(STEPS.get('brand.edit')!.set).sort()).toEqual([...FIELD_NAMES].sort());
});

test.each(KIND_NAMES)('%s: each field is set by an edit, or said to be fixed', (kind: KindName) => {
  const held = KIND_NAMES.filter((other) => KINDS[other].within === kind).map((other) => KINDS[other].list);
  const records = { token: ['values'], graft: ['bindings', 'banks'] }[kind as string] ?? [];
  const known = [
    'id',
    ...held,
    ...records,
    ...(KINDS[kind].fixed ?? []),
    ...namesIn(STEPS.get(`${kind}.edit` as Step['do'])?.set),
  ];
  expect([...new Set(known)].sort()).toEqual(Object.keys(KINDS[kind].schema.shape).sort());
});

test('every step is understood by the table, and written again as it was', () => {
  const one = { id: 'x', ids: ['x', 'y'], set: { a: 1 }, was: { a: 2 }, before: null, palette: 'p', values: {}, difference: {} };
  const entities = Object.fromEntries(
    KIND_NAMES.flatMap((kind) => [
      [kind, { id: 'e' }],
      [KINDS[kind].list, [{ id: 'e' }]],
    ]),
  );
  for (const [name, shape] of STEPS) {
    const said: Record<string, unknown> = { ...entities, ...one, ...(name === 'palette.add' && { palette: { id: 'e' } }) };
    const step = { ...Object.fromEntries(Object.keys(shape).map((key) => [key, said[key]])), do: name } as unknown as Step;
    expect(writtenStep(tableStep(step))).toEqual(step);
  }
});
