import { type StateRule, TOKEN_STATES } from '../document/token-shape';
import { STATE_DEFAULTS, stateColour } from './state-rule';
import fc from 'fast-check';
import { anyColour, hexColour } from '../../../../tests/arbitrary-colours';
import { contrastRatio } from '../../colour/contrast';
import { deltaEOk } from '../../colour/difference';
import { oklchHex, readColour } from '../../colour/read';

const read = (css: string) => readColour(css)!;
const rule = (state: StateRule['state'], change: Partial<StateRule> = {}): StateRule => ({
  state,
  of: 'of',
  surface: 'surface',
  ...STATE_DEFAULTS[state],
  ...change,
});
const shown = (of: string, surface: string, rule: StateRule, text?: string) =>
  stateColour({ of: read(of), surface: read(surface), text: text === undefined ? undefined : read(text) }, rule);

test('a step goes away from the surface, on light and on dark ground', () => {
  const l = (css: string) => read(css).oklch[0];
  expect(shown('#006871', '#ffffff', rule('hover')).oklch[0]).toBeCloseTo(l('#006871') - 0.06, 1.7);
  expect(shown('#58a9b3', '#161616', rule('hover')).oklch[0]).toBeCloseTo(l('#58a9b3') + 0.06, 1.7);
  expect(shown('#006871', '#ffffff', rule('disabled')).oklch[0]).toBeCloseTo(l('#006871') + 0.18, 1.7);
});

test('what can be read at rest can be read in every state', () => {
  fc.assert(
    fc.property(hexColour, anyColour, hexColour, fc.constantFrom(...TOKEN_STATES), (of, surface, text, state) => {
      const needed = Math.min(4.5, contrastRatio(read(text), read(of)));
      const colour = shown(of, surface, rule(state, { least: 1 }), text);
      expect(contrastRatio(read(text), colour)).toBeGreaterThanOrEqual(needed);
    }),
  );
});

test('a ratio with the surface is reached wherever one colour of the hue has it', () => {
  fc.assert(
    fc.property(hexColour, anyColour, (of, surface) => {
      expect(contrastRatio(shown(of, surface, rule('focus')), read(surface))).toBeGreaterThanOrEqual(3);
    }),
  );
});

test('where there is no room between a dark surface and a light text, it does not jump to the other side of the text', () => {
  const colour = shown('#3b0400', '#1d120e', rule('selected'), '#cd9886');
  expect(contrastRatio(colour, read('#cd9886')) / 4.5).toBeCloseTo(contrastRatio(colour, read('#1d120e')) / 3, 1);
});

test('where surface and text leave no room, what is missing is shared between them', () => {
  // Between this surface and this text no lightness has both 3 to 1 and 4.5 to 1.
  const colour = shown('#ffffff', '#ddf0ee', rule('focus'), '#162631');
  expect([colour.hex, contrastRatio(colour, read('#ddf0ee')) / 3, contrastRatio(read('#162631'), colour) / 4.5]).toEqual([
    expect.stringMatching(/^#8[789ab]8[789ab]8[789ab]$/),
    expect.closeTo(0.98, 1),
    expect.closeTo(0.98, 1),
  ]);
});

test.each(['#ffffff', '#fdfdfd', '#000000', '#030303', '#808080'])(
  'hover, pressed and selected can be told from rest on %s, whatever stands behind it',
  (of) => {
    for (const state of ['hover', 'pressed', 'selected'] as const) {
      for (const surface of ['#ffffff', '#000000', of]) {
        const colour = shown(of, surface, rule(state));
        expect([of, state, surface, deltaEOk(of, colour.hex) >= STATE_DEFAULTS[state].step / 2]).toEqual([
          of,
          state,
          surface,
          true,
        ]);
      }
    }
  },
);

test('a state can be seen wherever a lightness of its hue allows that and the text on it can still be read', () => {
  fc.assert(
    fc.property(hexColour, hexColour, fc.constantFrom('#ffffff', '#000000'), (of, surface, text) => {
      const colour = shown(of, surface, rule('hover', { least: 1 }), text);
      if (deltaEOk(of, colour.hex) >= 0.03 - 1e-9) return;
      const needed = Math.min(4.5, contrastRatio(read(text), read(of)));
      const [, c, h] = read(of).oklch;
      for (let l = 0; l <= 1; l += 0.1) {
        const colour = read(oklchHex([l, c, h]));
        expect(contrastRatio(read(text), colour) >= needed * 1.02 && deltaEOk(of, colour.hex) >= 0.04).toBe(false);
      }
    }),
  );
});
