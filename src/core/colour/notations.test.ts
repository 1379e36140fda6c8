import Color from 'colorjs.io';
import fc from 'fast-check';
import { bytesOf, eightDigits } from './integers';
import { linearFloats, notations, oklchText, wideChannels, wideText } from './notations';
import { channelsOf, spaceById, SPACES, spaceText } from './spaces';
import { readColour } from './read';

const written = (css: string, more?: number) =>
  Object.fromEntries(notations(readColour(css)!, more).map(({ id, text }) => [id, text]));

test('every notation under its label, with as many digits as 8 bits need and the opacity where there is one', () => {
  expect(notations(readColour('#1f6f7880')!).map(({ id, label, text }) => [id, label, text])).toEqual([
    ['hex', 'Hex', '#1f6f7880'],
    ['oklch', 'OKLCH', 'oklch(0.49898 0.0753 206.033 / 0.502)'],
    ['rgb', 'RGB', 'rgb(31 111 120 / 0.502)'],
    ['hsl', 'HSL', 'hsl(186.07 58.94% 29.61% / 0.502)'],
    ['hwb', 'HWB', 'hwb(186.07 12.16% 52.94% / 0.502)'],
    ['hsv', 'HSV', 'hsv(186.07 74.17% 47.06% / 0.502)'],
    ['lab', 'Lab D50', 'lab(42.5198 -22.0681 -12.3381 / 0.502)'],
    ['lch', 'LCH D50', 'lch(42.5198 25.283 209.209 / 0.502)'],
    ['p3', 'P3', 'color(display-p3 0.219448 0.429042 0.464637 / 0.502)'],
    ['linear', 'Linear', 'color(srgb-linear 0.013702 0.158961 0.187821 / 0.502)'],
    ['float', 'Float', 'color(srgb 0.121569 0.435294 0.470588 / 0.502)'],
    ['integer', 'Integer', '2060152'],
    ['cmyk', 'CMYK, un\u00adcali\u00adbrated', 'cmyk(74.17% 7.5% 0% 52.94%)'],
  ]);
  expect(written('#1f6f7880', 2)).toMatchObject({
    oklch: 'oklch(0.4989834 0.0753022 206.03313 / 0.50196)',
    hsl: 'hsl(186.0674 58.9404% 29.6078% / 0.50196)',
    hsv: 'hsv(186.0674 74.1667% 47.0588% / 0.50196)',
    cmyk: 'cmyk(74.1667% 7.5% 0% 52.9412%)',
  });
});

test('opaque colours and greys: no opacity, no hue; OKLCH says what was asked for, the rest what is shown', () => {
  expect(written('#808080')).toMatchObject({
    hex: '#808080',
    rgb: 'rgb(128 128 128)',
    hsv: 'hsv(0 0% 50.2%)',
    lab: 'lab(53.585 0 0)',
  });
  expect(written('oklch(0.7 0.3 150)')).toMatchObject({ hex: '#00c248', oklch: 'oklch(0.7 0.3 150)', rgb: 'rgb(0 194 72)' });
  expect(oklchText([0.5, 0, 0], 0.25)).toBe('oklch(0.5 0 0 / 0.25)');
});

test('P3 and linear light of the authored and of the shown colour, as an independent library has them (colorjs.io)', () => {
  const channel = fc.double({ min: 0, max: 1, noNaN: true });
  fc.assert(
    fc.property(channel, fc.double({ min: 0, max: 0.15, noNaN: true }), fc.integer({ min: 0, max: 359 }), (l, c, h) => {
      const css = `oklch(${l.toFixed(4)} ${c.toFixed(4)} ${h})`;
      const ours = readColour(css)!;
      const cut = (values: readonly (number | null)[]) => values.map((value) => Math.min(1, Math.max(0, value ?? 0)));
      wideChannels(ours).forEach((value, at) => expect(value).toBeCloseTo(cut(new Color(css).to('p3').coords)[at]!, 9));
      linearFloats(ours).forEach((value, at) => expect(value).toBeCloseTo(new Color(ours.hex).to('srgb-linear').coords[at]!, 6));
    }),
  );
  expect(wideText(readColour('oklch(0.7 0.3 150)')!)).toBe('color(display-p3 0 0.781434 0.200809)');
  expect(wideText(readColour('oklch(0.7 0.3 150 / 0.25)')!)).toBe('color(display-p3 0 0.781434 0.200809 / 0.25)');
});

// Channels of rgb(20% 40% 60%); the names are those of CSS Color 4.
const SAME: Record<string, string> = {
  srgb: 'srgb', 'srgb-linear': 'srgb-linear', hsl: 'hsl', hwb: 'hwb', lab: 'lab', lch: 'lch', oklab: 'oklab', oklch: 'oklch',
  'display-p3': 'p3', 'a98-rgb': 'a98rgb', 'prophoto-rgb': 'prophoto', rec2020: 'rec2020', 'xyz-d65': 'xyz-d65', 'xyz-d50': 'xyz-d50',
}; // prettier-ignore

test.each(SPACES.map((space) => [space.id, space] as const))(
  '%s: channels, text and back, as an independent library has them',
  (id, space) => {
    const ours = channelsOf({ mode: 'rgb', r: 0.2, g: 0.4, b: 0.6 }, space);
    // It has the curve of Rec. 2020 from a later draft of CSS Color 4 than the conversion library.
    if (id !== 'rec2020')
      new Color('srgb', [0.2, 0.4, 0.6]).to(SAME[id]!).coords.forEach((value, at) => expect(ours[at]).toBeCloseTo(value!, 4));
    const text = spaceText(space, ours.map(String), '0.5');
    expect(readColour(text)).toMatchObject({ hex: '#336699', alpha: 0.5 });
    expect(text.endsWith(' / 0.5)')).toBe(true);
    const last = ['hsl', 'hwb'].includes(id) ? '2%' : '2';
    const head = ['hsl', 'hwb', 'lab', 'lch', 'oklab', 'oklch'].includes(id) ? `${id}(` : `color(${id} `;
    expect(spaceText(space, ['1', 'none', '2'])).toBe(
      `${head}${['hsl', 'hwb'].includes(id) && !space.channels[0].angle ? '1%' : '1'} none ${last})`,
    );
  },
);

test('a channel that has no value is none; xyz is the one under D65; what is no space of CSS is none', () => {
  expect(channelsOf({ mode: 'rgb', r: 0.5, g: 0.5, b: 0.5 }, spaceById('oklch')!)[2]).toBeNull();
  expect([spaceById('xyz')?.id, spaceById('xyz-d50')?.id, spaceById('hsv')]).toEqual(['xyz-d65', 'xyz-d50', undefined]);
});

test('eight digits with the opacity last or first, and four bytes', () => {
  const colour = readColour('#1f6f7880')!;
  expect([eightDigits(colour), eightDigits(colour, 'argb'), bytesOf(colour)]).toEqual([
    '1f6f7880',
    '801f6f78',
    [31, 111, 120, 128],
  ]);
});

test('white space about a colour is no part of it', () => {
  expect(readColour('  #1F6F78\n')).toMatchObject({ css: '#1F6F78', hex: '#1f6f78' });
});
