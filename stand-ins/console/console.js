import { get, perTheme, show } from '../delivery.js';

const svg = document.querySelector('svg');

/** Reads every theme's resource file with the browser's own XML parser. */
async function prepare() {
  const own = await perTheme('xml-resources', '.xml');
  if (own.length === 0) throw new Error('this release has no interface resources');
  const loaded = {};
  for (const { identifier, path } of own) {
    const document_ = new DOMParser().parseFromString(await (await get(path)).text(), 'application/xml');
    if (document_.querySelector('parsererror')) throw new Error(`${path} is not well-formed`);
    loaded[identifier] = Object.fromEntries(
      [...document_.getElementsByTagName('colour')].map((one) => [one.getAttribute('name'), one.textContent]),
    );
  }
  return loaded;
}

/** What the helm is set to: thrust in tenths, course in degrees, and the switches that are on. */
const helm = { thrust: 6, course: 68, on: new Set(['Lights']) };
const SWITCHES = ['Lights', 'Horn', 'Radar', 'Wipers', 'Ramp', 'Bow'];
/** The state of the control under the pointer: hovered or pressed, and which. */
let under = { control: '', state: 'rest' };

function draw(loaded, theme, release) {
  const colours = loaded[theme];
  if (!colours) throw new Error(`there are no resources for the theme ${theme}`);
  const shown = [];
  svg.replaceChildren();
  const add = (tag, attributes, token, property, text) => {
    const element = document.createElementNS('http://www.w3.org/2000/svg', tag);
    for (const [name, value] of Object.entries(attributes)) element.setAttribute(name, value);
    if (!colours[token]) return;
    element.setAttribute(property, colours[token]);
    if (property === 'stroke') element.setAttribute('fill', 'none');
    if (text) element.textContent = text;
    svg.append(element);
    if (!shown.some((one) => one.token === token)) shown.push({ token, element, property });
  };
  const arc = (x, y, radius, from, to) => {
    const at = (angle) =>
      [x + radius * Math.cos((angle * Math.PI) / 180), y + radius * Math.sin((angle * Math.PI) / 180)].map((n) => n.toFixed(2));
    return `M${at(from)} A${radius} ${radius} 0 ${to - from > 180 ? 1 : 0} 1 ${at(to)}`;
  };
  add('rect', { width: 960, height: 600 }, 'surface.page', 'fill');
  add('rect', { width: 960, height: 62 }, 'surface.header', 'fill');
  add('text', { x: 28, y: 41, 'font-size': 26, 'font-weight': 700 }, 'text.on-header', 'fill', 'Bridge');
  add('text', { x: 932, y: 39, 'font-size': 15, 'text-anchor': 'end' }, 'text.on-header', 'fill', `release ${release}`);
  const { thrust, course } = helm;
  const gauges = [
    { x: 170, token: 'gauge.speed', share: thrust / 10, value: (thrust * 2.4).toFixed(1), name: 'knots' },
    { x: 480, token: 'gauge.heading', share: course / 360, value: String(course).padStart(3, '0'), name: 'heading' },
    { x: 790, token: 'gauge.wind', share: 0.8, value: '21', name: 'wind' },
  ];
  for (const { x, token, share, value, name } of gauges) {
    add('circle', { cx: x, cy: 216, r: 126 }, 'gauge.dial', 'fill');
    add('path', { d: arc(x, 216, 106, 140, 400), 'stroke-width': 14 }, 'gauge.track', 'stroke');
    add('path', { d: arc(x, 216, 106, 140, 141 + share * 258), 'stroke-width': 14 }, token, 'stroke');
    add('path', { d: arc(x, 216, 120, 372, 400), 'stroke-width': 5 }, 'gauge.limit', 'stroke');
    add('text', { x, y: 230, 'font-size': 46, 'text-anchor': 'middle' }, 'gauge.text', 'fill', value);
    add('text', { x, y: 262, 'font-size': 18, 'text-anchor': 'middle' }, 'text.soft', 'fill', name);
  }
  // The tide gauge: deep water on the left of chart datum, dry on the right.
  const tide = Object.keys(colours).filter((name) => name.startsWith('tide.'));
  const width = tide.length > 0 ? 904 / tide.length : 0;
  add('text', { x: 28, y: 376, 'font-size': 18 }, 'text.default', 'fill', 'Tide against chart datum');
  tide.forEach((token, at) => add('rect', { x: 28 + at * width, y: 386, width: width - 3, height: 50 }, token, 'fill'));
  const control = (name, state, x, y, wide) => {
    add('rect', { x, y, width: wide, height: 44, 'data-control': name }, `console.button.${state}`, 'fill');
    const ink = { x: x + wide / 2, y: y + 28, 'font-size': 16, 'text-anchor': 'middle', 'pointer-events': 'none' };
    add('text', ink, 'text.on-action', 'fill', name);
  };
  const stateOf = (name, isOn) => (under.control === name ? under.state : isOn ? 'selected' : 'rest');
  ['Slower', 'Faster', 'Port', 'Starboard'].forEach((name, at) => control(name, stateOf(name, false), 28 + at * 108, 452, 102));
  SWITCHES.forEach((name, at) => control(name, stateOf(name, helm.on.has(name)), 466 + at * 79, 452, 71));
  // One control for each state, as the console's own test card shows them.
  ['rest', 'hover', 'pressed', 'selected', 'focus', 'disabled'].forEach((state, at) =>
    control(state, state, 28 + at * 122, 516, 114),
  );
  add('rect', { x: 776, y: 516, width: 156, height: 44 }, 'surface.panel', 'fill');
  add('text', { x: 854, y: 544, 'font-size': 16, 'text-anchor': 'middle' }, 'text.default', 'fill', 'Test card');
  redraw = () => (window.shown = draw(loaded, theme, release));
  return shown;
}

let redraw = () => {};

function onPointer(state) {
  return ({ target }) => {
    const control = target.dataset?.control ?? '';
    if (control === under.control && state === under.state) return;
    if (state === 'pressed') act(control);
    under = { control, state };
    redraw();
  };
}

function act(control) {
  if (control === 'Slower') helm.thrust = Math.max(0, helm.thrust - 1);
  if (control === 'Faster') helm.thrust = Math.min(10, helm.thrust + 1);
  if (control === 'Port') helm.course = (helm.course + 355) % 360;
  if (control === 'Starboard') helm.course = (helm.course + 5) % 360;
  if (SWITCHES.includes(control) && !helm.on.delete(control)) helm.on.add(control);
}

svg.addEventListener('pointermove', onPointer('hover'));
svg.addEventListener('pointerdown', onPointer('pressed'));
svg.addEventListener('pointerup', onPointer('hover'));

show(prepare, draw);
