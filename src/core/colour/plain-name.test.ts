import fc from 'fast-check';
import { plainName, plainTitle } from './plain-name';
import { readColour } from './read';

/**
 * Central colours of ISCC–NBS blocks as sRGB (Kelly and Judd 1976, NBS SP 440; Centore's conversion), from memory, with the
 * system's spelling of grey made ours.
 */
const CENTRES = `
ffb5ba vivid pink, f9ccca light pink, dea5a4 moderate pink, be0032 vivid red, bc3f4a strong red, 841b2d deep red
ab4e52 moderate red, 722f37 dark red, 905d5d greyish red, 543d3f dark greyish red, 2e1d21 blackish red
e25822 vivid reddish orange, d9603b strong reddish orange, 79443b moderate reddish brown, 3e1d1e dark reddish brown
f38400 vivid orange, fab57f light orange, 80461b strong brown, a67b5b light brown, 6f4e37 moderate brown, 422518 dark brown
f6a600 vivid orange yellow, fbc97f light orange yellow, 996515 strong yellowish brown, 826644 moderate yellowish brown
f3c300 vivid yellow, f8de7e light yellow, f3e5ab pale yellow, f0ead6 yellowish white, 3b3121 dark olive brown
dcd300 vivid greenish yellow, eae679 light greenish yellow, 665d1e moderate olive, 8db600 vivid yellow green
c9dc89 light yellow green, 4a5d23 moderate olive green, 27a64c vivid yellowish green, 93c592 light yellowish green
008856 vivid green, 3b7861 moderate green, 1b4d3e dark green, dfede8 greenish white, 1e2321 greenish black
008882 vivid bluish green, 66ada4 light bluish green, 317873 moderate bluish green, 0085a1 vivid greenish blue
66aabc light greenish blue, 367588 moderate greenish blue, 00a1c2 vivid blue, a1caf1 very light blue, 70a3cc light blue
436b95 moderate blue, 00304e dark blue, bcd4e6 very pale blue, 536878 greyish blue, 202830 blackish blue, e9e9ed bluish white
51585e dark bluish grey, 30267a vivid purplish blue, 545aa7 strong purplish blue, 9065ca vivid violet, 604e97 strong violet
9a4eae vivid purple, 875692 strong purple, 86608e moderate purple, 563c5c dark purple, 870074 vivid reddish purple
9e4f88 strong reddish purple, 915c83 moderate reddish purple, ffc8d6 brilliant purplish pink, ce4676 vivid purplish red
b3446c strong purplish red, a8516e moderate purplish red, f2f3f4 white, b9b8b5 light grey, 848482 grey, 555555 dark grey, 222222 black
`;
const centres = CENTRES.trim()
  .split(/[,\n]\s*/)
  .map((entry) => /^([0-9a-f]{6}) (.+)$/.exec(entry)!.slice(1) as [string, string]);

test('most central colours of the published system get its hue word, and most its whole name or a neighbour of it', () => {
  const hueOf = (name: string) =>
    name.replace(/^(very |)(vivid|brilliant|strong|deep|light|moderate|dark|pale|blackish|greyish) (greyish )?/, '');
  const given = centres.map(([hex, name]) => ({ hex, name, ours: plainName(readColour(`#${hex}`)!) }));
  const share = (fits: (sample: (typeof given)[number]) => boolean) => given.filter(fits).length / given.length;
  expect(share(({ name, ours }) => hueOf(name) === hueOf(ours))).toBeGreaterThan(0.9);
  expect(share(({ name, ours }) => name === ours)).toBeGreaterThan(0.6);
});

/** Down a column the same hue and chroma grow lighter, along a row livelier: chroma .004, .02, .045, .08, .13 and .22. Ours. */
const LADDERS = `
55 0.15: black, brownish black, brownish black, very dark brown, very dark brown, very deep brown
55 0.24: black, brownish black, very dark brown, very dark brown, very deep brown, very deep brown
55 0.32: black, brownish black, dark brown, dark brown, deep brown, deep brown
55 0.42: dark grey, dark brownish grey, dark greyish brown, moderate brown, vivid brown, vivid brown
55 0.46: dark grey, dark brownish grey, greyish brown, moderate brown, vivid brown, vivid brown
55 0.5: dark grey, dark brownish grey, greyish brown, moderate brown, vivid brown, vivid brown
55 0.6: grey, brownish grey, light greyish brown, light brown, strong brown, vivid brown
55 0.7: grey, brownish grey, greyish orange, moderate orange, strong orange, vivid orange
55 0.78: light grey, light yellowish grey, pale orange, light orange, brilliant orange, vivid orange
55 0.85: light grey, light yellowish grey, very pale orange, light orange, brilliant orange, vivid orange
55 0.94: white, yellowish white, very pale orange, light orange, brilliant orange, vivid orange
90 0.15: black, yellowish black, yellowish black, yellowish black, blackish olive brown, very dark olive brown
90 0.24: black, yellowish black, blackish olive brown, very dark olive brown, very dark olive brown, very dark olive brown
90 0.32: black, yellowish black, dark olive brown, dark olive brown, dark olive brown, deep olive brown
90 0.42: dark grey, dark yellowish grey, dark greyish olive brown, moderate olive brown, strong olive brown, vivid olive brown
90 0.46: dark grey, dark yellowish grey, greyish olive brown, moderate olive brown, strong olive brown, vivid olive brown
90 0.5: dark grey, dark yellowish grey, light greyish olive brown, moderate olive brown, strong olive brown, vivid olive brown
90 0.6: grey, yellowish grey, light greyish olive brown, light olive brown, strong olive brown, vivid olive brown
90 0.7: grey, yellowish grey, greyish yellow, moderate yellow, strong yellow, vivid yellow
90 0.78: light grey, light yellowish grey, pale yellow, light yellow, brilliant yellow, vivid yellow
90 0.85: light grey, light yellowish grey, very pale yellow, light yellow, brilliant yellow, vivid yellow
90 0.94: white, yellowish white, very pale yellow, light yellow, brilliant yellow, vivid yellow
255 0.15: black, bluish black, very dark blue, very dark blue, very deep blue, very deep blue
255 0.24: black, blackish blue, very dark blue, very dark blue, very deep blue, very deep blue
255 0.32: black, blackish blue, dark blue, dark blue, deep blue, deep blue
255 0.42: dark grey, dark greyish blue, dark greyish blue, dark blue, deep blue, vivid blue
255 0.46: dark grey, greyish blue, greyish blue, dark blue, deep blue, vivid blue
255 0.5: dark grey, greyish blue, greyish blue, moderate blue, deep blue, vivid blue
255 0.6: grey, greyish blue, greyish blue, moderate blue, strong blue, vivid blue
255 0.7: grey, greyish blue, greyish blue, moderate blue, strong blue, vivid blue
255 0.78: light grey, pale blue, pale blue, light blue, brilliant blue, vivid blue
255 0.85: light grey, very pale blue, very pale blue, very light blue, brilliant blue, vivid blue
255 0.94: white, very pale blue, very pale blue, very light blue, brilliant blue, vivid blue
15 0.42: dark grey, dark pinkish grey, dark greyish red, dark red, deep red, vivid red
15 0.5: dark grey, dark pinkish grey, greyish red, moderate red, deep red, vivid red
15 0.78: light grey, light pinkish grey, pale pink, light pink, brilliant pink, vivid red
15 0.85: light grey, light pinkish grey, very pale pink, light pink, brilliant pink, vivid red
120 0.42: dark grey, dark greenish grey, dark greyish olive green, moderate olive green, strong olive green, vivid olive green
120 0.5: dark grey, dark greenish grey, light greyish olive green, light olive green, strong olive green, vivid olive green
120 0.78: light grey, light greenish grey, pale yellow green, light yellow green, brilliant yellow green, vivid yellow green
120 0.85: light grey, light greenish grey, very pale yellow green, light yellow green, brilliant yellow green, vivid yellow green
`;

/** Round the hue circle in steps of 12 degrees: dark, middle, light, a grey and a white with a tinge. Ours. */
const RING = `
0: dark purplish red, moderate purplish red, very pale pink, pinkish grey, pinkish white
12: dark red, moderate red, very pale pink, pinkish grey, pinkish white
24: dark red, moderate red, very pale pink, pinkish grey, pinkish white
36: dark reddish brown, strong reddish orange, very pale yellowish pink, pinkish grey, pinkish white
48: dark brown, strong brown, light orange, brownish grey, yellowish white
60: dark brown, strong brown, light orange, brownish grey, yellowish white
72: dark yellowish brown, strong yellowish brown, very pale orange yellow, brownish grey, yellowish white
84: dark olive brown, strong olive brown, very pale yellow, yellowish grey, yellowish white
96: dark olive brown, strong olive brown, very pale yellow, yellowish grey, yellowish white
108: dark olive, strong olive, very pale greenish yellow, yellowish grey, yellowish white
120: moderate olive green, light olive green, very pale yellow green, greenish grey, greenish white
132: dark yellowish green, strong yellowish green, light yellowish green, greenish grey, greenish white
144: dark yellowish green, strong yellowish green, light yellowish green, greenish grey, greenish white
156: dark green, strong green, very light green, greenish grey, greenish white
168: dark green, strong green, very light green, greenish grey, greenish white
180: deep bluish green, vivid bluish green, very light bluish green, bluish grey, bluish white
192: deep bluish green, vivid bluish green, very light bluish green, bluish grey, bluish white
204: dark greenish blue, strong greenish blue, very light greenish blue, bluish grey, bluish white
216: dark greenish blue, strong greenish blue, very light greenish blue, bluish grey, bluish white
228: dark blue, strong blue, very light blue, bluish grey, bluish white
240: dark blue, strong blue, very light blue, bluish grey, bluish white
252: dark blue, strong blue, very light blue, bluish grey, bluish white
264: dark blue, strong blue, very light blue, bluish grey, bluish white
276: dark purplish blue, strong purplish blue, very light purplish blue, bluish grey, bluish white
288: dark violet, strong violet, very light violet, purplish grey, purplish white
300: dark violet, strong violet, very light violet, purplish grey, purplish white
312: dark purple, strong purple, very light purple, purplish grey, purplish white
324: dark purple, strong purple, very light purple, purplish grey, purplish white
336: dark reddish purple, strong reddish purple, light purplish pink, purplish grey, purplish white
348: dark purplish red, strong purplish red, light purplish pink, pinkish grey, pinkish white
`;

const rows = (table: string) =>
  table
    .trim()
    .split('\n')
    .map((row) => row.split(': ') as [string, string]);
const named = (l: number, c: number, h: number) => plainName(readColour(`oklch(${l} ${c} ${h})`)!);

test.each(rows(LADDERS))('hue and lightness %s', (place, names) => {
  const [h, l] = place.split(' ').map(Number) as [number, number];
  expect([0.004, 0.02, 0.045, 0.08, 0.13, 0.22].map((c) => named(l, c, h)).join(', ')).toBe(names);
});

test.each(rows(RING))('hue %s', (hue, names) => {
  const places = [[0.35, 0.08], [0.6, 0.12], [0.88, 0.06], [0.6, 0.01], [0.9, 0.012]] as const; // prettier-ignore
  expect(places.map(([l, c]) => named(l, c, Number(hue))).join(', ')).toBe(names);
});

test('a swatch has the name with a capital', () => {
  expect(plainTitle(readColour('#f8de7e')!)).toBe('Light yellow');
});

test('every colour has a name in plain words, and greys have no hue in theirs', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffff }), (value) => {
      expect(plainName(readColour(`#${value.toString(16).padStart(6, '0')}`)!)).toMatch(/^[a-z]+( [a-z]+){0,3}$/);
    }),
  );
  for (let value = 0; value < 256; value++) {
    expect(plainName(readColour(`rgb(${value} ${value} ${value})`)!)).toMatch(/^(white|(light |dark |)grey|black)$/);
  }
});
