import Color from 'colorjs.io';
import { parseCss } from './parse';
import { readColour } from './read';

test.each([
  // CSS Color 4, sections 5.1 and 7: what rgb() and hsl() cannot hold is cut off at the end of the range.
  ['rgb(300 0 0)', true, '#ff0000'],
  ['rgb(0 -10 0)', true, '#000000'],
  ['rgb(0 0 101%)', true, '#0000ff'],
  ['rgb(255 0 0)', undefined, '#ff0000'],
  ['rgb(none 255 255)', undefined, '#00ffff'],
  ['hsl(0 120% 50%)', true, '#ff0000'],
  ['hsl(0 50% 101%)', true, '#ffffff'],
  ['hsl(0 100% 50%)', undefined, '#ff0000'],
  ['hsl(0 none 50%)', undefined, '#808080'],
  // Others can say it, and it is mapped to what a screen shows.
  ['color(srgb 1.2 0 0)', undefined, '#ff6956'],
  ['COLOR(DISPLAY-P3 1 1 1)', undefined, '#ffffff'],
])('%s is cut: %s, and shown as %s', (css, cut, hex) => {
  expect([readColour(css)?.cut, readColour(css)?.hex]).toEqual([cut, hex]);
});

test('an opacity of none is 0, one beyond 1 is 1, and digits alone or a text without end are no colour', () => {
  expect(['rgb(0 0 0 / none)', 'rgb(0 0 0 / 150%)', 'rgb(0 0 0)'].map((css) => readColour(css)!.alpha)).toEqual([0, 1, 1]);
  expect(['fff', '123456', `rgb(0 0 ${'0'.repeat(130)})`, '#gggggg'].map(readColour)).toEqual([null, null, null, null]);
  expect(parseCss('rgb(1 2')).toBeNull();
});

test('numbers too large to compute with are no colour', () => {
  expect(readColour('color(srgb 1e999 0 0)')).toBeNull();
  expect(readColour('color(srgb 0 0 -1e999)')).toBeNull();
});

test('the linear form of Display P3 is what an independent library says (colorjs.io)', () => {
  const [r, g, b] = new Color('p3-linear', [0.2, 0.1, 0.5]).to('srgb').coords;
  expect(readColour('color( display-p3-linear 0.2 10% .5 / 0.5)')).toMatchObject({
    rgb: [expect.closeTo(r!, 6), expect.closeTo(g!, 6), expect.closeTo(b!, 6)],
    alpha: 0.5,
  });
  expect(readColour('color(display-p3-linear none 0.2 0.2)')!.oklch).toEqual(
    readColour('color(display-p3-linear 0 0.2 0.2)')!.oklch,
  );
  expect(parseCss('color(display-p3-linear -0.04 0 0)')!.colour).toMatchObject({ r: expect.closeTo(-parseCssRed(), 9) });
});

const parseCssRed = () => (parseCss('color(display-p3-linear 0.04 0 0)')!.colour as { r: number }).r;
