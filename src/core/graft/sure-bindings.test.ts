import { sureBindings } from './sure-bindings';

const near = (to: string, deltaE: number) => ({ to: { token: to }, name: to, hex: '#000000', deltaE, likeness: 0 });

test('what is as good as equal is sure; what is bound, far or in a sure run is not', () => {
  const slots = ['a', 'b', 'c', 'd', 'e'].map((key) => ({ key, hex: `#00000${key}` }));
  const banks = [{ key: 'run', slots: [3, 4] }];
  const proposed = {
    slots: { a: [near('t1', 2)], b: [near('t2', 2.1)], c: [near('t3', 0)], d: [near('t4', 0)] },
    banks: { run: { palette: 'p', name: 'P', deltaE: 3 } },
  };
  expect(sureBindings({ slots, banks }, new Set([2]), proposed)).toEqual({
    slots: { a: { to: { token: 't1' }, was: '#00000a' } },
    banks: { run: { palette: 'p', resize: false } },
  });
  // A run of which one slot is bound by itself is no longer taken whole; its others are then slots like any.
  expect(sureBindings({ slots, banks }, new Set([4]), proposed)).toMatchObject({
    slots: { a: {}, c: {}, d: { to: { token: 't4' } } },
    banks: {},
  });
});
