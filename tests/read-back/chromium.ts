import { readFileSync } from 'node:fs';
import { launch, type Browser, type Page } from 'puppeteer-core';

/** A page of Chromium without a server, and its end. */
export async function blankPage(): Promise<{ page: Page; close: () => Promise<void> }> {
  const browser: Browser = await launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    headless: 'shell',
    args: [
      ...['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
      ...['--disable-component-update', '--disable-sync', '--force-color-profile=srgb'],
    ],
  });
  return { page: await browser.newPage(), close: () => browser.close() };
}

/** What Chromium makes of a style sheet: the computed colour of every custom property named, under a theme or, by null, where the page names none. */
export async function computed(page: Page, sheet: string, theme: string | null, names: readonly string[]): Promise<string[]> {
  await page.setContent('<!doctype html><html><head><meta charset="utf-8"></head><body><p></p></body></html>');
  await page.addStyleTag({ content: sheet });
  return page.evaluate(
    (wanted, variables) => {
      if (wanted === null) delete document.documentElement.dataset.theme;
      else document.documentElement.dataset.theme = wanted;
      const probe = document.querySelector('p')!;
      return variables.map((name) => {
        probe.style.color = '';
        probe.style.color = `var(${name})`;
        return getComputedStyle(probe).color;
      });
    },
    theme,
    [...names],
  );
}

/** What a chart shows: the fills of its bars, its ground and its title. */
export interface Drawing {
  readonly fills: string[];
  readonly ground: string;
  readonly title: string;
}

/** A library's script, once a page: it stays when the document is replaced. */
async function load(page: Page, name: string, path: string): Promise<void> {
  if (await page.evaluate((property) => property in window, name)) return;
  await page.addScriptTag({ content: readFileSync(`node_modules/${path}`, 'utf8') });
}

/** The same bars by Vega and by Vega-Lite with one configuration, drawn as SVG in Chromium. */
export async function drawVega(
  page: Page,
  config: { readonly range: { readonly category: readonly string[] } },
): Promise<{ full: Drawing; lite: Drawing }> {
  await page.setContent('<!doctype html><meta charset="utf-8"><div id="full"></div><div id="lite"></div>');
  await load(page, 'vega', 'vega/build/vega.js');
  await load(page, 'vegaLite', 'vega-lite/build/vega-lite.min.js');
  return page.evaluate(async (look) => {
    const { vega, vegaLite } = window as unknown as {
      vega: { parse: (...all: unknown[]) => unknown; View: new (...all: unknown[]) => { runAsync: () => Promise<void> } };
      vegaLite: { compile: (...all: unknown[]) => { spec: unknown } };
    };
    const values = look.range.category.map((_, at) => ({ x: `bar ${String(at).padStart(2, '0')}`, y: at + 1 }));
    const field = (name: string, type: string) => ({ field: name, type });
    const lite = {
      data: { values },
      title: 'Sailings',
      mark: 'bar',
      encoding: { x: field('x', 'nominal'), y: field('y', 'quantitative'), color: { ...field('x', 'nominal'), legend: null } },
    };
    const domain = { data: 'table', field: 'x' };
    const full = {
      width: 300,
      height: 100,
      title: 'Sailings',
      data: [{ name: 'table', values }],
      scales: [
        { name: 'x', type: 'band', domain, range: 'width' },
        { name: 'c', type: 'ordinal', domain, range: 'category' },
      ],
      marks: [
        {
          type: 'rect',
          from: { data: 'table' },
          encode: {
            enter: {
              ...{ x: { scale: 'x', field: 'x' }, width: { scale: 'x', band: 1 }, y: { value: 0 }, height: { value: 50 } },
              fill: { scale: 'c', field: 'x' },
            },
          },
        },
      ],
    };
    const draw = async (id: string, spec: unknown, config?: unknown) => {
      await new vega.View(vega.parse(spec, config), { renderer: 'svg', container: `#${id}` }).runAsync();
      const fill = (selector: string) =>
        [...document.querySelectorAll(`#${id} ${selector}`)].map((node) => getComputedStyle(node).fill);
      const style = getComputedStyle(document.querySelector(`#${id} svg`)!).backgroundColor;
      return { fills: fill('.mark-rect path'), ground: fill('rect')[0] ?? style, title: fill('.role-title text')[0]! };
    };
    return { full: await draw('full', full, look), lite: await draw('lite', vegaLite.compile(lite, { config: look }).spec) };
  }, config);
}

/** A Plotly chart of bars, one a series, drawn with a template in Chromium. */
export async function drawPlotly(page: Page, template: unknown, bars: number): Promise<Drawing> {
  await page.setContent('<!doctype html><meta charset="utf-8"><div id="chart" style="width:800px;height:400px"></div>');
  await load(page, 'Plotly', 'plotly.js-dist-min/plotly.min.js');
  return page.evaluate(
    async (look, count) => {
      const { Plotly } = window as unknown as { Plotly: { newPlot: (...all: unknown[]) => Promise<void> } };
      const traces = Array.from({ length: count }, (_, at) => ({ type: 'bar', x: [`bar ${at}`], y: [at + 1] }));
      await Plotly.newPlot('chart', traces, { template: look, title: { text: 'Sailings' } }, { staticPlot: true });
      const style = (selector: string, property: string) =>
        [...document.querySelectorAll(selector)].map((node) => getComputedStyle(node).getPropertyValue(property));
      return {
        fills: style('.bars .point path', 'fill'),
        ground: style('.main-svg', 'background-color')[0]!,
        title: style('.gtitle', 'fill')[0]!,
      };
    },
    template,
    bars,
  );
}
