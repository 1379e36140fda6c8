import { hueTurn } from './hue';

test.each([
  [10, 50, 40],
  [50, 10, -40],
  [350, 20, 30],
  [20, 350, -30],
  [0, 180, -180],
  [0, 0, 0],
])('from %d to %d degrees it is %d the shorter way', (from, to, turn) => {
  expect(hueTurn(from, to)).toBe(turn);
});
