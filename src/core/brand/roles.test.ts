import { canonical } from './document/canonical';
import { may, refusalFor, ROLES } from './roles';

test.each([
  ['owner', 'read review edit release govern'],
  ['editor', 'read review edit release'],
  ['reviewer', 'read review'],
  ['viewer', 'read'],
] as const)('%s may %s, and nothing else', (role, allowed) => {
  const all = ['read', 'review', 'edit', 'release', 'govern'] as const;
  expect(all.filter((permission) => may(role, permission)).join(' ')).toBe(allowed);
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
