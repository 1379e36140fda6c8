import { get, manifest, show } from '../delivery.js';

const svg = document.querySelector('svg');

/** Reads every theme's resource file with the browser's own XML parser. */
async function prepare() {
  const { files, themes } = await manifest();
  const own = files.filter((file) => file.format === 'xml-resources' && file.path.endsWith('.xml'));
  if (own.length === 0) throw new Error('this release has no interface resources');
  const loaded = {};
  for (const { identifier } of themes) {
    const path = own.find((file) => file.path.endsWith(`-${identifier}.xml`)).path;
    const document_ = new DOMParser().parseFromString(await (await get(path)).text(), 'application/xml');
    if (document_.querySelector('parsererror')) throw new Error(`${path} is not well-formed`);
    loaded[identifier] = Object.fromEntries(
      [...document_.getElementsByTagName('colour')].map((one) => [one.getAttribute('name'), one.textContent]),
    );
  }
  return loaded;
}

function draw(loaded, theme) {
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
  [170, 480, 790].forEach((x, at) => {
    add('circle', { cx: x, cy: 230, r: 132 }, 'gauge.dial', 'fill');
    add('path', { d: arc(x, 230, 112, 140, 400), 'stroke-width': 14 }, 'gauge.track', 'stroke');
    add(
      'path',
      { d: arc(x, 230, 112, 140, [300, 230, 350][at]), 'stroke-width': 14 },
      ['gauge.speed', 'gauge.heading', 'gauge.wind'][at],
      'stroke',
    );
    add('text', { x, y: 244, 'font-size': 48, 'text-anchor': 'middle' }, 'gauge.text', 'fill', ['14.2', '068', '21'][at]);
    add('text', { x, y: 278, 'font-size': 18, 'text-anchor': 'middle' }, 'text.soft', 'fill', ['knots', 'heading', 'wind'][at]);
  });
  // The tide gauge: deep water on the left of chart datum, dry on the right.
  const tide = Object.keys(colours).filter((name) => name.startsWith('tide.'));
  const width = tide.length > 0 ? 904 / tide.length : 0;
  tide.forEach((token, at) => add('rect', { x: 28 + at * width, y: 410, width: width - 3, height: 70 }, token, 'fill'));
  add('text', { x: 28, y: 398, 'font-size': 18 }, 'text.default', 'fill', 'Tide against chart datum');
  ['rest', 'hover', 'pressed', 'selected', 'focus', 'disabled'].forEach((state, at) => {
    add('rect', { x: 28 + at * 126, y: 510, width: 116, height: 60 }, `console.button.${state}`, 'fill');
    add(
      'text',
      { x: 86 + at * 126, y: 546, 'font-size': 17, 'text-anchor': 'middle' },
      'text.on-action',
      'fill',
      state === 'rest' ? 'Thrust' : state,
    );
  });
  add('rect', { x: 790, y: 510, width: 142, height: 60 }, 'gauge.limit', 'fill');
  return shown;
}

show(prepare, draw);
