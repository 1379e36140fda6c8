import PROGRAMS from '../../../stand-ins/programs.json';
import { createHash } from 'node:crypto';
import { setImmediate as nextTurn } from 'node:timers/promises';
import { QueryTypes, type InferCreationAttributes } from 'sequelize';
import { isStorable, UNSTORABLE } from '@/core/base/storable';
import { EntityId } from '@/core/brand/document/fields';
import { matchOf, themeShown, type MatchCell } from '@/core/screens/match';
import {
  SCREEN_LIMITS,
  type Figure,
  type NewReading,
  type NewScreen,
  type Reading,
  type Screen,
  type ScreenEdit,
} from '@/core/screens/screen';
import { announce } from '../log/announce';
import { database } from '../database/database';
import { storedPicture } from '../brands/pictures';
import { Refused } from '../http/refused';
import { latestNumber } from './release-number';
import { documentsOf, releasedFile } from './releases';
import type { PersonRow, ReadingRow, ScreenRow } from '../database/rows';
import { tellWebhooks } from '../outside/webhooks';

const GONE = 'There is no such screen here.';
const NO_FILE = 'There is no such file in this release.';

/** The screens of a brand, as they were added. */
export async function screensOf(brandId: string): Promise<Screen[]> {
  const { sequelize, Screen, BuildToken } = database();
  const rows = await Screen.findAll({ where: { brandId }, order: ['at', 'id'] });
  const tokens = await BuildToken.findAll({ where: { brandId }, attributes: ['id', 'fetched'] });
  const fetched = new Map(tokens.map((token) => [token.id, token.fetched]));
  const read = await sequelize.query<{ screen: string; at: Date }>(
    'SELECT screen_id AS screen, max(at) AS at FROM readings WHERE brand_id = :brandId GROUP BY screen_id',
    { type: QueryTypes.SELECT, replacements: { brandId } },
  );
  const readAt = new Map(read.map(({ screen, at }) => [screen, at.toISOString()]));
  return rows.map(({ id, name, kind, held, edits }) => ({
    id,
    name,
    kind,
    held,
    edited: Object.keys(edits).sort(),
    edition: editionOf(edits),
    fetched: kind.is === 'build' ? (fetched.get(kind.token) ?? null) : null,
    readAt: readAt.get(id) ?? null,
  }));
}

function editionOf(edits: ScreenRow['edits']): string {
  if (Object.keys(edits).length === 0) return '';
  return createHash('sha256').update(JSON.stringify(edits)).digest('hex').slice(0, 12);
}

/** Adds a screen. Sent again, it is there once. */
export async function addScreen(person: PersonRow, brandId: string, { id, name, kind }: NewScreen): Promise<void> {
  const { Screen, BuildToken } = database();
  if ((await Screen.count({ where: { brandId } })) >= SCREEN_LIMITS.screens)
    throw new Refused(409, `A brand has at most ${SCREEN_LIMITS.screens} screens; take one away first.`);
  if (kind.is === 'simulated' && !Object.hasOwn(PROGRAMS, kind.program))
    throw new Refused(400, `There is no simulated screen “${kind.program}”; there are ${Object.keys(PROGRAMS).join(', ')}.`);
  if (kind.is === 'build' && !(await BuildToken.findOne({ where: { brandId, id: kind.token } })))
    throw new Refused(404, 'That token is not there any more; choose another, or make one under Ship.');
  if (kind.is === 'picture') await storedPicture(brandId, kind.picture);
  await Screen.bulkCreate([{ brandId, id, name, kind, personId: person.id }], { ignoreDuplicates: true });
  await announce({ brand: brandId, kind: 'screens' });
}

async function screenOf(brandId: string, id: string): Promise<ScreenRow> {
  const row = EntityId.safeParse(id).success && (await database().Screen.findOne({ where: { brandId, id } }));
  if (!row) throw new Refused(404, GONE);
  return row;
}

export async function editScreen(brandId: string, id: string, edit: ScreenEdit): Promise<void> {
  const row = await screenOf(brandId, id);
  const { kind } = row;
  if (edit.address !== undefined) {
    if (kind.is !== 'page') throw new Refused(400, 'Only a page has an address.');
    row.kind = { ...kind, address: edit.address };
  }
  if (edit.picture !== undefined) {
    if (kind.is !== 'picture') throw new Refused(400, 'Only a picture is replaced by a newer one.');
    await storedPicture(brandId, edit.picture);
    row.kind = { is: 'picture', picture: edit.picture };
    // What the older one showed is nothing that this one does.
    await database().Reading.destroy({ where: { brandId, screenId: id, release: await latestNumber(brandId) } });
  }
  if (edit.name !== undefined) row.name = edit.name;
  if ((edit.held !== undefined || edit.file) && kind.is !== 'simulated')
    throw new Refused(400, 'Only a simulated screen is held at a release, or edited by hand here.');
  if (edit.held !== undefined) {
    if (edit.held !== null && edit.held > (await latestNumber(brandId))) throw new Refused(404, 'There is no such release.');
    row.held = edit.held;
  }
  if (edit.file) {
    const { path, text } = edit.file;
    const edits = new Map(Object.entries(row.edits));
    if (text === null) edits.delete(path);
    else {
      if (!isStorable(text)) throw new Refused(400, UNSTORABLE);
      if (!(await releasedFile(brandId, await releaseAt(row), path))) throw new Refused(404, NO_FILE);
      edits.set(path, text);
    }
    if (edits.size > SCREEN_LIMITS.edits)
      throw new Refused(409, `At most ${SCREEN_LIMITS.edits} files of a screen are edited by hand; take one back first.`);
    row.edits = Object.fromEntries(edits);
  }
  await row.save();
  await announce({ brand: brandId, kind: 'screens' });
}

export async function removeScreen(brandId: string, id: string): Promise<void> {
  const row = await screenOf(brandId, id);
  await row.destroy();
  await announce({ brand: brandId, kind: 'screens' });
}

/** Number of the release that a simulated screen runs. */
async function releaseAt({ held, brandId }: ScreenRow): Promise<number> {
  return held ?? latestNumber(brandId);
}

/** A file as a simulated screen has it: of the release that it runs, or as somebody edited it by hand there. */
export async function fileAt(
  brandId: string,
  id: string,
  path: string,
): Promise<{ release: number; mediaType: string; bytes: Uint8Array }> {
  const row = await screenOf(brandId, id);
  const { edits, kind } = row;
  if (kind.is !== 'simulated') throw new Refused(404, GONE);
  const release = await releaseAt(row);
  const file = await releasedFile(brandId, release, path);
  if (!file) throw new Refused(404, NO_FILE);
  const own = Object.hasOwn(edits, path) ? edits[path] : undefined;
  return { release, mediaType: file.mediaType, bytes: own === undefined ? new Uint8Array(file.bytes) : Buffer.from(own) };
}

/** How long drift in a theme of a screen is not told again, however it comes and goes, in milliseconds. */
const DRIFT_MS = 10 * 60_000;
/** How many tokens a message of drift names. */
const TOLD_TOKENS = 20;

/**
 * Keeps what a screen was found to show, held against the latest release. What was found before for the same themes gives way. Where more
 * differs than when it was last looked at, and no earlier release explains it, webhooks are told.
 */
export async function keepReadings(brandId: string, id: string, told: readonly NewReading[]): Promise<void> {
  const { name, edits } = await screenOf(brandId, id);
  const release = await latestNumber(brandId);
  if (release === 0) throw new Refused(409, 'Nothing has been released yet, so there is nothing to hold a screen against.');
  const readings = told.map((reading) => ({ ...reading, release: Math.min(release, reading.release ?? release) }));
  const documents = await documentsOf(brandId, [release, ...readings.map((reading) => reading.release)]);
  const isEdited = Object.keys(edits).length > 0;
  const drifting = new Map<string, readonly MatchCell[]>();
  const rows: InferCreationAttributes<ReadingRow>[] = [];
  for (const { theme, seen, release: runs } of readings) {
    // A theme of a large brand takes a while; others are answered in between.
    await nextTurn();
    const wanted = themeShown(documents.get(release)!, theme);
    if (!wanted) throw new Refused(400, `The release has no theme ${theme}; a screen shows one of those it has.`);
    const earlier = runs < release ? documents.get(runs) : undefined;
    const { cells } = matchOf(wanted, seen, {
      runs: runs < release ? ((earlier && themeShown(earlier, theme))?.colours ?? new Map<string, string>()) : null,
      isEdited,
    });
    const differing = [...cells.values()].filter((cell) => !cell.same);
    const unexplained = differing.filter(({ why }) => why !== 'older release');
    drifting.set(theme, unexplained);
    const counts = { same: cells.size - differing.length, differing: differing.length };
    rows.push({ brandId, screenId: id, release, theme, runs, seen, ...counts, at: new Date() });
  }
  const { sequelize, Reading, Screen } = database();
  await sequelize.transaction(async (transaction) => {
    // Many pages may tell of the same drift at once: one after another, so that the first alone finds it new.
    const isThere = await Screen.findOne({
      where: { brandId, id },
      attributes: ['brandId', 'id', 'driftTold'],
      lock: true,
      transaction,
    });
    if (!isThere) throw new Refused(404, GONE);
    const now = Date.now();
    const marks = { ...isThere.driftTold };
    const drifts = [...drifting].filter(([theme, { length: count }]) => {
      const mark = marks[theme] ?? { count: 0, at: 0 };
      const isNews = count > mark.count && now - mark.at >= DRIFT_MS;
      // Less than was told is noted, so that more of it is news again; more than may be told yet is not.
      if (isNews || count < mark.count) marks[theme] = { count, at: isNews ? now : mark.at };
      return isNews;
    });
    await isThere.update({ driftTold: marks }, { transaction });
    await Reading.bulkCreate(rows, {
      updateOnDuplicate: ['runs', 'seen', 'same', 'differing', 'at'],
      transaction,
    });
    if (drifts.length > 0) {
      const themes = drifts.map(toldDrift);
      await tellWebhooks(brandId, 'drift', { screen: { id, name }, release, themes }, transaction);
    }
    await announce({ brand: brandId, kind: 'screens' }, transaction);
  });
}

/** What a message tells of the drift in a theme. */
function toldDrift([theme, drifting]: readonly [string, readonly MatchCell[]]): object {
  const tokens = drifting.slice(0, TOLD_TOKENS).map(({ token, wanted, found, distance, why, where }) => ({
    ...{ token, wanted, found, why, where },
    distance: Math.round(distance * 100) / 100,
  }));
  return { theme, tokens, more: drifting.length - tokens.length };
}

/** What a screen was last found to show, theme by theme. */
export async function readingsOf(brandId: string, id: string): Promise<readonly Reading[]> {
  await screenOf(brandId, id);
  return (await latestReadings(brandId, id)).get(id) ?? [];
}

/** What the screens of a brand, or one of them, were last found to show; those that were never read are not there. */
export async function latestReadings(
  brandId: string,
  only: string | null = null,
): Promise<ReadonlyMap<string, readonly Reading[]>> {
  const rows = await database().sequelize.query<Reading & { screen: string }>(
    `SELECT screen_id AS screen, theme, runs AS release, seen FROM readings r
     WHERE brand_id = :brandId AND (:only::text IS NULL OR screen_id = :only)
       AND release = (SELECT max(release) FROM readings WHERE brand_id = r.brand_id AND screen_id = r.screen_id)
     ORDER BY screen_id, theme`,
    { type: QueryTypes.SELECT, replacements: { brandId, only } },
  );
  const found = new Map<string, Reading[]>();
  for (const { screen, ...reading } of rows) found.set(screen, [...(found.get(screen) ?? []), reading]);
  return found;
}

/** How the figure went from release to release, the oldest first. */
export async function figuresOf(brandId: string): Promise<Figure[]> {
  return database().sequelize.query<Figure>(
    `SELECT release, sum(same)::int AS same, sum(differing)::int AS differing FROM readings WHERE brand_id = :brandId
     GROUP BY release ORDER BY release`,
    { type: QueryTypes.SELECT, replacements: { brandId } },
  );
}
