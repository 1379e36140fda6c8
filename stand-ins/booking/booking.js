import { address, get, manifest, show } from '../delivery.js';

/** Where the site uses each of the brand's variables: selector and CSS property. */
const USES = {
  'surface.page': ['body', 'background-color'],
  'surface.panel': ['section', 'background-color'],
  'surface.header': ['header', 'background-color'],
  'text.default': ['h1', 'color'],
  'text.soft': ['.soft', 'color'],
  'text.link': ['a', 'color'],
  'text.on-header': ['nav', 'color'],
  'border.default': ['section', 'border-top-color'],
  'brand.primary': ['h1', 'border-left-color'],
  'brand.accent': ['.offer', 'background-color'],
  'status.alert': ['.alert', 'border-left-color'],
  'status.on-time': ['.on-time', 'border-left-color'],
  'status.delayed': ['.delayed', 'border-left-color'],
  'text.on-action': ['.confirm', 'color'],
  'text.on-quiet': ['.quiet', 'color'],
  'text.on-danger': ['.danger', 'color'],
  'text.on-offer': ['.offer', 'color'],
  ...Object.fromEntries(
    ['confirm', 'quiet', 'danger'].flatMap((action) =>
      ['rest', 'hover', 'pressed', 'selected', 'focus', 'disabled'].map((state) => [
        `action.${action}.${state}`,
        [`.${action}.${state}`, 'background-color'],
      ]),
    ),
  ),
};

/** Links the released sheet, and learns from its text which variables it brings and what stands before their names. */
async function prepare() {
  const { files } = await manifest();
  const sheet = files.find((file) => file.format === 'css' && file.path.endsWith('.css'));
  if (!sheet) throw new Error('this release has no style sheet');
  const link = Object.assign(document.createElement('link'), { rel: 'stylesheet', href: address(sheet.path) });
  const loaded = new Promise((resolve, reject) =>
    Object.assign(link, { onload: resolve, onerror: () => reject(new Error('the style sheet could not be read')) }),
  );
  document.head.append(link);
  const text = await (await get(sheet.path)).text();
  await loaded;
  const names = [...new Set([...text.matchAll(/--([\w-]+)\s*:/g)].map((match) => match[1]))];
  const prefix = names.find((name) => name.endsWith('surface-page'))?.slice(0, -'surface-page'.length) ?? '';
  return { names: names.map((name) => name.slice(prefix.length)), prefix };
}

/** What is being booked. It is only played: nothing is sent anywhere. */
const booking = { route: '', booked: false, early: true };

function say() {
  const { route, booked, early } = booking;
  const [book, change] = ['.confirm.rest', '.quiet.rest'].map((one) => document.querySelector(one));
  book.setAttribute('aria-pressed', String(booked));
  book.textContent = booked ? 'Booked' : 'Book';
  change.setAttribute('aria-pressed', String(!early));
  document.getElementById('said').textContent =
    `${booked ? 'Booked: one' : 'One'} adult${route && ` to ${route}`}, ${early ? '07:40' : '09:20'}.`;
  for (const item of document.querySelectorAll('.routes li'))
    item.setAttribute('aria-selected', String(item.textContent === route));
}

document.querySelector('main').addEventListener('click', ({ target }) => {
  if (target.matches('.confirm.rest')) booking.booked = true;
  else if (target.matches('.quiet.rest')) booking.early = !booking.early;
  else if (target.matches('.danger.rest')) booking.booked = false;
  else if (target.matches('.routes li')) booking.route = target.textContent;
  else return;
  say();
});

function draw({ names, prefix }, theme, release) {
  const root = document.documentElement;
  root.dataset.theme = theme;
  for (const name of names) root.style.setProperty(`--${name}`, `var(--${prefix}${name})`);
  const routes = names.filter((name) => name.startsWith('route-'));
  const list = document.querySelector('.routes');
  list.replaceChildren(
    ...routes.map((name) => {
      const item = document.createElement('li');
      item.textContent = name
        .slice(6)
        .replace(/-/g, ' ')
        .replace(/\b./g, (letter) => letter.toUpperCase());
      item.setAttribute('role', 'option');
      item.style.setProperty('--own', `var(--${name})`);
      return item;
    }),
  );
  document.getElementById('release').textContent = `Colours of release ${release}.`;
  say();
  const shown = Object.entries(USES)
    .filter(([token]) => names.includes(token.replaceAll('.', '-')))
    .map(([token, [selector, property]]) => ({ token, element: document.querySelector(selector), property }))
    .filter(({ element }) => element);
  routes.forEach((name, at) =>
    shown.push({ token: `route.${name.slice(6)}`, element: list.children[at], property: 'border-bottom-color' }),
  );
  return shown;
}

show(prepare, draw);
