import { KEYS } from './keys';

test('a key does one thing wherever one is', () => {
  const { everywhere, ...stages } = KEYS;
  for (const [stage, lines] of Object.entries(stages)) {
    const keys = [...everywhere, ...lines].flatMap((line) => line.keys).filter((key) => key !== '…');
    const twice = keys.filter((key, at) => keys.indexOf(key) !== at);
    // Enter and the arrows are the focus's own.
    expect([stage, twice]).toEqual([stage, []]);
  }
});
