import { sought } from './asked';

test.each([
  ['#1f6f78', '#1f6f78', null],
  ['1f6f78', '#1f6f78', '1f6f78'],
  ['near teal', '#008080', null],
  ['Near  #0f0', '#00ff00', null],
  ['tan', '#d2b48c', 'tan'],
  ['oklch(1 0 0)', '#ffffff', null],
  ['near the harbour', null, 'near the harbour'],
  [' Deep teal ', null, 'Deep teal'],
  ['text.default', null, 'text.default'],
])('%s is looked for as colour %s and name %s', (typed, hex, name) => {
  expect([sought(typed).colour?.hex ?? null, sought(typed).name]).toEqual([hex, name]);
});
