import { get, manifest, show } from '../delivery.js';

const canvas = document.querySelector('canvas');
const context = canvas.getContext('2d', { willReadFrequently: true });

/** Where the ferry's bow is, in the game's pixels. */
let ferry = 40;
let repaint = () => {};

/** Loads the strips as an engine loads a lookup texture: decoded by the browser, unfiltered, one texel a colour. */
async function prepare() {
  const { files } = await manifest();
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

let moving = 0;

function draw({ palettes, figures }, theme) {
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
  repaint = () => {
    seen = [];
    context.fillStyle = 'black';
    context.fillRect(0, 0, canvas.width, canvas.height);
    rectangle('trainer.sky', 0, 0, 160, 58, [4, 30]);
    rectangle('trainer.cloud', 96, 12, 34, 5);
    rectangle('trainer.cloud', 104, 8, 18, 4);
    rectangle('trainer.sea', 0, 58, 160, 16, [3, 66]);
    rectangle('trainer.deep', 0, 74, 160, 26, [3, 85]);
    for (let x = 6; x < 150; x += 24) rectangle('trainer.weed', x, 94, 9, 3);
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
    // Over the scene: what is left of fuel and hull, and the menu with an entry in each state.
    rectangle('hud.panel', 2, 2, 44, 22, [4, 22]);
    rectangle('hud.text', 4, 4, 12, 2);
    rectangle('hud.fuel', 4, 8, 36, 3);
    rectangle('hud.dim', 4, 13, 12, 2);
    rectangle('hud.hull', 4, 17, 22, 3);
    rectangle('hud.goal', 150, 36, 6, 6);
    ['rest', 'hover', 'pressed', 'selected', 'focus', 'disabled'].forEach((state, at) =>
      rectangle(`hud.menu.${state}`, 50 + at * 7, 2, 6, 6),
    );
    for (const [at, { strip, frames, pace }] of figures.entries()) {
      const { x, y, width, height } = frames[Math.floor(performance.now() / pace) % frames.length];
      context.drawImage(strip, x, y, width, height, ...PLACES[at], width, height);
    }
    // The last to be painted at a place is what is to be seen there.
    window.shown = [...new Map(seen.map((one) => [one.token, one])).values()];
  };
  repaint();
  clearInterval(moving);
  if (figures.length > 0) moving = setInterval(() => repaint(), Math.min(...figures.map(({ pace }) => pace)));
  return window.shown;
}

addEventListener('keydown', (event) => {
  const step = { ArrowLeft: -3, ArrowRight: 3 }[event.key];
  if (!step) return;
  ferry = Math.min(108, Math.max(32, ferry + step));
  repaint();
});

show(prepare, draw);
