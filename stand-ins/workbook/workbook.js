import { get, perTheme, show } from '../delivery.js';
import { unzipSync } from '../unzip.js';

/** What each place of an office theme is called in a picker (ECMA-376 part 1, 20.1.6.2). */
const PLACES = [
  'dk1',
  'lt1',
  'dk2',
  'lt2',
  'accent1',
  'accent2',
  'accent3',
  'accent4',
  'accent5',
  'accent6',
  'hlink',
  'folHlink',
];
const COLUMNS = ['', 'Adult', 'Child', 'Vehicle', 'Season', 'Group'];
const FARES = [12.4, 11.2, 9.8, 14.6, 10.4, 13, 8.6, 7.4];

/** Opens each theme's workbook: its theme for the pickers, and its sheet of swatches with a name beside every fill. */
async function prepare() {
  const own = await perTheme('ooxml-theme', '.xlsx');
  if (own.length === 0) throw new Error('this release has no workbook');
  const opened = {};
  for (const { identifier, path } of own) {
    const parts = unzipSync(new Uint8Array(await (await get(path)).arrayBuffer()));
    const part = (name) => {
      if (!parts[name]) throw new Error(`${path} has no ${name}`);
      const parsed = new DOMParser().parseFromString(new TextDecoder().decode(parts[name]), 'application/xml');
      if (parsed.querySelector('parsererror')) throw new Error(`${name} of ${path} is not well-formed`);
      return parsed;
    };
    opened[identifier] = { theme: themeOf(part('xl/theme/theme1.xml')), swatches: swatchesOf(part) };
  }
  return opened;
}

function themeOf(part) {
  const scheme = part.getElementsByTagNameNS('*', 'clrScheme')[0];
  return PLACES.map((place) => `#${scheme.getElementsByTagNameNS('*', place)[0].firstElementChild.getAttribute('val')}`);
}

/** The colours of the sheet by the names that stand beside them. */
function swatchesOf(part) {
  const styles = part('xl/styles.xml');
  const fills = [...styles.getElementsByTagName('fill')].map((fill) =>
    fill.getElementsByTagName('fgColor')[0]?.getAttribute('rgb')?.slice(2),
  );
  const formats = [...styles.getElementsByTagName('cellXfs')[0].getElementsByTagName('xf')];
  const swatches = new Map();
  for (const row of part('xl/worksheets/sheet1.xml').getElementsByTagName('row')) {
    const [colour, name] = row.getElementsByTagName('c');
    const fill = fills[Number(formats[Number(colour?.getAttribute('s') ?? 0)]?.getAttribute('fillId') ?? 0)];
    if (fill && name?.textContent) swatches.set(name.textContent, `#${fill}`);
  }
  return swatches;
}

/** What somebody painted by hand: colours by cell and what of it they are for. They last until the workbook is opened anew. */
const painted = new Map();
let chosen = 'B3';
let open = null;

function draw(opened, identifier, release) {
  const { theme, swatches } = opened[identifier] ?? {};
  if (!theme) throw new Error(`there is no workbook for the theme ${identifier}`);
  const shown = [];
  /** Paints a cell as the workbook has it, from its swatches. */
  const paint = (cell, uses) => {
    for (const [property, token] of Object.entries(uses)) {
      if (!swatches.has(token)) continue;
      cell.style[property] = swatches.get(token);
      const read = property === 'borderColor' ? 'border-top-color' : property === 'background' ? 'background-color' : property;
      if (!shown.some((one) => one.token === token)) shown.push({ token, element: cell, property: read });
    }
  };
  const routes = [...swatches.keys()].filter((name) => name.startsWith('route.'));
  const cells = [
    ['Fares from spring', ...COLUMNS.slice(1)],
    ...routes.map((route, row) => [words(route), ...COLUMNS.slice(1).map((_, at) => fare(row, at))]),
    ['Day return', ...COLUMNS.slice(1).map((_, at) => fare(3, at) * 1.6)],
    ['Prices hold until the autumn timetable', '', '', '', '', ''],
  ];
  document.querySelector('thead').replaceChildren(
    row(
      [...'ABCDEF'].map((letter) => element('th', letter)),
      '',
    ),
  );
  const fares = ['fare.adult', 'fare.child', 'fare.vehicle', 'fare.season', 'fare.group'];
  const body = document.querySelector('tbody');
  body.replaceChildren(
    ...cells.map((values, down) =>
      row(
        values.map((value, across) => {
          const cell = element('td', typeof value === 'number' ? value.toFixed(2) : value);
          cell.id = `${'ABCDEF'[across]}${down + 1}`;
          if (down === 0) paint(cell, across === 0 ? { background: 'surface.header', color: 'text.on-header' } : {});
          if (down === 0 && across > 0) {
            paint(cell, { background: 'surface.panel', color: 'text.default' });
            const fill = swatches.get(fares[across - 1]);
            if (fill) cell.style.borderBottom = `5px solid ${fill}`;
            if (fill) shown.push({ token: fares[across - 1], element: cell, property: 'border-bottom-color' });
          }
          if (down > 0 && down <= routes.length) {
            paint(cell, {
              background: down % 2 ? 'surface.page' : 'surface.panel',
              color: 'text.default',
              borderColor: 'border.default',
            });
            if (across === 0) {
              cell.style.borderLeft = `9px solid ${swatches.get(routes[down - 1])}`;
              shown.push({ token: routes[down - 1], element: cell, property: 'border-left-color' });
            }
          }
          if (down === routes.length + 1) paint(cell, { background: 'brand.accent', color: 'text.on-offer' });
          if (down === routes.length + 2) paint(cell, { background: 'surface.page', color: 'text.soft' });
          for (const [property, colour] of Object.entries(painted.get(cell.id) ?? {})) cell.style[property] = colour;
          cell.addEventListener('click', () => choose(cell.id));
          return cell;
        }),
        down + 1,
      ),
    ),
  );
  const again = () => (window.shown = draw(opened, identifier, release));
  const choose = (id) => {
    chosen = id;
    open = null;
    again();
  };
  document.getElementById(chosen)?.setAttribute('aria-selected', 'true');
  document.getElementById('cell').textContent = chosen;
  pickers(theme, swatches, again);
  document.querySelector('footer').replaceChildren(element('span', 'Fares'), element('span', `Opened from release ${release}`));
  return shown;
}

/** Font, fill and border, each with the theme's twelve colours and every swatch of the sheet. */
function pickers(theme, swatches, again) {
  const cell = document.getElementById(chosen);
  const panel = document.getElementById('picker');
  panel.hidden = open === null;
  for (const button of document.querySelectorAll('[data-picker]')) {
    const { picker } = button.dataset;
    const property = picker === 'border' ? 'borderColor' : picker;
    button.setAttribute('aria-expanded', String(open === picker));
    button.style.setProperty('--now', cell?.style[property] || '');
    button.onclick = () => {
      open = open === picker ? null : picker;
      again();
    };
    if (open !== picker) continue;
    const chip = (colour, name) => {
      const one = element('button', '');
      Object.assign(one, { title: name });
      one.style.background = colour;
      one.setAttribute('aria-label', name);
      one.onclick = () => {
        painted.set(chosen, { ...painted.get(chosen), [property]: colour });
        open = null;
        again();
      };
      return one;
    };
    const rows = [
      ['Colours of the theme', theme.map((colour, at) => chip(colour, PLACES[at]))],
      ['Swatches of the workbook', [...swatches].map(([name, colour]) => chip(colour, name))],
    ];
    panel.replaceChildren(
      ...rows.flatMap(([title, chips]) => {
        const grid = document.createElement('div');
        grid.append(...chips);
        return [element('h2', title), grid];
      }),
    );
  }
}

function row(cells, number) {
  const made = document.createElement('tr');
  made.append(element('th', String(number)), ...cells);
  return made;
}

function element(tag, text) {
  return Object.assign(document.createElement(tag), { textContent: text });
}

const words = (route) =>
  route
    .slice(6)
    .replace(/-/g, ' ')
    .replace(/\b./g, (letter) => letter.toUpperCase());
const fare = (row, at) => FARES[row % FARES.length] * [1, 0.5, 3.2, 18, 0.8][at];

show(prepare, draw);
