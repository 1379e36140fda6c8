import fc from 'fast-check';
import { plainName } from './plain-name';
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
