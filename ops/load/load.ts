/**
 * Many people at once: `npm run load` prints the tables that stand in docs/performance.md, `npm run load -- --faults` kills the server and the
 * database while people edit, and counts. `--only NAME` runs one part. Each part says what the host took from the machine meanwhile.
 */
import { setTimeout as pause } from 'node:timers/promises';
import { Command } from 'commander';
import { largeBrand } from '../large-brand';
import { onNewPage, quantile, signInAsIda } from '../bench-page';
import { watchStolen } from '../stolen';
import type { Editor, Kept } from './editor';
import { Installation, PEOPLE, type Instance } from './installation';
import { withFaults } from './faults';

const EVERY_MS = 2_000;
const SECONDS = 60;
const MINUTES = 10;
/** Bounds of `Sent` in the route, and of a person's streams. */
const BATCH = 200;
const STREAMS_OF_ONE = 30;

const say = (line = ''): void => void process.stdout.write(`${line}\n`);
const ms = (value: number) => value.toFixed(0);

const { faults, only } = new Command('npm run load --')
  .option('--faults', 'kill the server and the database while people edit')
  .option('--only <part>', 'editors, burst, streams, large or memory')
  .parse()
  .opts<{ faults?: boolean; only?: string }>();

// While the database is killed, every request says so.
if (faults) process.env.BREAKWATER_LOG = 'fatal';
const parts = { editors, burst, streams, large, memory };
const installation = await Installation.make();
try {
  if (faults) await withFaults(installation, say);
  else
    for (const [name, part] of Object.entries(parts)) {
      if (only !== undefined && only !== name) continue;
      const stolen = watchStolen();
      await part();
      say(`Of the processor time that was wanted for this, the host gave ${stolen().toFixed(0)} % to others.\n`);
    }
} finally {
  await installation.close();
}

/** 50 people with a stream each, for a minute: on one brand and on fifty, without and with a release. */
async function editors(): Promise<void> {
  const instance = await installation.serve();
  const many = Array.from({ length: PEOPLE }, (_, at) => `copy-${at}`);
  await installation.copyDemo(['one', ...many]);
  say(`| ${PEOPLE} people, ${SECONDS} s | changes | errors | lost or twice | median, ms | 95th percentile, ms | aim | stolen |`);
  say('| --- | --- | --- | --- | --- | --- | --- | --- |');
  for (const released of [false, true]) {
    if (released) await release(instance, ['one', ...many]);
    for (const [title, brand] of [
      ['one brand', () => 'one'],
      ['fifty brands', (at: number) => many[at]!],
    ] as const) {
      const people = await installation.editors(PEOPLE, instance, brand);
      const stolen = watchStolen();
      await atWork(people, SECONDS);
      const share = stolen();
      const took = people.flatMap((editor) => editor.took);
      const errors = people.flatMap((editor) => editor.errors);
      if (errors.length > 0) say(`errors: ${[...new Set(errors)].join(', ')}`);
      const amiss = (await lostOrTwice(people.flatMap(({ kept }) => kept))) + deaf(people);
      say(
        `| ${title}, ${released ? 'with a release' : 'no release'} | ${took.length} | ${errors.length} | ${amiss} | ${ms(quantile(took, 0.5))} | ${ms(quantile(took, 0.95))} | < 150 | ${share.toFixed(0)} % |`,
      );
    }
  }
  say();
}

async function release(instance: Instance, brands: readonly string[]): Promise<void> {
  const [person] = await installation.editors(1, instance, () => 'one');
  for (const brand of brands) {
    const { seq } = (await (await person!.fetch(`/api/brands/${brand}`)).json()) as { seq: number };
    const made = await person!.fetch(`/api/brands/${brand}/releases`, {
      method: 'POST',
      body: JSON.stringify({ seq, note: '' }),
    });
    if (!made.ok) throw new Error(`No release of ${brand}: ${made.status} ${await made.text()}`);
  }
}

async function atWork(people: readonly Editor[], seconds: number): Promise<void> {
  const after = new Map<string, number>();
  for (const { brand } of people) after.set(brand, await lastPlace(brand));
  await Promise.all(people.map((editor) => editor.listen(after.get(editor.brand)!)));
  const until = performance.now() + seconds * 1_000;
  await Promise.all(people.map((editor) => editor.work(EVERY_MS, () => performance.now() < until)));
  await pause(1_000);
  people.forEach((editor) => editor.leave());
}

async function lastPlace(brand: string): Promise<number> {
  return (await installation.query<{ seq: number }>('SELECT seq FROM brands WHERE id = $1', [brand]))[0]!.seq;
}

/** Acknowledged changes that the log has not just once, at the place that was said. */
async function lostOrTwice(kept: readonly Kept[]): Promise<number> {
  const rows = await installation.query<{ brand_id: string; key: string; seq: number }>('SELECT brand_id, key, seq FROM changes');
  const places = new Map<string, number[]>();
  for (const { brand_id, key, seq } of rows) {
    const name = `${brand_id} ${key}`;
    places.set(name, [...(places.get(name) ?? []), seq]);
  }
  return kept.filter(({ brand, key, seq }) => places.get(`${brand} ${key}`)?.join() !== String(seq)).length;
}

/** Pages that did not hear every change once, in order. */
function deaf(people: readonly Editor[]): number {
  return people.filter(({ brand, heard }) => {
    const all = people.filter((other) => other.brand === brand).flatMap(({ kept }) => kept.map(({ seq }) => seq));
    return all.sort((one, two) => one - two).join() !== heard.join();
  }).length;
}

/** A page that comes back with a full queue, while fifty listen. */
async function burst(): Promise<void> {
  const instance = await installation.serve();
  await installation.copyDemo(['burst']);
  const people = await installation.editors(PEOPLE, instance, () => 'burst');
  await Promise.all(people.map((editor) => editor.listen(0)));
  await people[0]!.send(1);
  const started = performance.now();
  await people[0]!.send(BATCH);
  const acknowledged = performance.now() - started;
  while (people.some(({ heard }) => heard.length < BATCH + 1)) await pause(5);
  say(
    `${BATCH} changes at once, ${PEOPLE} streams: acknowledged after ${ms(acknowledged)} ms, with all after ${ms(performance.now() - started)} ms (aim: 2000).`,
  );
  people.forEach((editor) => editor.leave());
}

/** One save while very many listen; what the next request waits for. */
async function streams(): Promise<void> {
  const instance = await installation.serve();
  await installation.copyDemo(['heard']);
  const people = await installation.editors(20, instance, () => 'heard');
  const pages = people.flatMap((editor) => Array.from({ length: STREAMS_OF_ONE }, () => editor.another()));
  for (const page of pages) await page.listen(0);
  const next: number[] = [];
  for (let round = 1; round <= 10; round++) {
    await people[0]!.send(1);
    const started = performance.now();
    await people[1]!.fetch('/api/brands/heard/history/core-foam');
    next.push(performance.now() - started);
    while (pages.some(({ heard }) => heard.length < round)) await pause(5);
  }
  say(
    `One save with ${pages.length} streams: the next request took ${ms(quantile(next, 0.5))} ms at the median and ${ms(Math.max(...next))} ms at most, of 10 (aim: 200).`,
  );
  pages.forEach((page) => page.leave());
}

/** 5,000 tokens and 20,000 changes against the demo: what a save costs, at one instance and alternating between two; opening it. */
async function large(): Promise<void> {
  const [first, second] = [await installation.serve(), await installation.serve()];
  const CHANGES = 20_000;
  const document = { ...largeBrand(), id: 'large' };
  await installation.copyDemo(['small']);
  await installation.query(
    `INSERT INTO brands (id, organisation_id, seq, name, shelf, templates) VALUES ('large', 'quillhaven', $1, $2, '{}', '[]')`,
    [CHANGES, document.name],
  );
  await installation.query(`INSERT INTO snapshots VALUES ('large', $1, $2)`, [CHANGES, JSON.stringify(document)]);
  const command = { label: 'Load', steps: [{ do: 'swatch.edit', id: 'core-foam', set: { value: '#ddf0ee' } }] };
  await installation.query(
    `INSERT INTO changes (brand_id, seq, key, version, command, inverse, touched, person_id)
     SELECT 'large', n, 'old' || n, 1, $1, $1, '{core-foam}', 'demo-ida' FROM generate_series(1, ${CHANGES}) AS n`,
    [JSON.stringify(command)],
  );
  const saves = { small: [] as number[], large: [] as number[] };
  for (const [title, instances] of [
    ['one instance', [first]],
    ['two instances in turn', [first, second]],
  ] as const) {
    saves.small.length = saves.large.length = 0;
    const editors = await Promise.all(
      instances.map(async (instance) => ({
        small: (await installation.editors(1, instance, () => 'small'))[0]!,
        large: (await installation.editors(1, instance, () => 'large'))[0]!,
      })),
    );
    const ROUNDS = 100;
    const WARM = 20;
    for (let round = 0; round < ROUNDS; round++)
      for (const size of ['small', 'large'] as const) {
        const editor = editors[round % editors.length]![size];
        await editor.send(1);
        if (round >= WARM) saves[size].push(editor.took.at(-1)!);
      }
    const [small, big] = [quantile(saves.small, 0.5), quantile(saves.large, 0.5)];
    say(
      `A save at ${title}: ${small.toFixed(1)} ms for the demo, ${big.toFixed(1)} ms for 5,000 tokens with ${CHANGES} changes: ${(big / small).toFixed(2)} times (aim: 1.5).`,
    );
  }
  const opened: number[] = [];
  await onNewPage(async (page) => {
    await signInAsIda(page, first.url);
    for (let round = 0; round < 5; round++) {
      await page.goto('about:blank');
      const started = performance.now();
      await page.goto(`${first.url}/brand/large/name`, { waitUntil: 'domcontentloaded' });
      await page.waitForSelector('[data-testid=kept]');
      opened.push(performance.now() - started);
    }
  });
  say(
    `Opening a brand of 5,000 tokens: ${ms(quantile(opened, 0.5))} ms at the median of five, ${ms(opened[0]!)} ms the first time (aim: 1000).`,
  );
}

/** What the server's process takes, minute by minute, while fifty people edit one brand. */
async function memory(): Promise<void> {
  const instance = await installation.serve();
  await installation.copyDemo(['long']);
  const people = await installation.editors(PEOPLE, instance, () => 'long');
  const minutes: number[] = [];
  const working = atWork(people, MINUTES * 60);
  for (let minute = 0; minute < MINUTES; minute++) {
    const samples: number[] = [];
    for (let at = 0; at < 6; at++) {
      await pause(10_000);
      samples.push(await residentMegabytes(instance));
    }
    minutes.push(quantile(samples, 0.5));
  }
  await working;
  const errors = people.flatMap(({ errors }) => errors);
  say(
    `Memory of the server, minute by minute, ${PEOPLE} people at one brand: ${minutes.map((value) => value.toFixed(0)).join(', ')} MB; ${errors.length} errors.`,
  );
}

async function residentMegabytes({ url }: Instance): Promise<number> {
  const text = await (await fetch(`${url}/metrics`)).text();
  return Number(/^breakwater_process_resident_memory_bytes (\d+)/m.exec(text)![1]) / 1024 / 1024;
}
