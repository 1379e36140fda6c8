/** A data folder that is copied or moved: whose database it opens, and who it is from then on. */
import { chmodSync, cpSync, mkdtempSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { openData, type Opened, type Settings } from '../../ops/data-folder';

const place = mkdtempSync(join(tmpdir(), 'breakwater-folder-'));
// The database's own user walks into it, so the cluster lies in the folder.
chmodSync(place, 0o755);
const [original, copy, moved] = ['original', 'copy', 'moved'].map((name) => join(place, name)) as [string, string, string];
const open: Opened[] = [];
const opened = async (data: string) => {
  const one = await openData(data, 'own', { serves: true });
  open.push(one);
  return one;
};
afterAll(async () => {
  for (const one of open) await one.close();
  rmSync(place, { recursive: true, force: true });
});

async function ask(one: Opened, sql: string): Promise<unknown[]> {
  const client = new Client({ connectionString: one.env.BREAKWATER_DATABASE_URL });
  await client.connect();
  const { rows } = (await client.query(sql)) as { rows: unknown[] };
  await client.end();
  return rows;
}
const settings = (data: string) => JSON.parse(readFileSync(join(data, 'settings.json'), 'utf8')) as Settings;

test('a copy has a database and an identity of its own, also while the original runs; a folder that was moved stays what it is', async () => {
  const first = await opened(original);
  await ask(first, `CREATE TABLE kept AS SELECT 'original' AS whose`);
  expect(settings(original).cluster!.folder).toBe('postgres');
  await first.close();
  cpSync(original, copy, { recursive: true, preserveTimestamps: true });
  const again = await opened(original);

  const second = await opened(copy);
  expect(second.where).toBe(join(copy, 'postgres'));
  expect(await ask(second, 'UPDATE kept SET whose = $$copy$$ RETURNING whose')).toEqual([{ whose: 'copy' }]);
  expect(await ask(again, 'SELECT whose FROM kept')).toEqual([{ whose: 'original' }]);
  expect(settings(copy).id).not.toBe(settings(original).id);
  expect(second.env.BREAKWATER_SECRET).not.toBe(again.env.BREAKWATER_SECRET);
  await second.close();
  // Started once more it is itself, and no copy.
  const { id } = settings(copy);
  await (await opened(copy)).close();
  expect(settings(copy).id).toBe(id);

  // Moved below a running database, it is left alone.
  renameSync(original, moved);
  await expect(opened(moved)).rejects.toThrow('still served by process');
  renameSync(moved, original);
  await again.close();
  renameSync(original, moved);
  const third = await opened(moved);
  expect(await ask(third, 'SELECT whose FROM kept')).toEqual([{ whose: 'original' }]);
  expect(third.env.BREAKWATER_SECRET).toBe(again.env.BREAKWATER_SECRET);
  await third.close();
}, 120_000);

test('a copy of a folder of before there were identities opens no database of another, and says so', async () => {
  const { cluster, secret } = settings(copy);
  const elsewhere = { ...cluster, folder: join(moved, 'postgres') };
  // With its files beside it, those are what it opens.
  writeFileSync(join(copy, 'settings.json'), JSON.stringify({ cluster: elsewhere, secret }));
  const own = await opened(copy);
  expect([own.where, await ask(own, 'SELECT whose FROM kept')]).toEqual([join(copy, 'postgres'), [{ whose: 'copy' }]]);
  await own.close();
  rmSync(join(copy, 'postgres'), { recursive: true });
  writeFileSync(join(copy, 'settings.json'), JSON.stringify({ cluster: elsewhere, secret }));
  await expect(opened(copy)).rejects.toThrow(/is a copy, or was moved.*Write a backup there and restore it/);
}, 60_000);
