import type { Command } from '@/core/brand/commands/commands';
import { colour, hear, kept, page, server, untilDone, told } from '../../../tests/page-of-brand';
import { Disk, Stream } from '../../../tests/page-surroundings';

jest.mock('../notices', () => ({ tell: (sentence: string) => void told.push(sentence) }));

describe('a page that is not of the server’s build', () => {
  const reload = jest.fn();
  const key = (id: string) => `breakwater/ida/quillhaven/${id}`;
  beforeEach(() => {
    reload.mockClear();
    Object.assign(globalThis, { sessionStorage: new Disk(), location: { reload } });
  });

  test('loads itself again when it is told what it does not know, and loses nothing', async () => {
    const store = page();
    server.down = true;
    store.getState().run(colour('#eeeeee'));
    await untilDone();
    hear({ seq: 1, key: 'theirs', command: { label: 'New', steps: [{ do: 'swatch.glow' }] } as unknown as Command });
    await untilDone();
    expect([reload.mock.calls.length, kept().length, Stream.open.length]).toEqual([1, 1, 0]);
    // The page anew, of the server's build by now.
    server.down = false;
    page();
    await untilDone();
    expect([server.log, kept().length]).toMatchObject([[{ command: { steps: [{ set: { value: '#eeeeee' } }] } }], 0]);
  });

  test('does so only once, when that was of no use', async () => {
    for (const expected of [
      [],
      ['Somebody’s change cannot be shown by this page; load it again in a moment. Your edits wait here.'],
    ]) {
      page();
      hear({ seq: 1, key: 'theirs', command: colour('no colour') });
      await untilDone();
      expect([reload.mock.calls.length, told]).toEqual([1, expected]);
    }
  });

  test('waits until the server has what the disk had no room for', async () => {
    Object.assign(globalThis, { localStorage: new Disk(10) });
    const store = page();
    server.down = true;
    store.getState().run(colour('#eeeeee'));
    await untilDone();
    Stream.open.at(-1)!.emit('release', { name: 'of another time' });
    await jest.advanceTimersByTimeAsync(5_000);
    expect(reload).not.toHaveBeenCalled();
    server.down = false;
    await jest.advanceTimersByTimeAsync(10_000);
    expect([reload.mock.calls.length, server.log.length]).toEqual([1, 1]);
  });

  test('an update is told, and taken when nobody looks', () => {
    const listeners: (() => void)[] = [];
    const page1 = { visibilityState: 'visible', addEventListener: (_: string, listener: () => void) => listeners.push(listener) };
    Object.assign(globalThis, { document: page1 });
    page();
    Stream.open.at(-1)!.emit('build', 'b1');
    expect(listeners).toEqual([]);
    Stream.open.at(-1)!.emit('build', 'b2');
    Stream.open.at(-1)!.emit('build', 'b2');
    expect([told, listeners.length, reload.mock.calls.length]).toEqual([[expect.stringContaining('was updated')], 1, 0]);
    page1.visibilityState = 'hidden';
    listeners[0]!();
    expect(reload).toHaveBeenCalledTimes(1);
  });

  test('edits that an earlier version left on the disk are sent; what a later one left stays there and is told', async () => {
    localStorage.setItem(key('old'), JSON.stringify({ order: 1, command: colour('#eeeeee') }));
    localStorage.setItem(
      key('new'),
      JSON.stringify({ order: 2, version: 9, command: { label: 'x', steps: [{ do: 'swatch.glow' }] } }),
    );
    localStorage.setItem(key('torn'), '{"order": 3, "comm');
    page();
    await untilDone();
    expect([server.log.map((change) => change.key), kept()]).toEqual([['old'], [key('new'), key('torn')]]);
    expect(told).toEqual(['2 earlier edits on this disk cannot be read by this version; they were left there.']);
  });
});
