import { choose, get, manifest, show } from '../delivery.js';
import { write } from './letters.js';

const canvas = document.querySelector('canvas');
const context = canvas.getContext('2d', { willReadFrequently: true });

/** Where the ferry can be, in the game's pixels: from the open sea to the quay. */
const SEA = 32;
const QUAY = 108;
/** Where weed grows that stops whoever goes too fast. */
const WEED = [54, 78, 96];

/** The voyage: where the ferry is, how fast it goes, and what is left of fuel and hull, 0..1. */
const START = { ferry: 40, speed: 0, fuel: 1, hull: 1, said: '' };
let voyage = { ...START };
/** The menu: which of its entries stands out, which the pointer is over, which is pressed; null while it is closed. */
let menu = null;
let entries = [];
let repaint = () => {};

/** Loads the strips as an engine loads a lookup texture: decoded by the browser, unfiltered, one texel a colour. */
async function prepare() {
  const { files, themes: offered } = await manifest();
  entries = offered;
  const index = files.find((file) => file.format === 'game-palette' && file.path.endsWith('.json'));
  if (!index) throw new Error('this release has no game palette');
  const { themes } = await (await get(index.path)).json();
  const folder = index.path.replace(/[^/]*$/, '');
  const palettes = {};
  for (const { strip, colours } of themes) {
    const blob = await (await get(folder + strip)).blob();
    const image = await createImageBitmap(blob, { colorSpaceConversion: 'none', premultiplyAlpha: 'none' });
    const texture = new OffscreenCanvas(image.width, 1).getContext('2d');
    texture.drawImage(image, 0, 0);
    const { data } = texture.getImageData(0, 0, image.width, 1);
    const identifier = strip.replace(/\.png$/, '');
    palettes[identifier] = Object.fromEntries(
      colours.map(({ pixel, name }) => [name, `rgb(${data.slice(pixel * 4, pixel * 4 + 3).join(' ')})`]),
    );
  }
  return { palettes, figures: await figures(files) };
}

/** Where figures of recoloured art stand, in the game's pixels: beside the quay, in the air, on the water. */
const PLACES = [
  [118, 42],
  [66, 12],
  [96, 42],
];

/** The groups of recoloured art with their strips, as an engine loads an atlas. */
async function figures(files) {
  const found = [];
  for (const { path } of files.filter((file) => file.format === 'art' && file.path.endsWith('.json'))) {
    const { pace, groups } = await (await get(path)).json();
    for (const { image, frames } of groups) {
      const blob = await (await get(path.replace(/[^/]*$/, '') + image)).blob();
      found.push({ pace, frames, strip: await createImageBitmap(blob, { colorSpaceConversion: 'none' }) });
    }
  }
  return found.slice(0, PLACES.length);
}

/** Where the menu stands, and how high an entry is. */
const MENU = { x: 44, y: 14, width: 72, row: 11 };

let ticking = 0;

function draw({ palettes, figures }, theme, release) {
  const palette = Object.entries(palettes).find(([identifier]) => identifier.endsWith(`-${theme}`))?.[1];
  if (!palette) throw new Error(`the game palette has no theme ${theme}`);
  let seen = [];
  // A place is looked at in the middle, or where nothing else is painted over it.
  const rectangle = (token, x, y, width, height, at = [Math.floor(x + width / 2), Math.floor(y + height / 2)]) => {
    const colour = palette[token];
    if (!colour) return;
    context.fillStyle = colour;
    context.fillRect(x, y, width, height);
    seen.push({ token, canvas, x: at[0], y: at[1] });
  };
  const words = (text, x, y, token) => write(context, text, x, y, palette[token] ?? 'white');
  repaint = () => {
    const { ferry, fuel, hull, said } = voyage;
    seen = [];
    context.fillStyle = 'black';
    context.fillRect(0, 0, canvas.width, canvas.height);
    rectangle('trainer.sky', 0, 0, 160, 58, [4, 30]);
    rectangle('trainer.cloud', 96, 12, 34, 5);
    rectangle('trainer.cloud', 104, 8, 18, 4);
    rectangle('trainer.sea', 0, 58, 160, 16, [3, 66]);
    rectangle('trainer.deep', 0, 74, 160, 26, [3, 85]);
    for (const x of WEED) for (let y = 78; y < 92; y += 4) rectangle('trainer.weed', x + (y % 3), y, 3, 3);
    rectangle('trainer.quay', 140, 54, 20, 46);
    rectangle('status.alert', 148, 46, 4, 8);
    rectangle('status.on-time', 154, 46, 4, 8);
    for (let line = 0; line < 8; line++) rectangle('trainer.hull', ferry - 30 + line, 62 + line, 60 - line * 2, 1);
    rectangle('trainer.deck', ferry - 20, 52, 34, 10);
    rectangle('brand.primary', ferry - 20, 49, 34, 3);
    rectangle('brand.accent', ferry - 12, 55, 5, 4);
    rectangle('trainer.mast', ferry + 2, 28, 2, 21);
    rectangle('trainer.sail', ferry - 14, 32, 15, 14);
    rectangle('trainer.flag', ferry + 4, 28, 9, 5);
    // Over the scene: what is left of fuel and hull, and a lamp for each state that an entry of the menu can have.
    rectangle('hud.panel', 2, 2, 44, 22, [3, 12]);
    rectangle('hud.dim', 18, 5, 26, 5, [43, 7]);
    rectangle('hud.dim', 18, 14, 26, 5, [43, 16]);
    rectangle('hud.fuel', 18, 5, Math.max(1, Math.round(24 * fuel)), 5, [18, 7]);
    rectangle('hud.hull', 18, 14, Math.max(1, Math.round(24 * hull)), 5, [18, 16]);
    words('fu', 5, 5, 'hud.text');
    rectangle('hud.text', 5, 5, 1, 1);
    words('hl', 5, 14, 'hud.text');
    rectangle('hud.goal', 150, 36, 6, 6);
    ['rest', 'hover', 'pressed', 'selected', 'focus', 'disabled'].forEach((state, at) =>
      rectangle(`hud.menu.${state}`, 50 + at * 7, 2, 6, 6),
    );
    for (const [at, { strip, frames, pace }] of figures.entries()) {
      const { x, y, width, height } = frames[Math.floor(performance.now() / pace) % frames.length];
      context.drawImage(strip, x, y, width, height, ...PLACES[at], width, height);
    }
    words(`M menu  release ${release}`, 4, 94, 'trainer.cloud');
    // The last to be painted at a place is what is to be seen there; the menu and what is said only pass over it.
    window.shown = [...new Map(seen.map((one) => [one.token, one])).values()];
    if (said !== '') {
      const at = 80 - said.length * 2;
      rectangle('hud.panel', at - 3, 76, said.length * 4 + 5, 11);
      words(said, at, 79, 'hud.text');
    }
    if (menu) {
      rectangle('hud.panel', MENU.x - 2, MENU.y - 2, MENU.width + 4, entries.length * MENU.row + 13);
      entries.forEach(({ identifier, name }, at) => {
        const state = identifier === theme ? 'selected' : at === menu.pressed ? 'pressed' : at === menu.over ? 'hover' : '';
        const y = MENU.y + at * MENU.row;
        rectangle(`hud.menu.${state || (at === menu.at ? 'focus' : 'rest')}`, MENU.x, y, MENU.width, MENU.row - 1);
        words(name, MENU.x + 4, y + 3, 'hud.text');
      });
      words('M back', MENU.x + 4, MENU.y + entries.length * MENU.row + 3, 'hud.text');
    }
  };
  repaint();
  clearInterval(ticking);
  ticking = setInterval(() => {
    sail();
    repaint();
  }, 100);
  return window.shown;
}

/** A tenth of a second at sea. */
function sail() {
  const { ferry, speed, fuel, hull } = voyage;
  if (menu || voyage.said !== '' || speed === 0) return;
  const next = Math.min(QUAY, Math.max(SEA, ferry + speed));
  const hits = WEED.some((x) => Math.abs(next + 30 - x) < 2) && Math.abs(speed) > 2;
  voyage = {
    ferry: Math.round(next),
    speed: hits ? 0 : speed,
    fuel: Math.max(0, fuel - Math.abs(speed) / 250),
    hull: hits ? Math.max(0, hull - 0.25) : hull,
    said: '',
  };
  if (voyage.hull === 0) voyage.said = 'aground - enter';
  else if (voyage.fuel === 0) voyage.said = 'no fuel - enter';
  else if (next === QUAY) voyage.said = speed > 2 ? 'too fast - enter' : 'moored - enter';
}

addEventListener('keydown', (event) => {
  const { key } = event;
  const step = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[key] ?? 0;
  if (key === 'm' || key === 'M' || (key === 'Escape' && menu)) menu = menu ? null : { at: 0, over: -1, pressed: -1 };
  else if (menu && step !== 0) menu = { ...menu, at: (menu.at + step + entries.length) % entries.length };
  else if (menu && key === 'Enter') take(menu.at);
  else if (key === 'Enter' && voyage.said !== '') voyage = { ...START };
  else if (!menu && step !== 0) voyage = { ...voyage, speed: Math.min(4, Math.max(-2, voyage.speed + step)) };
  else return;
  event.preventDefault();
  repaint();
});

function take(at) {
  menu = null;
  choose(entries[at].identifier);
}

/** The entry of the menu under the pointer; -1 where there is none. */
function entryAt({ clientX, clientY }) {
  const box = canvas.getBoundingClientRect();
  const x = ((clientX - box.left) / box.width) * canvas.width;
  const y = ((clientY - box.top) / box.height) * canvas.height;
  const at = Math.floor((y - MENU.y) / MENU.row);
  return x >= MENU.x && x < MENU.x + MENU.width && at >= 0 && at < entries.length ? at : -1;
}

canvas.addEventListener('pointermove', (event) => {
  if (menu) menu = { ...menu, over: entryAt(event) };
});
canvas.addEventListener('pointerdown', (event) => {
  if (menu) menu = { ...menu, pressed: entryAt(event) };
});
canvas.addEventListener('pointerup', (event) => {
  if (!menu) return;
  const at = entryAt(event);
  if (at >= 0 && at === menu.pressed) take(at);
  else menu = { ...menu, pressed: -1 };
});

show(prepare, draw);
