/** The colours of a page of the web, read by its address from the small gallery that ships with the simulated screens. */
import { once } from 'node:events';
import { existsSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { extname, resolve } from 'node:path';
import type { Browser } from 'puppeteer-core';
import { startTestServer, Visitor, type TestServer } from '../test-server';
import { launch, Person } from './browser';

let server: TestServer;
let browser: Browser;
let ida: Person;
let site: Server | undefined;
beforeAll(async () => {
  server = await startTestServer('gather-web', 'demo', { BREAKWATER_REACH: '127.0.0.1/32' });
  browser = await launch();
  ida = await Person.enter(browser, server, 'Ida');
  await ida.stage('Gather');
});
afterAll(async () => {
  site?.close();
  site?.closeAllConnections();
  await browser.close();
  await server.close();
});

test('the colours of a page of the web come by its address, with where they stand and what was not seen', async () => {
  site = createServer((request, response) => {
    const file = resolve('stand-ins/gallery', `.${request.url === '/' ? '/index.html' : request.url}`);
    const media: Record<string, string> = { '.html': 'text/html', '.css': 'text/css', '.svg': 'image/svg+xml' };
    if (!existsSync(file)) return void response.writeHead(404).end();
    response.writeHead(200, { 'content-type': media[extname(file)]! }).end(readFileSync(file));
  }).listen(0, '127.0.0.1');
  await once(site, 'listening');
  await ida.fill('Text with colours', `http://127.0.0.1:${(site!.address() as AddressInfo).port}/`);
  await ida.click('Read the colours of this page');
  await ida.sees('9 in the catch');
  expect((await ida.texts('[data-testid=catch] code[title]')).sort()).toEqual(
    [
      '2:12 #f6f3ec',
      '3:11 #4d6b3c',
      '9:10 color in gallery.css: oklch(0.55 0.11 235), once',
      '3:16 color in the page, stroke in drawings: #7a2f1d, 2 times',
      'bgcolor in attributes: #efe7d6, once',
      'border-left in style attributes, border-color in gallery.css: rgb(196, 154, 72), 2 times',
      'fill in drawings, theme-color in the head, color in gallery.css: #20363d, 3 times',
      'fill in drawings: #dce6e4, once',
      'fill in wave.svg: #2e7f8c, once',
      '3:13 fill in wave.svg: #f6f3ec, once',
    ].sort(),
  );
  expect(await ida.texts('[role=alert] li')).toEqual([
    'This page runs scripts; what they style or draw was not seen.',
    'A picture of this page was not looked at; save what you like and drop it here.',
    expect.stringMatching(/^lost\.css was not read: .* answered with 404/),
  ]);
  await ida.click('Bring in 9');
  await ida.sees('Harbour gallery');
  await ida.sees('Kept');
  const { body } = await (await Visitor.demo(server, 'ida')).send('GET', '/api/brands/quillhaven');
  expect(body.brand.palettes.at(-1)).toMatchObject({
    name: 'Harbour gallery',
    source: { file: expect.stringMatching(/^127\.0\.0\.1:\d+\/$/) },
    swatches: expect.arrayContaining([expect.objectContaining({ name: 'kelp', value: '#4d6b3c' })]),
  });
});
