import { apply } from '@/core/brand/commands/apply';
import { Command, type Step } from '@/core/brand/commands/commands';
import { Brand, serialiseBrand } from '@/core/brand/document/document';
import {
  colour,
  demo,
  doing,
  foam,
  hear,
  kept,
  page,
  pages,
  rename,
  server,
  untilDone,
  told,
} from '../../../tests/page-of-brand';
import { Disk, Stream } from '../../../tests/page-surroundings';
import { waitingCount } from './brand-state';

jest.mock('../notices', () => ({ tell: (sentence: string) => void told.push(sentence) }));

test('an edit is shown at once, kept on disk until the server has it, and confirmed by the stream', async () => {
  const store = page();
  expect(store.getState().run(colour('#eeeeee'))).toBe(true);
  expect([foam(store), waitingCount(store.getState()), kept().length]).toEqual(['#eeeeee', 1, 1]);
  await untilDone();
  expect([waitingCount(store.getState()), kept().length, store.getState().keptAt]).toEqual([0, 0, expect.any(Date)]);
  hear(server.log[0]!, 'Ida');
  expect(store.getState().replica).toMatchObject({ seq: 1, pending: [] });
  expect(serialiseBrand(store.getState().brand)).toBe(serialiseBrand(server.brand));
});

test('what is on trial is shown but neither kept nor sent, outlasts others’ work, and ends when it is done or let go', async () => {
  const store = page();
  const { tryOut, run, undo } = store.getState();
  tryOut(colour('#111111'));
  expect([foam(store), kept().length, server.log.length]).toEqual(['#111111', 0, 0]);
  server.take({ key: 'other', command: rename('Elsewhere') });
  hear(server.log.at(-1)!);
  expect([foam(store), store.getState().brand.name, store.getState().trial]).toEqual(['#111111', 'Elsewhere', colour('#111111')]);
  // Somebody deletes what it is about: there is nothing left to try.
  const users = demo.tokens.filter(({ values }) =>
    Object.values(values).some((value) => 'swatch' in value && value.swatch === 'core-foam'),
  );
  const unlink = users.map(({ id, values }): Step => {
    const white = Object.keys(values).map((theme) => [theme, { colour: '#fff' }]);
    return { do: 'token.set', id, set: Object.fromEntries(white) };
  });
  tryOut(null);
  expect([foam(store), store.getState().trial]).toEqual(['#ddf0ee', null]);
  tryOut(colour('#222222'));
  run(colour('#333333'));
  expect([foam(store), store.getState().trial]).toEqual(['#333333', null]);
  await untilDone();
  undo();
  expect(foam(store)).toBe('#ddf0ee');
  await untilDone();
  tryOut(colour('#444444'));
  server.take({ key: 'gone', command: doing(...unlink, { do: 'swatch.remove', ids: ['core-foam'] }) });
  for (const change of server.log.filter(({ seq }) => seq > store.getState().replica.seq)) hear(change);
  expect([store.getState().trial, store.getState().brand]).toEqual([null, store.getState().replica.brand]);
});

test('a label that two long names make too long is cut, and the edit is kept', async () => {
  const store = page();
  store.getState().run({ ...colour('#eeeeee'), label: 'x'.repeat(300) });
  await untilDone();
  expect(Command.parse(server.log[0]!.command).label).toHaveLength(200);
});

test('a label is never cut within a character', async () => {
  const store = page();
  store.getState().run({ ...colour('#eeeeee'), label: `${'x'.repeat(199)}🚢` });
  await untilDone();
  expect(server.log[0]!.command.label).toBe('x'.repeat(199));
});

test('a request that is refused costs what was in it, and nothing that was done since', async () => {
  const store = page();
  const answering = server.fetch;
  let refuse = () => {};
  globalThis.fetch = (path, init) =>
    new Promise((resolve) => {
      refuse = () => resolve(Response.json({ error: 'No.' }, { status: 400 }));
      void [path, init];
    });
  store.getState().run(rename('A'));
  await untilDone();
  store.getState().run(colour('#eeeeee'));
  globalThis.fetch = answering as typeof fetch;
  refuse();
  await untilDone();
  expect(told).toEqual(['Test was not kept: No.']);
  expect([store.getState().brand.name, foam(store), server.log.length]).toEqual([demo.name, '#eeeeee', 1]);
});

test('a release is fetched when its number is told, once', async () => {
  const store = page();
  const asked = jest.spyOn(globalThis, 'fetch');
  for (const number of [2, 2, 1]) {
    Stream.open.at(-1)!.emit('release', { number });
    await untilDone();
  }
  expect([store.getState().release, asked.mock.calls.length]).toEqual([{ number: 2, document: demo }, 1]);
  server.down = true;
  Stream.open.at(-1)!.emit('release', { number: 3 });
  await untilDone();
  expect(told).toEqual([expect.stringContaining('Release 3 was made, and could not be fetched')]);
});

test('a page that may not listen says so, is connected all the same, and asks again later', async () => {
  const store = page();
  const [first] = Stream.open;
  first!.emit('open');
  first!.emit('refused', { sentence: 'Too many.' });
  expect([told, Stream.open, store.getState().connected]).toEqual([['Too many.'], [], true]);
  await jest.advanceTimersByTimeAsync(60_000);
  expect(Stream.open).toHaveLength(1);
  Stream.open[0]!.emit('refused', { sentence: 'Too many.' });
  pages.pop()!();
  await jest.advanceTimersByTimeAsync(60_000);
  // Left by then, it asks no more.
  expect(Stream.open).toEqual([]);
});

test('out of reach, edits wait and are tried again in their order, each once', async () => {
  const store = page();
  server.down = true;
  for (const name of ['A', 'B', 'C']) store.getState().run(rename(name));
  await untilDone();
  expect([waitingCount(store.getState()), store.getState().connected, kept().length]).toEqual([3, false, 3]);
  server.down = false;
  await jest.advanceTimersByTimeAsync(6_000);
  await untilDone();
  expect(server.log.map(({ command }) => (command.steps[0] as { set: { name: string } }).set.name)).toEqual(['A', 'B', 'C']);
  expect([waitingCount(store.getState()), store.getState().connected]).toEqual([0, true]);
});

test('what the server refuses is taken back, and the person told why', async () => {
  const store = page();
  server.brand = apply(demo, doing({ do: 'swatch.edit', id: 'core-foam', set: { locked: true } })) as never;
  server.brand = (server.brand as unknown as { brand: Brand }).brand;
  store.getState().run(colour('#eeeeee'));
  await untilDone();
  expect(foam(store)).toBe('#ddf0ee');
  expect(told).toEqual(['Test was not kept: Foam is locked. Unlock it to change its colour.']);
  expect(kept()).toEqual([]);
});

test.each([
  [401, 1, 'Your edits wait here.'],
  [500, 1, 'Your edits wait here.'],
  [403, 0, 'Test was not kept: Status 403.'],
  [413, 0, 'Test was not kept: Status 413.'],
])('answered with %d, %d edits wait', async (status, waiting, words) => {
  const store = page();
  server.status = status;
  store.getState().run(rename('A'));
  await untilDone();
  expect([waitingCount(store.getState()), kept().length]).toEqual([waiting, waiting]);
  expect(told.join()).toContain(words);
});

test.each([
  [401, { sentence: 'Signed out.', signIn: true }],
  [404, { sentence: 'You have no part in this brand any more; an owner can give you one.', signIn: false }],
])('answered with %d, the page says why it stops, asks no more, and keeps what was not sent', async (status, parted) => {
  const store = page();
  server.status = status;
  store.getState().run(rename('A'));
  await untilDone();
  expect(store.getState().parted).toEqual(parted);
  const asked = server.sent.length;
  await jest.advanceTimersByTimeAsync(600_000);
  expect([server.sent.length, waitingCount(store.getState()), kept().length]).toEqual([asked, 1, 1]);
});

test('a role that was made another shows at once', async () => {
  const store = page('editor');
  server.role = 'viewer';
  Stream.open.at(-1)!.emit('part', {});
  await untilDone();
  expect([store.getState().role, told]).toEqual(['viewer', ['You are a viewer of this brand now.']]);
  expect(store.getState().run(rename('A'))).toBe(false);
  expect(store.getState().parted).toBeNull();
});

test('what an earlier page left on disk is sent, not applied twice', async () => {
  server.down = true;
  const first = page();
  first
    .getState()
    .run(doing({ do: 'palette.add', palette: { id: 'new', name: 'New', kind: 'loose', swatches: [] }, before: null }));
  await untilDone();
  pages.pop()!();
  server.down = false;
  // The server had it after all: the answer was lost, and the new page's document has the palette in it.
  const [key] = kept().map((name) => name.split('/').at(-1)!);
  server.take({ key: key!, command: JSON.parse(localStorage.getItem(kept()[0]!)!).command as Command });
  const second = page('owner', 1, server.brand);
  expect(waitingCount(second.getState())).toBe(1);
  await untilDone();
  expect([waitingCount(second.getState()), kept(), told, server.log.length]).toEqual([0, [], [], 1]);
  expect(second.getState().brand.palettes.filter(({ id }) => id === 'new')).toHaveLength(1);
});

test('an entry of another version stays on disk and is told of', () => {
  localStorage.setItem(
    'breakwater/ida/quillhaven/oldkey00',
    JSON.stringify({ order: 1, command: { label: 'Old', steps: [{ do: 'unknown' }] } }),
  );
  localStorage.setItem('breakwater/oren/quillhaven/otherone', JSON.stringify({ order: 1, command: rename('Not mine') }));
  const store = page();
  expect(told).toEqual([expect.stringContaining('1 earlier edits')]);
  expect([kept().length, waitingCount(store.getState())]).toEqual([2, 0]);
});

test('a full disk is told of, and the edit is sent all the same', async () => {
  Object.assign(globalThis, { localStorage: new Disk(10) });
  const store = page();
  store.getState().run(rename('A'));
  await untilDone();
  expect([server.log.length, told]).toEqual([1, [expect.stringContaining('too large for this browser’s disk')]]);
});

test('another page’s change goes under the own ones, and says who made it', () => {
  const store = page();
  server.down = true;
  store.getState().run(colour('#111111'));
  hear({
    seq: 1,
    key: 'theirs00',
    command: doing({ do: 'swatch.edit', id: 'core-foam', set: { value: '#222222', name: 'Spray' } }),
  });
  expect([foam(store), store.getState().brand.palettes[0]!.swatches[2]!.name]).toEqual(['#111111', 'Spray']);
  expect(store.getState().touched.get('core-foam')).toMatchObject({ by: 'Oren' });
});

test('an edit that somebody else overtakes is told to whom it was, with both values, once', async () => {
  const store = page();
  store.getState().run(colour('#111111'));
  await untilDone();
  hear(server.log[0]!, 'Ida');
  hear({ seq: 2, key: 'theirs00', command: colour('#222222') });
  hear({ seq: 3, key: 'theirs01', command: colour('#333333') });
  expect(told).toEqual(['Oren has set Foam to #222222; you had set it to #111111.']);
  expect(foam(store)).toBe('#333333');
});

test.each([
  ['with one’s own', true, '#111111'],
  ['with what stands', false, '#222222'],
])('an edit made out of reach that meets a later one asks instead of winning, and ends %s', async (_how, mine, end) => {
  const store = page();
  server.down = true;
  store.getState().run(rename('A'));
  await untilDone();
  expect(store.getState().connected).toBe(false);
  store.getState().run(colour('#111111'));
  server.down = false;
  const theirs = { seq: 1, key: 'theirs00', command: colour('#222222') };
  server.take(theirs);
  await jest.advanceTimersByTimeAsync(1_600);
  await untilDone();
  // Refused at once; asked as soon as what it met is known. What met nothing went through.
  expect([store.getState().conflicts, told]).toEqual([[], []]);
  hear(server.log[0]!);
  expect(store.getState().conflicts).toMatchObject([
    { by: 'Oren', fields: [{ what: 'Foam', theirs: { words: '#222222' }, mine: { words: '#111111' } }] },
  ]);
  expect(foam(store)).toBe('#222222');
  hear(server.log[1]!, 'Ida');
  store.getState().answerConflict(store.getState().conflicts[0]!.key, mine);
  await untilDone();
  expect([foam(store), store.getState().conflicts, server.brand.name, kept().length]).toEqual([end, [], 'A', 0]);
  expect(serialiseBrand(store.getState().brand)).toBe(serialiseBrand(server.brand));
});

test('who is here is known, and an edit refused for another reason is told after a moment', async () => {
  const store = page();
  Stream.open.at(-1)!.emit('here', [
    { id: 'ida', name: 'Ida' },
    { id: 'wim', name: 'Wim' },
  ]);
  Stream.open.at(-1)!.emit('here', 'nonsense');
  expect(store.getState().here.map(({ name }) => name)).toEqual(['Ida', 'Wim']);
  server.down = true;
  store.getState().run(rename('A'));
  await untilDone();
  store.getState().run(doing({ do: 'swatch.edit', id: 'deck-lichen', set: { name: 'Moss' } }));
  hear({ seq: 1, key: 'theirs00', command: doing({ do: 'swatch.remove', ids: ['deck-lichen'] }) });
  expect(told).toEqual([]);
  await jest.advanceTimersByTimeAsync(3_100);
  expect(told).toEqual([expect.stringContaining('was not kept: That swatch is no longer there')]);
});

test('an own edit that no longer applies is dropped with its reason', () => {
  const store = page();
  server.down = true;
  store.getState().run(doing({ do: 'swatch.edit', id: 'deck-lichen', set: { name: 'Moss' } }));
  hear({ seq: 1, key: 'theirs00', command: doing({ do: 'swatch.remove', ids: ['deck-lichen'] }) });
  expect(told).toEqual([expect.stringContaining('was not kept: That swatch is no longer there')]);
  expect([waitingCount(store.getState()), kept()]).toEqual([0, []]);
});

test('a missed change is asked for again', () => {
  const store = page();
  hear({ seq: 1, key: 'one00000', command: rename('One') });
  hear({ seq: 3, key: 'three000', command: rename('Three') });
  expect(store.getState().brand.name).toBe('One');
  expect(Stream.open.map(({ url }) => url)).toEqual([expect.stringMatching(/events\?after=1&page=\w+$/)]);
});

test('when the network goes the server is asked anew: one on this machine is reached all the same', () => {
  const store = page();
  const connected = () => store.getState().connected;
  const [first] = Stream.open;
  window.dispatchEvent(new Event('offline'));
  expect([connected(), Stream.open.length, Stream.open[0] === first]).toEqual([false, 1, false]);
  Stream.open[0]!.emit('open');
  expect(connected()).toBe(true);
});

test('a palette that a redo or an undo brings back is looked at again', () => {
  const store = page();
  const { run, choosePalette, undo, redo } = store.getState();
  const looked = () => store.getState().palette;
  run(doing({ do: 'palette.add', palette: { id: 'brought', name: 'Brought in', kind: 'loose', swatches: [] }, before: null }));
  choosePalette('brought');
  undo();
  expect(looked()).toBe('core');
  redo();
  expect(looked()).toBe('brought');
  run(doing({ do: 'palette.remove', id: 'brought' }));
  expect(looked()).toBe('core');
  undo();
  expect(looked()).toBe('brought');
});

test('undo and redo go back and forth; a new edit ends the redoing', async () => {
  const store = page();
  const { run, undo, redo } = store.getState();
  run(colour('#111111'));
  run(colour('#222222'));
  undo();
  undo();
  expect(foam(store)).toBe('#ddf0ee');
  redo();
  expect(foam(store)).toBe('#111111');
  run(rename('X'));
  redo();
  expect([foam(store), store.getState().redoable]).toEqual(['#111111', []]);
  await untilDone();
  hear(server.log[0]!, 'Ida');
  expect(serialiseBrand(store.getState().brand)).toBe(serialiseBrand(server.brand));
});

test('a trial is shown and neither kept nor sent', async () => {
  const store = page();
  store.getState().tryOut(colour('#abcdef'));
  await untilDone();
  expect([foam(store), kept(), server.sent]).toEqual(['#abcdef', [], []]);
  store.getState().tryOut(null);
  expect(foam(store)).toBe('#ddf0ee');
});

test('a viewer’s edit is refused on the page already, with the sentence', async () => {
  const store = page('viewer');
  expect(store.getState().run(rename('A'))).toBe(false);
  await untilDone();
  expect([server.sent, told]).toEqual([[], [expect.stringContaining('viewer and cannot change this brand')]]);
});

test('a palette or theme that somebody deletes gives way to the first', () => {
  const store = page();
  store.getState().choosePalette('deck');
  store.getState().chooseTheme('night');
  hear({ seq: 1, key: 'theirs00', command: doing({ do: 'palette.remove', id: 'deck' }, { do: 'theme.remove', id: 'night' }) });
  expect([store.getState().palette, store.getState().theme]).toEqual(['core', 'day']);
});
