/** A page of the demo's brand with a server, a disk and a stream of its own, anew for each test of the file that imports this. */
import { readFileSync } from 'node:fs';
import type { Command, Step } from '@/core/brand/commands/commands';
import { Brand } from '@/core/brand/document/document';
import type { PersonRole } from '@/core/brand/roles';
import type { BrandStore } from '@/ui/store/brand-state';
import { createBrandStore } from '@/ui/store/brand-store';
import { Disk, Server, Stream } from './page-surroundings';

/** What the person was told; a test has the notices push it here. */
export const told: string[] = [];

export const demo = Brand.parse(JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')));
export const doing = (...steps: Step[]): Command => ({ label: 'Test', steps });
export const colour = (value: string) => doing({ do: 'swatch.edit', id: 'core-foam', set: { value } });
export const rename = (name: string) => doing({ do: 'brand.edit', set: { name } });
export const foam = (store: BrandStore) =>
  store.getState().brand.palettes[0]!.swatches.find(({ id }) => id === 'core-foam')!.value;

export const kept = () => Object.keys(localStorage).filter((name) => name.startsWith('breakwater/'));

/** Another for each test. */
export let server: Server;
/** What closes each page that is open. */
export const pages: (() => void)[] = [];
export const untilDone = async () => {
  for (let n = 0; n < 30; n++) await Promise.resolve();
  await jest.advanceTimersByTimeAsync(0);
};

/** A page of the brand, listening. */
export function page(role: PersonRole = 'owner', seq = 0, brand = demo): BrandStore {
  const store = createBrandStore({
    brand,
    seq,
    role,
    release: null,
    person: { id: 'ida', name: 'Ida' },
    organisation: null,
    archived: false,
    build: 'b1',
    waitingSince: null,
  });
  pages.push(store.getState().connect());
  return store;
}
export const hear = (change: { seq: number; key: string; command: Command }, by = 'Oren') =>
  Stream.open.at(-1)!.emit('change', { version: 1, ...change, by, at: '2026-01-01T00:00:00Z' });

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['queueMicrotask', 'nextTick'] });
  told.length = 0;
  Stream.open = [];
  server = new Server(demo);
  Object.assign(globalThis, {
    localStorage: new Disk(),
    sessionStorage: new Disk(),
    EventSource: Stream,
    fetch: server.fetch,
    window: new EventTarget(),
  });
});
afterEach(() => {
  pages.splice(0).forEach((close) => close());
  jest.useRealTimers();
});
