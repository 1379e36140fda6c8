import { createHash } from 'node:crypto';
import { z } from 'zod';
import { Command } from '../commands/commands';
import { brandJsonSchema, emptyBrand, StoredBrand } from './document';
import { BRAND_UPGRADES, BRAND_VERSION, COMMAND_UPGRADES, COMMAND_VERSION, upgraded } from './versions';

const { fields, carried, grafts, art, acceptances, ...first } = { ...emptyBrand('b', 'Few'), version: 1 };

test('a brand of the first version, which knew neither data fields nor carried values nor grafts, is read as one of today', () => {
  expect(StoredBrand.parse(first)).toEqual({ ...first, version: BRAND_VERSION, fields, carried, grafts, art, acceptances });
  expect(StoredBrand.parse({ ...first, carried: [{ path: ['x'], json: '1', before: null }] }).carried).toHaveLength(1);
});

test('a brand of a later version, or of none, is refused with a sentence', () => {
  const sentence = (version: unknown) => StoredBrand.safeParse({ ...emptyBrand('b', 'Few'), version }).error?.issues[0]?.message;
  expect(sentence(9)).toBe('This brand is of version 9, and up to 8 can be read here; take a newer Breakwater.');
  for (const version of [undefined, 0, -1, '1x', null])
    expect(sentence(version)).toBe('A brand says its version, a number from 1 to 8.');
  for (const data of [null, 7, 'text', []]) expect(StoredBrand.safeParse(data).success).toBe(false);
});

test('versions are gone through one by one, from any', () => {
  const steps = { 1: (data: object) => ({ ...data, a: 1 }), 2: (data: object) => ({ ...data, b: 2 }) };
  expect([1, 2, 3].map((version) => upgraded({}, version, steps))).toEqual([{ a: 1, b: 2 }, { b: 2 }, {}]);
  // None is missing on the way to today's.
  const from = (now: number) => Array.from({ length: now - 1 }, (_, at) => String(at + 1));
  expect([Object.keys(BRAND_UPGRADES), Object.keys(COMMAND_UPGRADES)]).toEqual([from(BRAND_VERSION), from(COMMAND_VERSION)]);
});

/** Whoever changes a shape adds a version with its upgrade (`versions.ts`), and then its hash here. */
test('a shape that has changed is another version', () => {
  const hash = (schema: object) => createHash('sha256').update(JSON.stringify(schema)).digest('hex').slice(0, 12);
  expect([BRAND_VERSION, hash(brandJsonSchema())]).toEqual([8, 'fe54773f7f65']);
  expect([COMMAND_VERSION, hash(z.toJSONSchema(Command, { unrepresentable: 'any' }))]).toEqual([7, '61f3974d5727']);
});
