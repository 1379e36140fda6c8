import { demo } from '../../../../tests/harsh-brand';
import { apply } from '../commands/apply';
import type { Command, Step } from '../commands/commands';
import type { Brand } from '../document/document';
import { conflictsOf, guarded, overtakenBy, unguarded } from './overtaken';

const command = (...steps: Step[]): Command => ({ label: 'Edit', steps });
const after = (brand: Brand, done: Command) => {
  const result = apply(brand, done);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
};
const harbour = (value: string) => command({ do: 'swatch.edit', id: 'core-harbour', set: { value } });
const page = (set: Extract<Step, { do: 'token.set' }>['set']) => command({ do: 'token.set', id: 't-surface-page', set });
const unlocked = after(demo, command({ do: 'swatch.edit', id: 'core-harbour', set: { locked: false } }));

test('an edit that waited does not win over a later one of somebody else: it is refused, and both values are known', () => {
  const mine = guarded(unlocked, harbour('#111111'));
  const theirs = after(unlocked, harbour('#222222'));
  expect(apply(theirs, mine).ok).toBe(false);
  expect(conflictsOf(theirs, mine)).toEqual([
    {
      what: 'Harbour',
      entity: 'core-harbour',
      theirs: { words: '#222222', hex: '#222222' },
      mine: { words: '#111111', hex: '#111111' },
    },
  ]);
  // Somebody who has seen it may overwrite it.
  expect(apply(theirs, unguarded(mine)).ok).toBe(true);
  expect(unguarded(mine)).toEqual(harbour('#111111'));
  // Nobody else was there: it goes through.
  expect(apply(unlocked, mine).ok).toBe(true);
  // The other set the very same.
  expect(conflictsOf(after(unlocked, harbour('#111111')), mine)).toEqual([]);
});

test('fields of every kind are guarded, each once; what says already what it found stays as it is', () => {
  const edits = command(
    { do: 'brand.edit', set: { name: 'Other' } },
    { do: 'palette.edit', id: 'core', set: { name: 'Paint', note: null } },
    { do: 'theme.edit', id: 'day', set: { name: 'Noon' } },
    { do: 'token.edit', id: 't-surface-page', set: { description: 'x' } },
    { do: 'token.set', id: 't-surface-page', set: { day: { colour: '#ffffff' } } },
    { do: 'token.set', id: 't-surface-page', set: { day: { colour: '#eeeeee' } } },
    { do: 'destination.edit', id: demo.destinations[0]!.id, set: { name: 'y' } },
    { do: 'field.edit', id: 'f-route', set: { name: 'z' } },
    { do: 'swatch.remove', ids: ['core-mist'] },
  );
  const { steps } = guarded(demo, edits);
  expect(steps.map((step) => 'was' in step)).toEqual([true, true, true, true, true, false, true, true, false]);
  expect(steps[0]).toMatchObject({ was: { name: 'Quillhaven Ferries' } });
  expect(guarded(demo, { ...edits, steps })).toEqual({ ...edits, steps });
  expect(apply(demo, { ...edits, steps: steps.slice(0, -1) }).ok).toBe(true);
});

test('who was overtaken is told both values, whatever they are', () => {
  const told = (earlier: Command, later: Command) =>
    overtakenBy(after(demo, later), earlier, later).map(
      ({ what, theirs, mine }) => `${what}: ${theirs.words}, not ${mine.words}`,
    );
  expect(told(page({ day: { swatch: 'core-keel' } }), page({ day: { token: 't-text-default' }, dusk: null }))).toEqual([
    'surface.page in Day: text.default, not Keel',
  ]);
  expect(told(page({ dusk: { colour: '#000001' } }), page({ dusk: null }))).toEqual([
    'surface.page in Dusk: nothing, not #000001',
  ]);
  const name = (set: object) => command({ do: 'palette.edit', id: 'core', set });
  expect(told(name({ name: 'Paint' }), name({ name: 'Hulls', kind: 'loose' }))).toEqual([
    'the name of Quillhaven core: Hulls, not Paint'.replace('Quillhaven core', 'Hulls'),
  ]);
  // The same, something else, or something that is gone by now.
  expect(told(name({ name: 'Hulls' }), name({ name: 'Hulls' }))).toEqual([]);
  expect(told(page({ day: { colour: '#000001' } }), page({ dusk: { colour: '#000001' } }))).toEqual([]);
});
