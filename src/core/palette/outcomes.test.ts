/**
 * What each tool makes of some fixed colours, to the last digit. Properties beside the tools say what a good outcome is;
 * these say that it stays the same, as people count on: a seed, a note of a setting, a palette made again years later.
 * Where a tool is changed on purpose, look at the new colours before you take them: jest -u writes them.
 */
import { adjust, NO_ADJUSTMENT } from './adjust';
import { categorical, hardestPair, type Categorical } from './categorical';
import { evenPlaces } from './even-steps';
import { appearanceOf, arrangementOf, chromaPart, evenness, huesPart, lightnessPart, separationPart } from './evenness';
import { generate, midway } from './generate';
import { angleOn, hueAt, oneHue, turned } from './harmony';
import { neutrals } from './neutrals';
import { ordered, ORDERS, shuffled } from './order';
import { EASINGS, ramp, RAMP_SPACES, type Ramp } from './ramp';
import { mergeNear, reduceTo, type Group } from './reduce';
import { relatedSets } from './related';
import { diverging, sequential } from './series';
import { settle, settledShare } from './settle';
import { ladderLightness, shades } from './shades';
import { terminal } from './terminal';

const CORE = ['#1f6f78', '#da452c', '#f0bb3b', '#6b46a0', '#162631', '#ddf0ee', '#2c965d', '#80808080'];
const lines = (entries: readonly (readonly [name: string, colours: readonly string[]])[]) =>
  entries.map(([name, colours]) => `${name}: ${colours.join(' ')}`).join('\n');
const rounded = (values: readonly number[], places = 3) => values.map((value) => value.toFixed(places)).join(' ');

test('a set adjusted', () => {
  const changes = { lightness: 0.3, chroma: 0.5, hue: 40, warmth: 0.6, contrast: 0.5 } as const;
  const each = Object.entries(changes).flatMap(([name, value]) =>
    [value, -value].map((by) => [`${name} ${by}`, adjust(CORE, { ...NO_ADJUSTMENT, [name]: by })] as const),
  );
  expect(lines([...each, ['none of no colours', adjust([], { ...changes })]])).toMatchInlineSnapshot(`
   "lightness 0.3: #529ca6 #ff6d53 #ffcd51 #9975d3 #4f616e #e3f6f4 #57bc80 #a4a4a480
   lightness -0.3: #00454d #9a0000 #9d7000 #441b73 #05141e #849694 #00602b #4d4d4d80
   chroma 0.5: #007380 #f60000 #fbb700 #732dc0 #0c2737 #d6f2ef #009d4e #80808080
   chroma -0.5: #49696e #b26a5c #dac18c #645480 #1d252b #e4eeed #608c6f #80808080
   hue 40: #3d678b #b56e00 #aed461 #8f3676 #212232 #deeef6 #009597 #80808080
   hue -40: #337159 #cf428c #ffa779 #295aac #10282a #e3efe4 #7e8816 #80808080
   warmth 0.6: #4b6c5a #e43600 #ffb300 #7c4485 #2b2218 #e5eee4 #5e912e #977a5e80
   warmth -0.6: #007091 #c9565a #dec26a #5944bb #002648 #d5f1f8 #009880 #65849f80
   contrast 0.5: #056069 #da452c #ffe185 #5a348d #000309 #ffffff #2c965d #80808080
   contrast -0.5: #317e87 #da452c #cc9800 #7c58b3 #41525f #a6b9b7 #2c965d #80808080
   none of no colours: "
  `);
});

test('a set in every order, and shuffled', () => {
  const things = [...CORE, '#808080', '#1f6f79', '#333333'].map((value) => ({ value }));
  expect(
    lines([
      ...ORDERS.map((by) => [by, ordered(things, by).map(({ value }) => value)] as const),
      ...[0, 1, 99].map((seed) => [`shuffled ${seed}`, shuffled(CORE, seed)] as const),
    ]),
  ).toMatchInlineSnapshot(`
   "hue: #162631 #333333 #80808080 #808080 #ddf0ee #da452c #f0bb3b #2c965d #1f6f78 #1f6f79 #6b46a0
   lightness: #162631 #333333 #6b46a0 #1f6f78 #1f6f79 #2c965d #80808080 #808080 #da452c #f0bb3b #ddf0ee
   chroma: #333333 #80808080 #808080 #ddf0ee #162631 #1f6f78 #1f6f79 #2c965d #6b46a0 #f0bb3b #da452c
   path: #162631 #333333 #6b46a0 #1f6f79 #1f6f78 #2c965d #808080 #80808080 #da452c #f0bb3b #ddf0ee
   shuffled 0: #2c965d #80808080 #6b46a0 #ddf0ee #f0bb3b #1f6f78 #162631 #da452c
   shuffled 1: #6b46a0 #162631 #f0bb3b #ddf0ee #80808080 #1f6f78 #2c965d #da452c
   shuffled 99: #1f6f78 #80808080 #f0bb3b #162631 #da452c #ddf0ee #2c965d #6b46a0"
  `);
});

test('ramps through each space, by each easing, to a pinned end and to one that follows', () => {
  const plain: Ramp = {
    from: '#1f6f78',
    to: { pinned: '#f0bb3b80' },
    count: 5,
    space: 'oklch',
    hue: 'shorter',
    easing: 'even',
    perceived: false,
  };
  expect(
    lines([
      ...RAMP_SPACES.map((space) => [space, ramp({ ...plain, space })] as const),
      ...EASINGS.map((easing) => [easing, ramp({ ...plain, easing, count: 6 })] as const),
      ['longer', ramp({ ...plain, hue: 'longer' })],
      ['longer from grey', ramp({ ...plain, from: '#808080', hue: 'longer' })],
      ['as seen', ramp({ ...plain, perceived: true })],
      ['to white', ramp({ ...plain, to: { towards: 'white', way: 0.75, chroma: 0.25 } })],
      ['to black', ramp({ ...plain, to: { towards: 'black', way: 0.75, chroma: 0.25 } })],
    ]),
  ).toMatchInlineSnapshot(`
   "oklch: #1f6f78 #2c8c78df #63a466c0 #a8b44aa0 #f0bb3b80
   oklab: #1f6f78 #5e8473df #90976ac0 #c0a959a0 #f0bb3b80
   lab: #1f6f78 #68826ddf #999461c0 #c5a851a0 #f0bb3b80
   linear: #1f6f78 #83876ddf #b29b60c0 #d4ac50a0 #f0bb3b80
   even: #1f6f78 #258679e6 #4a9b6fcc #7dac5cb3 #b6b64499 #f0bb3b80
   close at start: #1f6f78 #1e7479fa #20827aeb #419772d1 #88ae57ae #f0bb3b80
   close at end: #1f6f78 #419772d1 #88ae57ae #c2b74094 #e5ba3a85 #f0bb3b80
   close at both: #1f6f78 #1d7b7af2 #3f9772d2 #8baf56ad #d2b93c8d #f0bb3b80
   longer: #1f6f78 #5f78b2df #b579b7c0 #f28880a0 #f0bb3b80
   longer from grey: #808080 #9b8f77df #b79e6ac0 #d3ad59a0 #f0bb3b80
   as seen: #1f6f78 #2d8d77de #6ba763bb #b0b5479c #f0bb3b80
   to white: #1f6f78 #4f8990 #78a3a9 #a0bec2 #c8dadc
   to black: #1f6f78 #15525a #0c373d #051e22 #01080a"
  `);
});

test('ladders of shades and of greys', () => {
  expect(
    lines([
      ...['#1f6f78', '#f0bb3b', '#808080', '#da452c80', 'oklch(0.7 0.3 150)'].map(
        (base) => [base, shades(base).map(({ value }) => value)] as const,
      ),
      [
        'five',
        shades('#6b46a0', ['a', 'b', 'c', 'd', 'e']).map(({ label, value, base }) => `${label}${base ? '*' : ''} ${value}`),
      ],

      ['one', shades('#6b46a0', ['a']).map(({ value }) => value)],
      ...neutrals(195, 0.02).map(({ label, hue, values }) => [`${label} ${hue}`, values] as const),
      ...neutrals(10, 0.01).map(({ label, hue, values }) => [`${label} ${hue}`, values.slice(0, 3)] as const),
      ['L*', ladderLightness(4).map(String)],
    ]),
  ).toMatchInlineSnapshot(`
   "#1f6f78: #ecf9fb #def0f2 #c6e0e4 #a5cacf #7fb1b7 #59969e #357d86 #1f6f78 #025159 #003b41 #00282d
   #f0bb3b: #fff6e2 #ffeac0 #fed683 #f0bb3b #d2a123 #b28600 #936d00 #775800 #5e4500 #453200 #302100
   #808080: #f6f6f6 #ececec #dbdbdb #c4c4c4 #a8a8a8 #808080 #737373 #5d5d5d #494949 #353535 #242424
   #da452c80: #fff4f280 #ffe7e280 #ffd1c780 #ffb0a080 #fd877080 #eb604780 #da452c80 #b02b1480 #91170180 #6c0e0080 #4d070080
   oklch(0.7 0.3 150): #ddffe3 #aeffbf #71f594 #00e169 oklch(0.7 0.3 150) #00a24a #00853c #006c2f #005524 #003e18 #002b0e
   five: a #f8f5ff b #d7c9f4 c #9b7fcb d* #6b46a0 e #301452
   one: #6b46a0
   Cold 250: #f4f7fa #e8edf2 #d6dce3 #bcc5ce #9faab5 #848e99 #6b747f #555e68 #414a54 #2d363f #1c242d
   Cool 222.5: #f2f7f9 #e7eef0 #d3dde1 #b9c6cb #9babb1 #808f95 #67767b #515f65 #3d4b51 #29373c #19262a
   Of the brand 195: #f2f7f7 #e6eeee #d3dedd #b8c7c6 #9aacac #7f9090 #667776 #506060 #3c4c4c #283837 #182626
   Mild 135: #f5f7f3 #eaede8 #d8ddd5 #bfc6bb #a3ab9e #878f83 #6e766a #585f54 #444b40 #30372c #1f251c
   Warm 75: #f9f6f2 #f0ece7 #e0dbd3 #cac3b9 #b0a79b #948c80 #7b7267 #645c51 #50483d #3b342a #2a2319
   Cold 250: #f5f7f8 #eaedef #d9dcdf
   Cool 310: #f7f6f8 #edecef #dddbde
   Of the brand 10: #f8f6f6 #efebec #dfdadb
   Mild 42.5: #f8f6f5 #efecea #dfdad9
   Warm 75: #f8f6f4 #eeecea #dedbd7
   L*: 97 75.66666666666667 42.5 14"
  `);
});

test('series for data', () => {
  const falling = {
    hues: ['#1f6f78', '#f0bb3b', '#6b46a0'],
    count: 7,
    light: 0.97,
    dark: 0.3,
    first: 'light',
    chroma: 1,
  } as const;
  const arms = { low: '#1f6f78', high: '#da452c', count: 7, middle: 0.96, end: 0.4, tint: 0 } as const;
  expect(
    lines([
      ['three hues', sequential(falling)],
      ['dark first', sequential({ ...falling, first: 'dark' })],
      ['one hue, livelier', sequential({ ...falling, hues: ['#1f6f78'], chroma: 1.3 })],
      ['a grey and a hue', sequential({ ...falling, hues: ['#808080', '#da452c'] })],
      ['round by red', sequential({ ...falling, hues: ['oklch(0.8 0.1 340)', 'oklch(0.5 0.1 20)'] })],
      ['odd', diverging(arms)],
      ['even', diverging({ ...arms, count: 6 })],
      ['tinted', diverging({ ...arms, tint: 0.03 })],
      ['round by red', diverging({ ...arms, low: 'oklch(0.5 0.1 340)', high: 'oklch(0.5 0.1 30)', tint: 0.02, count: 4 })],
      ['three', diverging({ ...arms, count: 3 })],
    ]),
  ).toMatchInlineSnapshot(`
   "three hues: #fff4de #f0be4e #9ab555 #429d80 #2a7c8e #4b5ca7 #352152
   dark first: #352152 #4b5ca7 #2a7c8e #429d80 #9ab555 #f0be4e #fff4de
   one hue, livelier: #e5fafc #abd5da #71b2ba #37939e #007782 #00575f #00353a
   a grey and a hue: #fff2ef #ffc6ba #fd8b75 #b76e5f #887672 #5a5a5a #2e2e2e
   round by red: #fff0f9 #f3c9e4 #de97c2 #c0748d #a55962 #7b3c3e #482021
   odd: #00525a #508a91 #a3bec1 #f2f2f2 #e4a79a #ca5540 #861300
   even: #00525a #5f9399 #c6d5d7 #ecc8c1 #d06450 #861300
   tinted: #00525a #4f8e96 #a0cbc7 #eff5df #eeb191 #cf5842 #861300
   round by red: #6a2f58 #c69eb8 #ce9e96 #742f25
   three: #00525a #f2f2f2 #861300"
  `);
});

test('categories', () => {
  const wish: Categorical = {
    count: 6,
    given: [],
    ground: '#ffffff',
    contrast: 3,
    visions: ['protan', 'deutan', 'tritan'],
    lightness: [0.42, 0.82],
    liveliness: 1,
  };
  const told = (wished: Categorical) => {
    const { colours, closest } = categorical(wished);
    return [
      ...colours,
      closest ? `(${closest.one}, ${closest.two}, ${closest.distance.toFixed(3)}, ${closest.vision})` : '(none)',
    ];
  };
  const pair = hardestPair(CORE, ['normal', 'deutan'])!;
  expect(
    lines([
      ['on white', told(wish)],
      ['on ink', told({ ...wish, ground: '#162631', visions: [] })],
      ['muted ones too', told({ ...wish, count: 3, liveliness: 0.6, lightness: [0.5, 0.7] })],
      ['with two given', told({ ...wish, given: CORE.slice(0, 2) })],
      ['one', told({ ...wish, count: 1 })],
      ['hardest pair of the core', [`${pair.one} ${pair.two} ${pair.distance.toFixed(3)} ${pair.vision}`]],
      ['hardest of one', [String(hardestPair(['#fff'], ['normal']))]],
    ]),
  ).toMatchInlineSnapshot(`
   "on white: #ff611b #005956 #a561ff #c00d00 #00a39d #8100b8 (3, 5, 19.332, tritan)
   on ink: #4258ff #b45300 #008959 #ff8fb4 #00cbf6 #d0b800 (1, 5, 37.166, normal)
   muted ones too: #8688ff #909100 #b00074 (1, 2, 27.971, tritan)
   with two given: #1f6f78 #da452c #c56aff #8f0049 #00a682 #8400e6 (0, 5, 16.822, deutan)
   one: #8f0049 (none)
   hardest pair of the core: 0 3 11.798 deutan
   hardest of one: null"
  `);
  const shares: number[] = [];
  categorical({ ...wish, count: 2 }, (share) => shares.push(share));
  expect(shares).toEqual([0, 0.125, 0.25, 0.375, 0.5, 0.625, 0.75, 0.875]);
});

test('near colours become one', () => {
  const many = Array.from({ length: 24 }, (_, at) => ({
    id: `${at}`,
    value: `#${((at * 2_796_203) & 0xffffff).toString(16).padStart(6, '0')}`,
    locked: at === 7,
  }));
  const told = (groups: readonly Group[]) =>
    groups.map(({ keep, merge }) => `${keep}(${merge.map(({ id, distance }) => `${id} ${distance.toFixed(2)}`).join(', ')})`);
  expect(
    lines([
      ['to 6', told(reduceTo(many, 6))],
      ['to 6, even ones rather', told(reduceTo(many, 6, (id) => Number(id) % 2 === 0))],
      ['within 14', told(mergeNear(many, 14))],
      ['within 14, the later ones rather', told(mergeNear(many, 14, (id) => Number(id) > 11))],
    ]),
  ).toMatchInlineSnapshot(`
   "to 6: 6(0 0.85, 12 0.82, 18 1.60) 7(1 0.77, 13 0.77, 19 1.54) 9(3 0.41, 15 0.42, 21 0.83) 14(2 2.45, 8 1.19, 20 1.14) 16(4 2.13, 10 1.04, 22 1.00) 17(5 1.26, 11 0.63, 23 0.63)
   to 6, even ones rather: 6(0 0.85, 12 0.82, 18 1.60) 7(1 0.77, 13 0.77, 19 1.54) 9(3 0.41, 15 0.42, 21 0.83) 14(2 2.45, 8 1.19, 20 1.14) 16(4 2.13, 10 1.04, 22 1.00) 17(5 1.26, 11 0.63, 23 0.63)
   within 14: 0(6 0.85, 12 1.66, 18 2.45) 2(8 1.26, 14 2.45, 20 3.58) 3(9 0.41, 15 0.83, 21 1.25) 4(10 1.09, 16 2.13, 22 3.12) 5(11 0.63, 17 1.26, 23 1.89) 7(1 0.77, 13 0.77, 19 1.54)
   within 14, the later ones rather: 7(1 0.77, 13 0.77, 19 1.54) 12(0 1.66, 6 0.82, 18 0.79) 14(2 2.45, 8 1.19, 20 1.14) 15(3 0.83, 9 0.42, 21 0.42) 16(4 2.13, 10 1.04, 22 1.00) 17(5 1.26, 11 0.63, 23 0.63)"
  `);
});

test('related sets, and hues on the painters’ wheel', () => {
  expect(lines(relatedSets(CORE.slice(0, 3)).map(({ id, label, colours }) => [`${id} (${label})`, colours] as const)))
    .toMatchInlineSnapshot(`
   "found (As found): #1f6f78 #da452c #f0bb3b
   muted (Muted): #4c696c #ad6d60 #d8c192
   vivid (Vivid): #007380 #f60000 #fbb700
   dark (Dark): #003f46 #840000 #765200
   light (Light): #a9d3d9 #ffbbaa #ffdf9e
   complement (Complement): #1f6f78 #89524c
   split (Split complement): #1f6f78 #855064 #845737
   analogous (Analogous): #1f6f78 #2a7161 #346988 #466f49 #4f628e
   triad (Triad): #1f6f78 #79547a #76602c
   tetrad (Tetrad): #1f6f78 #675a89 #89524c #616834
   one-hue (One hue): #003037 #004c54 #1f6f78 #528a92 #7da6ac"
  `);
  const hues = [0, 28, 50, 100, 200, 300, 359];
  expect([
    rounded(hues.map((hue) => angleOn('traditional', hue))),
    rounded([0, 30, 95, 359, 361, -1].map((angle) => hueAt('traditional', angle))),
    rounded(
      [370, -10, 0].map((angle) => hueAt('perceptual', angle)),
      0,
    ),
    turned([0.5, 0.1, 350], 20),
    oneHue([0.8, 0.1, 200]).map((colour) => rounded(colour, 3)),
  ]).toMatchInlineSnapshot(`
   [
     "337.895 0.000 45.000 116.000 216.429 290.769 337.105",
     "28.000 42.000 79.000 26.733 28.467 26.733",
     "10 350 0",
     [
       0.5,
       0.1,
       10,
     ],
     [
       "0.440 0.100 200.000",
       "0.600 0.100 200.000",
       "0.800 0.100 200.000",
       "0.960 0.080 200.000",
       "0.960 0.060 200.000",
     ],
   ]
  `);
});

test('sets from a seed', () => {
  const mood = { lightness: 0.6, chroma: 0.7, spread: 0.8 };
  expect(
    lines([
      ['seed 1', generate({ seed: 1, mood, places: Array<null>(5).fill(null) })],
      ['seed 2', generate({ seed: 2, mood, places: Array<null>(5).fill(null) })],
      ['with kept ones', generate({ seed: 1, mood, places: [null, '#1f6f78', null, 'oklch(0.7 0.1 60)'] })],
      ['light and grey', generate({ seed: 3, mood: { lightness: 0.95, chroma: 0.1, spread: 0.1 }, places: [null, null, null] })],
      ['dark', generate({ seed: 3, mood: { lightness: 0.1, chroma: 1, spread: 1 }, places: [null, null, null] })],
      ['midway', [midway('#1f6f78', '#f0bb3b'), midway('#da452c', '#6b46a0')]],
    ]),
  ).toMatchInlineSnapshot(`
   "seed 1: #2c5150 #eb81e1 #50a672 #bc4d4b #dac06a
   seed 2: #b7abe7 #43522c #6845c6 #589764 #eeb16c
   with kept ones: #aa4cbb #1f6f78 #772b4b oklch(0.7 0.1 60)
   light and grey: #bdc1c7 #f1f2f3 #a1a7ae
   dark: #1d001c #123104 #3f0975
   midway: #90976a #a24f72"
  `);
});

test('terminal colours', () => {
  const told = (roles: ReturnType<typeof terminal>) =>
    roles.map(({ role, value, from }) => `${role} ${value}${from ? `<${from}` : ''},`);
  const plain = { from: CORE, ground: 'dark', seed: 0, lift: 0 } as const;
  expect(
    lines([
      ['dark', told(terminal(plain))],
      ['light', told(terminal({ ...plain, ground: 'light' }))],
      ['another seed', told(terminal({ ...plain, seed: 5 }))],
      ['lifted', told(terminal({ ...plain, lift: 3 }))],
      ['from nothing', told(terminal({ ...plain, from: [] }))],
      ['from nothing, light', told(terminal({ ...plain, from: [], ground: 'light' }))],
      ['one hue', told(terminal({ ...plain, from: ['#c2661d', '#e08a3a', '#5c2b0a', '#f2c79b'] }))],
    ]),
  ).toMatchInlineSnapshot(`
   "dark: black #31393f, red #e95339<#da452c, green #2e985f<#2c965d, yellow #f0bb3b<#f0bb3b, blue #9d96f9, magenta #9874d2<#6b46a0, cyan #46919a<#1f6f78, white #c2ccd3, bright black #6a737a, bright red #ff8169<#da452c, bright green #45ba79<#2c965d, bright yellow #ffe0a1<#f0bb3b, bright blue #bebcff, bright magenta #b890fb<#6b46a0, bright cyan #5db1bc<#1f6f78, bright white #ecf7fe, ground #11212c, text #d5e0e7, cursor #e95339,
   light: black #192423, red #ca351c<#da452c, green #007d46<#2c965d, yellow #8f6500<#f0bb3b, blue #5e53af, magenta #6b46a0<#6b46a0, cyan #1f6f78<#1f6f78, white #c3d1d0, bright black #4c5857, bright red #a11900<#da452c, bright green #005c32<#2c965d, bright yellow #6b4b00<#f0bb3b, bright blue #443296, bright magenta #512386<#6b46a0, bright cyan #005259<#1f6f78, bright white #9ba8a6, ground #e0f3f1, text #212b2a, cursor #ca351c,
   another seed: black #31393f, red #e95339<#da452c, green #2e985f<#2c965d, yellow #ca9e1a, blue #9874d2<#6b46a0, magenta #df7fbf, cyan #46919a<#1f6f78, white #c2ccd3, bright black #6a737a, bright red #ff8169<#da452c, bright green #45ba79<#2c965d, bright yellow #efbd2f, bright blue #b890fb<#6b46a0, bright magenta #ffa0de, bright cyan #5db1bc<#1f6f78, bright white #ecf7fe, ground #11212c, text #d5e0e7, cursor #e95339,
   lifted: black #495157, red #fa6449<#da452c, green #4db277<#2c965d, yellow #ffd967<#f0bb3b, blue #b9b5ff, magenta #9874d2<#6b46a0, cyan #45919a<#1f6f78, white #dfe9f1, bright black #848e94, bright red #ffc3b3<#da452c, bright green #82f3ae<#2c965d, bright yellow #ffffff<#f0bb3b, bright blue #fbfbff, bright magenta #d2b1ff<#6b46a0, bright cyan #79ced9<#1f6f78, bright white #ffffff, ground #11212c, text #f3fdff, cursor #fa6449,
   from nothing: black #292929, red #e6867b, green #72b875, yellow #b6a643, blue #7ba4f0, magenta #cf88c8, cyan #17bac8, white #cacaca, bright black #717171, bright red #ffaba0, bright green #8bda8e, bright yellow #d8c657, bright blue #a5c5ff, bright magenta #f4a4ec, bright cyan #30ddec, bright white #f5f5f5, ground #121212, text #dedede, cursor #dedede,
   from nothing, light: black #222222, red #9c443c, green #2f7434, yellow #716400, blue #3c61a7, magenta #884783, cyan #00717a, white #d7d7d7, bright black #555555, bright red #80201c, bright green #005812, bright yellow #524800, bright blue #1d438d, bright magenta #6c2668, bright cyan #005259, bright white #a4a4a4, ground #f8f8f8, text #292929, cursor #292929,
   one hue: black #3f3631, red #c96d26<#c2661d, green #8ab54f, yellow #f2c79b<#f2c79b, blue #a394f6, magenta #e17eb9, cyan #00bfa4, white #d3c8c2, bright black #796f6a, bright red #f1883b<#c2661d, bright green #a6d764, bright yellow #ffe2c6<#f2c79b, bright blue #c2baff, bright magenta #ffa1d8, bright cyan #24e2c3, bright white #fef2ec, ground #2e190d, text #e7dbd5, cursor #c96d26,"
  `);
});

test('settled, and a share of the way', () => {
  const colours = CORE.map((value, at) => ({ value, locked: at === 1 }));
  const told = ({ values, moved, before, after }: ReturnType<typeof settle>) => [
    ...values,
    '|',
    rounded(moved, 2),
    '|',
    `${before?.score.toFixed(2)} ${after?.score.toFixed(2)}`,
  ];
  const whole = settle(colours);
  expect(
    lines([
      ['whole', told(whole)],
      ['by at most 2', told(settle(colours, 2))],
      ['half of the way', told(settledShare(colours, whole, 0.5))],
      ['none of it', told(settledShare(colours, whole, 0))],
      [
        'from elsewhere',
        told(
          settle([
            { value: '#1f6f78', origin: '#1f6f70', locked: false },
            { value: '#205080', locked: false },
            { value: '#80ffff', locked: false },
          ]),
        ),
      ],
    ]),
  ).toMatchInlineSnapshot(`
   "whole: #076c83 #da452c #e6af25 #5b338f #283944 #c0d7d5 #1da464 #8f8f8f80 | 5.75 0.00 3.10 5.87 5.99 5.95 4.50 5.39 | 63.70 77.73
   by at most 2: #006c78 #da452c #f2bc3d #664199 #1c2c37 #d4e7e5 #329b61 #85858580 | 1.88 0.00 0.42 1.82 1.88 1.95 1.72 1.86 | 63.70 68.64
   half of the way: #156e7e #da452c #ebb531 #633d97 #1f2f3a #cee3e1 #269d60 #87878780 | 2.92 0.00 1.52 2.92 2.82 3.01 2.31 2.59 | 63.70 70.66
   none of it: #1f6f78 #da452c #f0bb3b #6b46a0 #162631 #ddf0ee #2c965d #80808080 | 0.00 0.00 0.00 0.00 0.00 0.00 0.00 0.00 | 63.70 63.70
   from elsewhere: #217f81 #0b4065 #91e7e5 | 5.77 5.92 5.83 | 74.87 91.42"
  `);
});

test('evenness: each part by hand, and of some sets', () => {
  expect([lightnessPart([0, 0.5, 1]), lightnessPart([0.2, 0.9]), lightnessPart([0, 0.9, 1])]).toEqual([100, 100, 0]);
  expect(lightnessPart([0, 0.6, 1])).toBeCloseTo(100 * (1 - Math.sqrt(0.01 / 3) / 0.12), 9);
  expect(lightnessPart([0.2, 0.3, 0.5, 0.8])).toBeCloseTo(100 * (1 - Math.sqrt(0.02 / 4) / 0.12), 9);
  expect([chromaPart([]), chromaPart([0.1]), chromaPart([0.05, 0.17])]).toEqual([100, 100, expect.closeTo(40, 9)]);
  expect(chromaPart([0.1, 0.1, 0.2])).toBeCloseTo(100 * (1 - Math.sqrt(0.01 / 3) / 0.1), 9);
  expect(chromaPart([0.2, 0.2])).toBeCloseTo(70, 9);
  expect([separationPart(18, 2), separationPart(24, 2)]).toEqual([75, 100]);
  const { arrangement, turn } = arrangementOf([appearanceOf(31, 111, 120), appearanceOf(218, 69, 44)]);
  expect([turn, huesPart(0, 0, arrangement), huesPart(6, 1, arrangement), huesPart(100, 1, arrangement)]).toEqual([
    expect.any(Number),
    100,
    50,
    0,
  ]);
  const parts = (colours: readonly string[]) => {
    const found = evenness(colours)!;
    return [rounded([found.score, ...Object.values(found.parts).filter((part) => part !== null)], 2)];
  };
  expect(
    lines([
      ['core', parts(CORE)],
      ['primaries', parts(['#ff0000', '#00ff00', '#0000ff', '#ffff00', '#ff00ff', '#00ffff'])],
      ['greys', parts(['#000', '#444', '#999', '#fff'])],
      ['seven by chance', parts([0, 52, 99, 170, 205, 291, 330].map((hue) => `oklch(0.7 0.09 ${hue})`))],
      ['three spokes', parts([0, 121, 239].map((hue) => `oklch(0.7 0.09 ${hue})`))],
    ]),
  ).toMatchInlineSnapshot(`
   "core: 63.70 53.54 38.49 62.78 100.00
   primaries: 52.38 57.39 52.12 0.00 100.00
   greys: 94.19 100.00 76.77 100.00 100.00
   seven by chance: 87.04 54.07 99.94 99.59 94.55
   three spokes: 99.36 97.78 99.90 99.77 100.00"
  `);
  expect(evenness([])).toBeNull();
});

test('places in proportion along ways that bend', () => {
  const squared = (from: number, to: number) => Math.abs(to * to - from * from);
  expect(rounded(evenPlaces([0, 0.25, 0.5, 1], squared), 4)).toBe('0.0000 0.5000 0.7071 1.0000');
  expect(evenPlaces([0, 0.5, 1], () => 0)).toEqual([0, 0.5, 1]);
  const bent = (at: number): [number, number] => (at < 0.5 ? [at, 0] : [0.5, at - 0.5]);
  const distance = (from: number, to: number) => Math.hypot(bent(from)[0] - bent(to)[0], bent(from)[1] - bent(to)[1]);
  expect(rounded(evenPlaces([0, 1 / 3, 2 / 3, 1], distance), 4)).toMatchInlineSnapshot(`"0.0000 0.2934 0.7066 1.0000"`);
});
