import { canonical } from './canonical';
import { may, refusalFor, ROLES } from './roles';

test.each([
  ['owner', true, true, true],
  ['editor', true, true, true],
  ['reviewer', true, false, false],
  ['viewer', true, false, false],
] as const)('%s reads %s, edits %s, releases %s', (role, read, edit, release) => {
  expect(may(role, 'read')).toBe(read);
  expect(may(role, 'edit')).toBe(edit);
  expect(may(role, 'release')).toBe(release);
});

test('a refusal says who one is, what is not allowed, and whom to ask', () => {
  for (const role of ROLES) {
    const sentence = refusalFor(role, 'edit');
    expect(sentence).toContain(`as ${role}`);
    expect(sentence).toContain('change this brand');
    expect(sentence).toContain('ask an owner');
    expect(sentence.endsWith('.')).toBe(true);
  }
});

test('equal values have equal canonical text, whatever the order of their keys', () => {
  const one = { b: [1, { d: null, c: 'x' }], a: true };
  const two = { a: true, b: [1, { c: 'x', d: null }] };
  expect(canonical(one)).toBe(canonical(two));
  expect(canonical(one)).toBe('{"a":true,"b":[1,{"c":"x","d":null}]}');
  // The order of a list is part of its value.
  expect(canonical([1, 2])).not.toBe(canonical([2, 1]));
});
