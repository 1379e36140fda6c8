import type { Browser, ElementHandle } from 'puppeteer-core';
import type { Palette } from '@/core/brand/document/palette-shape';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';

/** Ida at the Mix stage of a demo of her own, and what she does there again and again. */
export async function openMix(name: string) {
  const server: TestServer = await startTestServer(name);
  const browser: Browser = await launch();
  const ida = await Person.enter(browser, server, 'Ida');
  const close = async () => {
    await browser.close();
    await server.close();
  };
  const visitor = () => Visitor.demo(server, 'ida');
  /** The palette as the server has it, once everything is kept. */
  async function kept(name: string): Promise<Palette> {
    await ida.page.waitForFunction(() =>
      /^(Kept|All kept)/.test(document.querySelector('[data-testid=kept]')?.textContent ?? ''),
    );
    const { body } = await (await visitor()).send('GET', '/api/brands/quillhaven');
    return (body.brand.palettes as Palette[]).find((palette) => palette.name === name)!;
  }
  const open = async (palette: string) => {
    await (await ida.find(`::-p-xpath(//nav[@aria-label="Palettes"]//button[span[.="${palette}"]])`)).click();
    await ida.page.waitForFunction((title) => document.querySelector<HTMLInputElement>('h1 input')?.value === title, {}, palette);
  };
  const tool = async (label: string) => {
    await (await ida.find(`::-p-xpath(//button[@role="tab"][.="${label}"])`)).click();
  };
  const cell = (name: string) => ida.find(`[data-swatch][aria-label^="${name},"]`);
  const shown = () =>
    ida.page.$$eval('[data-swatch]', (cells) => cells.map((cell) => [...cell.querySelectorAll('code')].at(-1)!.textContent!));
  /** Waits until a patch shows a colour, on trial or settled. */
  const shows = (at: number, hex: string) =>
    ida.page.waitForFunction(
      (place, wanted) =>
        [...document.querySelectorAll('[data-swatch]')[place]!.querySelectorAll('code')].at(-1)?.textContent === wanted,
      {},
      at,
      hex,
    );
  const strip = (label: string) =>
    ida.page.$$eval(`ol[aria-label="${label}"] li`, (items) => items.map((item) => item.getAttribute('data-value')!));
  const undo = async () => {
    await ida.blur();
    await ida.keys('Control', 'z');
  };
  async function middle(of: ElementHandle<Element>) {
    await of.evaluate((element) => element.scrollIntoView({ block: 'nearest' }));
    const box = (await of.boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  }
  async function drag(from: ElementHandle<Element>, to: ElementHandle<Element>) {
    const [start, end] = [await middle(from), await middle(to)];
    await ida.page.mouse.move(start.x, start.y);
    await ida.page.mouse.down();
    await ida.page.mouse.move(start.x + 8, start.y, { steps: 4 });
    await ida.page.mouse.move(end.x, end.y, { steps: 12 });
    // What is dragged settles over its place before it is let go.
    await new Promise((resolve) => setTimeout(resolve, 150));
    await ida.page.mouse.up();
  }
  /** Moves a slider by keys, as its own arrows do. */
  async function slide(label: string, key: 'ArrowRight' | 'ArrowLeft' | 'Home' | 'End', times = 1) {
    const slider = await ida.find(`main input[type=range][aria-label="${label}"]`);
    await slider.focus();
    for (let at = 0; at < times; at++) await ida.keys(key);
  }
  const untilStrip = (label: string, count: number) =>
    ida.page.waitForFunction(
      (name, wanted) => document.querySelectorAll(`ol[aria-label="${name}"] li`).length === wanted,
      {},
      label,
      count,
    );
  return { ida, close, visitor, kept, open, tool, cell, shown, shows, strip, undo, middle, drag, slide, untilStrip };
}

export type Mix = Awaited<ReturnType<typeof openMix>>;

export const names = (palette: Palette) => palette.swatches.map(({ name }) => name);
