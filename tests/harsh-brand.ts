import { readFileSync } from 'node:fs';
import { Brand } from '@/core/brand/document/document';
import type { Token } from '@/core/brand/document/token-shape';

/** The demo brand, and in it every name and colour that a file or a language could stumble over. */
export const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));

const harsh: readonly (readonly [path: string, value: string, description?: string])[] = [
  // Words of many languages.
  ['class', '#123456'],
  ['default', '#654321'],
  ['in', '#0a0b0c', 'ends */ a --> comment ]]> in "every" \'language\' \\\nand begins a new line # ; // <!--'],
  ['type.static', '#fedcba'],
  ['day', '#00ff7f'],
  ['color', '#7f00ff'],
  // Digits first, digits side by side, capitals within.
  ['0.sky', '#87ceeb'],
  ['depth.1.2', '#010203'],
  ['depth.10.mark', '#030201'],
  ['aftDeck.topCoat', '#c0ffee'],
  // Letters that are not ASCII.
  ['größe.straße', '#808000'],
  ['глубина.моря', '#008080'],
  ['航路.灯台', '#800080'],
  ['__proto__', '#aabbcc'],
  ['constructor.name', '#ccbbaa'],
  // As long as a path may be.
  [`${'long-'.repeat(19)}path.${'long-'.repeat(19)}path`, '#111213'],
  // Black, white, a group that is a token as well.
  ['black', '#000000'],
  ['white', '#ffffff'],
  ['black.soft', '#1a1a1a'],
];

/** Colours that not every file can hold: translucent, and outside sRGB. */
export const RARE: Readonly<Record<string, string>> = {
  'veil.half': '#1f6f7880',
  'veil.thin': 'rgb(200 30 90 / 3%)',
  'wide.green': 'color(display-p3 0 1 0)',
  'wide.pink': 'oklch(0.7 0.35 350)',
};

function token(path: string, value: string, at: number, description = ''): Token {
  const values = Object.fromEntries(demo.themes.map(({ id }) => [id, { colour: value }]));
  return { id: `harsh-${at}`, path, role: 'other', description, on: [], values };
}

export const harshBrand = Brand.parse({
  ...demo,
  name: `Quay & "Sons" </script> */ -- \u202e ${'x'.repeat(60)}`,
  themes: demo.themes.map((theme, at) => ({
    ...theme,
    name: [`Day "*/ & <x>`, 'class', `1 night ]]> --> #`, `${'High contrast '.repeat(8)}`.trim()][at]!,
  })),
  tokens: [
    ...demo.tokens,
    ...harsh.map(([path, value, description], at) => token(path, value, at, description)),
    ...Object.entries(RARE).map(([path, value], at) => token(path, value, 1000 + at)),
  ],
});
