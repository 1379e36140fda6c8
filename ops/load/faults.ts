import { setTimeout as pause } from 'node:timers/promises';
import type { Editor, Kept } from './editor';
import type { Installation } from './installation';

const EDITORS = 20;
const EVERY_MS = 200;
/** Between one kill and the next, in milliseconds. */
const BETWEEN_MS = 2_000;
const SERVER_KILLS = 20;
const DATABASE_KILLS = 10;

/**
 * People edit one brand at two servers and send each change until it is acknowledged, while one of the servers or the database is killed again and
 * again. Afterwards every acknowledged change must stand in the log, once, at the place that was said.
 */
export async function withFaults(installation: Installation, say: (line?: string) => void): Promise<void> {
  const instances = [await installation.serve(), await installation.serve()];
  await installation.copyDemo(['faults']);
  const people = (
    await Promise.all(instances.map((instance) => installation.editors(EDITORS / 2, instance, () => 'faults')))
  ).flat();
  let going = true;
  const working = people.map((editor) => editor.persist(EVERY_MS, () => going));
  for (let kill = 0; kill < SERVER_KILLS; kill++) {
    await pause(BETWEEN_MS * (0.5 + Math.random()));
    const at = kill % instances.length;
    instances[at] = await installation.killServer(instances[at]!);
  }
  for (let kill = 0; kill < DATABASE_KILLS; kill++) {
    await pause(BETWEEN_MS * (0.5 + Math.random()));
    await installation.killDatabase();
  }
  await pause(BETWEEN_MS);
  going = false;
  await Promise.all(working);
  const { kept, lost, twice, elsewhere, gaps } = await counted(installation, 'faults', people);
  const refusals = people.flatMap(({ errors }) => errors);
  const { verify } = await import('../../src/server/log/verify');
  const { faults } = await verify();
  say(
    `${SERVER_KILLS} kills of a server and ${DATABASE_KILLS} of the database while ${EDITORS} people edited: ${kept.length} changes acknowledged, ${lost} lost, ${twice} twice, ${elsewhere} at another place, ${gaps} gaps, ${refusals.length} refused.`,
  );
  say(faults.length === 0 ? 'Verified: every log gives its snapshots.' : faults.join('\n'));
  if (lost + twice + elsewhere + faults.length > 0) process.exitCode = 1;
}

/** Of the changes that editors of a brand were told are kept: how many are not in the log, stand there twice, or at another place. */
export async function counted(
  installation: Installation,
  brand: string,
  people: readonly Editor[],
): Promise<{ kept: readonly Kept[]; lost: number; twice: number; elsewhere: number; gaps: number }> {
  const kept = people.flatMap((editor) => editor.kept);
  const rows = await installation.query<{ key: string; seq: number }>('SELECT key, seq FROM changes WHERE brand_id = $1', [
    brand,
  ]);
  const places = new Map<string, number[]>();
  for (const { key, seq } of rows) places.set(key, [...(places.get(key) ?? []), seq]);
  const lost = kept.filter(({ key }) => !places.has(key)).length;
  return {
    kept,
    lost,
    twice: [...places.values()].filter((all) => all.length > 1).length,
    elsewhere: kept.filter(({ key, seq }) => !places.get(key)?.includes(seq)).length - lost,
    gaps: rows.length - Math.max(...rows.map(({ seq }) => seq)),
  };
}
