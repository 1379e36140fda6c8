/**
 * Draws the sprite sheets that the demo's game was made with before it had a palette: npm run demo-files writes them into
 * demo/art. All invented, and the same at every run.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { encode } from 'fast-png';

const FOLDER = 'demo/art';
mkdirSync(FOLDER, { recursive: true });

type Colours = Readonly<Record<string, readonly [red: number, green: number, blue: number]>>;

/** Tiles as rows of letters beside each other, with a pixel of nothing between them and around. */
function sheet(name: string, colours: Colours, rows: readonly (readonly string[])[]): void {
  const [tile] = rows[0]!;
  const lines = tile!.trim().split('\n');
  const size = lines.length;
  const side = (count: number) => 1 + count * (size + 1);
  const [width, height] = [side(Math.max(...rows.map(({ length }) => length))), side(rows.length)];
  const data = new Uint8Array(width * height * 4);
  for (const [r, row] of rows.entries()) {
    for (const [c, drawn] of row.entries()) {
      for (const [y, line] of drawn.trim().split('\n').entries()) {
        for (const [x, letter] of [...line.trim()].entries()) {
          const colour = colours[letter];
          if (colour) data.set([...colour, 255], ((1 + r * (size + 1) + y) * width + 1 + c * (size + 1) + x) * 4);
        }
      }
    }
  }
  writeFileSync(`${FOLDER}/${name}`, encode({ width, height, data, channels: 4, depth: 8 }));
}

/** A deckhand of 16 by 16: cap, face, coat, trousers, boots; `legs` and `arm` make the frames. */
function deckhand(legs: readonly [string, string, string], arm: 'down' | 'up'): string {
  const raised = arm === 'up';
  return [
    '.....kkkkk......',
    '....kCCCCCk.....',
    '...kCCCCcccck...',
    '....kffffFk.....',
    raised ? '....kfefeFk.kk..' : '....kfefeFk.....',
    raised ? '....kffffFkkfk..' : '....kffffFk.....',
    raised ? '.....kkkkkkok...' : '.....kkkkk......',
    raised ? '...kkooOokok....' : '...kkooOookk....',
    raised ? '..koooooOook....' : '..koooooOooook..',
    raised ? '..kokooooOk.....' : '..kokoooOokok...',
    raised ? '..kfkoyyoOk.....' : '..kfkoyyoOkfk...',
    '...kkoooOok.....',
    '....ktttTtk.....',
    ...legs,
  ].join('\n');
}
const STAND: [string, string, string] = ['....kttkttk.....', '....kttkttk.....', '....kbbkbbk.....'];
const STEP: [string, string, string] = ['...kttkkttk.....', '...kttk.kttk....', '..kbbk...kbbk...'];
const CROSS: [string, string, string] = ['....kttTtk......', '.....kttTk......', '.....kbbbk......'];

sheet(
  'deckhand.png',
  {
    k: [28, 22, 30],
    C: [42, 84, 150],
    c: [30, 60, 112],
    f: [226, 178, 148],
    F: [196, 140, 112],
    e: [28, 22, 30],
    o: [226, 122, 44],
    O: [178, 84, 28],
    y: [250, 214, 96],
    t: [72, 80, 104],
    T: [54, 60, 80],
    b: [58, 40, 30],
  },
  [
    [deckhand(STAND, 'down'), deckhand(STEP, 'down'), deckhand(CROSS, 'down'), deckhand(STEP, 'down')],
    [deckhand(STAND, 'up'), deckhand(STAND, 'down'), deckhand(STAND, 'up'), deckhand(STAND, 'down')],
  ],
);

/** A gull of 16 by 16 with its wings up, level or down. */
function gull(wings: 'up' | 'level' | 'down'): string {
  const empty = '................';
  const body = ['......wwww......', '.....wwwwwwkoo..', '....wwwwwwww....', '......gggg......'];
  const at = {
    up: ['..g..........g..', '..wg........gw..', '...wwg....gww...', '....wwww.www....'],
    level: [empty, empty, '.ggg........ggg.', '.wwwwwwwwwwwwww.'],
    down: [empty, empty, empty, '....wwwwwwww....'],
  }[wings];
  const under = wings === 'down' ? ['...wwg....gww...', '..wg........gw..', '.g............g.'] : [empty, empty, empty];
  return [empty, empty, ...at, ...body, ...under, empty, empty, empty].join('\n');
}

sheet('gull.png', { w: [240, 244, 240], g: [150, 158, 166], k: [30, 30, 30], o: [244, 150, 40] }, [
  [gull('up'), gull('level'), gull('down'), gull('level')],
]);
