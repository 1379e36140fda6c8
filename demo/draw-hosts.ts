/**
 * Draws the settings files that the demo's harbour office has had for years, with colours of its own among hundreds of other
 * settings: npm run demo-files writes them into demo/hosts. All invented, and the same at every run.
 */
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { Brand, serialiseBrand } from '../src/core/brand/document/document';
import { type Graft } from '../src/core/brand/document/graft-shape';
import { readHost } from '../src/core/graft/host';

const FOLDER = 'demo/hosts';
mkdirSync(FOLDER, { recursive: true });

const QUAYS = ['North quay', 'Mill quay', 'Outer mole', 'Fish steps', 'Coal arm', 'Ferry stage'];
/** Sea states as the planner has shown them so far: from pale to dark, by hand. */
const SEA = ['E9F4F7', 'CBE0E8', 'AECBD8', '92B6C9', '77A1BA', '5D8CAC', '43789D', '2A638F', '0D4E81', '013972'];
const ROUTES = ['1A6FAA', 'DA5E2D', '2D955E', '6C47A0', 'D9B23B', '01635F', 'D276A4', '6A4424'];

const berths = QUAYS.flatMap((quay, q) =>
  Array.from({ length: 12 }, (_, at) => {
    const number = q * 12 + at + 1;
    const [depth, length] = [3 + ((number * 7) % 50) / 10, 20 + ((number * 13) % 160)];
    return [
      `    <berth id="b${number}" name="${quay} ${at + 1}" depth="${depth.toFixed(1)}" length="${length}">`,
      `      <crane>${number % 3 === 0 ? 'yes' : 'no'}</crane>`,
      `      <tide reference="chart datum" offset="${((number % 7) - 3) / 10}"/>`,
      `      <power volts="400" amps="${32 + (number % 4) * 16}"/>`,
      `    </berth>`,
    ].join('\r\n');
  }),
);
const planner = [
  '<?xml version="1.0" encoding="UTF-8"?>',
  '<!-- Berth planner, settings of the harbour office. The old scheme had #336699 for everything. -->',
  '<planner version="4.2" stroke-width="2" refresh="30">',
  '  <general>',
  ...Array.from({ length: 40 }, (_, at) => `    <setting key="option.${at + 1}" value="${(at * 37) % 100}"/>`),
  '    <setting key="path.exports" value="/srv/planner/#archive"/>',
  '    <setting key="note.harbour-master" value="Never use the red #ff0000 on the night chart"/>',
  '  </general>',
  '  <chart ground="#FFFFFF" grid="#D2D7DB" title="#15252F" label="#3A4A52">',
  '    <legend position="right" border="#888888"/>',
  '  </chart>',
  '  <states>',
  ...(
    [
      ['free', '#2C965E'],
      ['reserved', '#F0BA3A'],
      ['occupied', '#19709A'],
      ['blocked', '#D9442B'],
      ['maintenance', '#9A9A9A'],
    ] as const
  ).map(
    ([name, colour], at) =>
      `    <state name="${name}" order="${at + 1}" fill="${colour}" text="${at === 1 ? '#15252F' : '#FFFFFF'}"/>`,
  ),
  '  </states>',
  '  <sea-states>',
  ...SEA.map((code, at) => `    <sea step="${at}" colour="#${code}"/>`),
  '  </sea-states>',
  '  <routes>',
  ...ROUTES.map((code, at) => `    <route line="${at + 1}" colour="#${code}"/>`),
  '  </routes>',
  '  <alarms>',
  '    <alarm name="overdue" tint="217, 68, 43" blink="2"/>',
  '    <alarm name="wind" tint="240, 186, 58" blink="0"/>',
  '  </alarms>',
  '  <berths>',
  ...berths,
  '  </berths>',
  '</planner>',
  '',
].join('\r\n');
writeFileSync(`${FOLDER}/berth-planner.xml`, planner);

const boards = ['Arrivals', 'Departures', 'Car deck', 'Waiting room'].map((name, at) => ({
  name,
  rows: 8 + at,
  brightness: 0.6 + at / 10,
  refreshSeconds: 15,
  colours: { ground: '#15252F', text: '#DDF0EE', accent: at === 2 ? '#F0BA3A' : '#19709A', rule: 'slategray' },
  led: { inkColour: [0.94, 0.73, 0.23], dimmed: 0.4 },
}));
writeFileSync(
  `${FOLDER}/signage.json`,
  JSON.stringify(
    { schema: 3, site: 'Quillhaven harbour', boards, ticker: { speed: 42, palette: ['#DA452C', '#F0BB3B', '#2C965D'] } },
    null,
    2,
  ) + '\n',
);

writeFileSync(
  `${FOLDER}/console.ini`,
  [
    '; Bridge console. Codes are 0xAARRGGBB.',
    '[display]',
    'brightness = 70',
    'contrast = 55',
    'night-from = 21:30',
    ...Array.from({ length: 24 }, (_, at) => `panel.${at + 1}.width = ${120 + ((at * 29) % 200)}`),
    '',
    '[colours]',
    'dial = 0xFF15252F',
    'track = 0xFF3A4A52',
    'speed = 0xFF2C965E',
    'heading = 0xFF489398',
    'wind = 0xFFF0BA3A',
    'limit = 0xFFD9442B ; was 0xFFCC0000 before the refit',
    'text = 0xFFDDEFED',
    'haze = 0x80DDEFED',
    '',
    '[radar]',
    'range = 12',
    'sweepColour = 72, 148, 152',
    'echoColour = 240, 187, 59',
    '',
  ].join('\n'),
);

/** The demo's console and signage are bound already, by what their slots are called; the planner is left to be grafted. */
const FILE = 'demo/quillhaven.breakwater.json';
const brand = Brand.parse(JSON.parse(readFileSync(FILE, 'utf8')));
const BOUND: readonly [name: string, theme: string, tokens: Readonly<Record<string, string>>][] = [
  [
    'console.ini',
    'night',
    {
      ...Object.fromEntries(
        ['dial', 'track', 'speed', 'heading', 'wind', 'limit', 'text'].map((part) => [part, `gauge.${part}`]),
      ),
      sweepColour: 'gauge.heading',
      echoColour: 'gauge.wind',
    },
  ],
  ['signage.json', 'day', { ground: 'surface.dark', text: 'text.on-board', accent: 'brand.accent', inkColour: 'text.on-board' }],
];
const grafts = BOUND.map(([name, theme, tokens]): Graft => {
  const bytes = readFileSync(`${FOLDER}/${name}`);
  const host = readHost(name, bytes);
  if (typeof host === 'string') throw new Error(host);
  const bindings = host.found.slots.flatMap(({ key, literal }) => {
    const path = tokens[/[^/]+$/.exec(key)![0]];
    const token = brand.tokens.find((each) => each.path === path);
    return token ? [[key, { to: { token: token.id }, was: literal.colour.hex }] as const] : [];
  });
  return {
    id: `g-${name.split('.')[0]}`,
    path: `office/${name}`,
    host: { sha256: createHash('sha256').update(bytes).digest('hex'), name, bytes: bytes.length },
    theme,
    bindings: Object.fromEntries(bindings),
    banks: {},
  };
});
writeFileSync(FILE, serialiseBrand({ ...brand, grafts }));
