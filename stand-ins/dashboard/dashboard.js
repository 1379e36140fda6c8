import * as charts from '../charts.js';
import { get, perTheme, show } from '../delivery.js';

const SAILINGS = [42, 35, 31, 27, 24, 18, 15, 11, 9, 8, 6];
const HOURS = ['04', '06', '08', '10', '12', '14', '16', '18', '20', '22'];

async function prepare() {
  const own = await perTheme('echarts', '.json');
  if (own.length === 0) throw new Error('this release has no chart theme');
  const loaded = {};
  for (const { identifier, path } of own) {
    loaded[identifier] = await (await get(path)).json();
    charts.registerTheme(identifier, loaded[identifier]);
  }
  return loaded;
}

let drawn = [];

function draw(loaded, theme, release) {
  const { tokens, color, backgroundColor, title, values: bound } = loaded[theme];
  // A route that the brand binds to a colour has that one in every chart; any other takes the next of the theme.
  const routes = Object.entries(bound?.Route ?? {});
  document.body.style.background = backgroundColor ?? 'white';
  drawn.forEach((chart) => chart.dispose());
  const chart = (id, option) => {
    const made = charts.init(document.getElementById(id), theme, { renderer: 'svg' });
    made.setOption({ animation: false, ...option });
    return made;
  };
  const names = routes.length > 0 ? routes.map(([route]) => route) : tokens.color.map((path) => path.split('.').at(-1));
  const shownTokens = routes.length > 0 ? routes.map(([, { token }]) => token) : tokens.color;
  const values = names.map((_, at) => SAILINGS[at % SAILINGS.length]);
  const sailings = chart('sailings', {
    title: { text: 'Sailings a day', subtext: 'by route' },
    grid: { left: 40, right: 10, bottom: 60 },
    xAxis: { type: 'category', data: names, axisLabel: { rotate: 30 } },
    yAxis: { type: 'value' },
    series: [
      {
        type: 'bar',
        colorBy: 'data',
        data: values.map((value, at) => ({ value, ...(routes[at] && { itemStyle: { color: routes[at][1].color } }) })),
      },
    ],
  });
  const delays = chart('delays', {
    title: { text: 'Minutes late' },
    grid: { left: 40, right: 10, bottom: 30 },
    xAxis: { type: 'category', data: HOURS },
    yAxis: { type: 'value' },
    series: color.slice(0, 3).map((_, at) => ({
      type: 'line',
      showSymbol: false,
      lineStyle: { width: 3 },
      data: HOURS.map((__, hour) => Math.round(6 + 5 * Math.sin(hour * (0.7 + at * 0.3) + at * 2))),
    })),
  });
  const steps = tokens.scale.length;
  const sea =
    steps > 0 &&
    chart('sea', {
      title: { text: 'Sea state, now and forecast' },
      grid: { left: 40, right: 10, bottom: 24, top: 46 },
      xAxis: { type: 'category', data: tokens.scale.map((_, at) => String(at)) },
      yAxis: { type: 'category', data: ['Now', '+6 h', '+12 h'] },
      visualMap: { min: 0, max: steps - 1, calculable: false, show: false },
      series: [
        {
          type: 'heatmap',
          data: [0, 1, 2].flatMap((row) => tokens.scale.map((_, at) => [at, row, row === 0 ? at : (at * 7 + row * 4) % steps])),
        },
      ],
    });
  drawn = [sailings, delays, ...(sea ? [sea] : [])];

  const shown = shownTokens.map((token, at) => ({
    token,
    element: shapeAt(sailings, [at, values[at] / 2]),
    property: 'fill',
  }));
  if (sea) shown.push(...tokens.scale.map((token, at) => ({ token, element: shapeAt(sea, [at, 0]), property: 'fill' })));
  const footer = document.querySelector('footer');
  footer.textContent = `Colours of release ${release}`;
  footer.style.color = title?.subtextStyle?.color ?? '';
  const words = [...sailings.getDom().querySelectorAll('text')];
  const heading = words.find((one) => one.textContent === 'Sailings a day');
  const label = words.find((one) => one.textContent === names[0]);
  if (tokens.ground) shown.push({ token: tokens.ground, element: document.body, property: 'background-color' });
  if (tokens.text) shown.push({ token: tokens.text, element: heading, property: 'fill' });
  if (tokens.soft) shown.push({ token: tokens.soft, element: label, property: 'fill' });
  if (tokens.lines) {
    // The third grid line from the top lies above every axis and below no bar's edge.
    const line = lineAt(sailings, 20);
    if (line) shown.push({ token: tokens.lines, element: line, property: 'stroke' });
  }
  return shown.filter(({ element }) => element);
}

/** The drawn shape that covers a point of a chart, given in the chart's own values. */
function shapeAt(chart, value) {
  const [x, y] = chart.convertToPixel({ seriesIndex: 0 }, value);
  const box = chart.getDom().getBoundingClientRect();
  return document
    .elementsFromPoint(box.left + x, box.top + y)
    .find((one) => one.tagName === 'path' && one.getAttribute('fill') !== 'none');
}

/** The grid line at a value of the vertical axis. */
function lineAt(chart, value) {
  const [, y] = chart.convertToPixel({ seriesIndex: 0 }, [0, value]);
  return [...chart.getDom().querySelectorAll('path[stroke]')].find((one) => {
    const box = one.getBBox();
    return box.width > 200 && box.height < 1 && Math.abs(box.y - y) < 2;
  });
}

show(prepare, draw);

addEventListener('resize', () => drawn.forEach((chart) => chart.resize()));
