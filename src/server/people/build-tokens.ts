import { createHash, randomBytes } from 'node:crypto';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { z } from 'zod';
import { EntityId } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { announce } from '../log/announce';
import { roleIn } from '../brands/brands';
import { database } from '../database/database';
import type { BuildTokenRow, PersonRow } from '../database/rows';
import { onePerProcess } from '../database/one-per-process';
import { writeDownOf } from './audit';
import { noteSender } from '../http/request-log';
import { Refused } from '../http/refused';
import { allowed } from '../http/request';

/** A token that lets a build fetch the released files of one brand, tell what its screens show, or both; nothing else. */
export interface BuildToken {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly at: string;
  /** When it was last used; null when it never was. */
  readonly usedAt: string | null;
  /** From when on it opens nothing; null when it has no end. */
  readonly endsAt: string | null;
  /** Whether it may fetch released files, and whether it may say what screens show. */
  readonly fetches: boolean;
  readonly reports: boolean;
}

export const NewToken = z
  .strictObject({
    name: z.string().trim().min(1, 'A token needs a name: where it is used.').max(80),
    /** How long it is good for; null: until it is revoked. */
    days: z.int().min(1).max(3_650).nullable().default(null),
    /** Whether it may fetch released files. */
    fetches: z.boolean().default(true),
    /** Whether it may say what screens show. */
    reports: z.boolean().default(false),
  })
  .refine(({ fetches, reports }) => fetches || reports, 'A token may fetch, report, or both.');

const MOST = 50;
/** How old the note of a token's last use may be, in milliseconds. */
const NOTED_MS = 60_000;
/** 256 random bits: nobody finds one by trying, so one hash is enough and no delay is needed. */
const SECRET = /^bwb_[A-Za-z0-9_-]{43}$/;

function hashOf(secret: string): string {
  return createHash('sha256').update(secret).digest('hex');
}

/** @returns the secret, which is shown once and kept nowhere */
export async function makeBuildToken(
  person: PersonRow,
  brandId: string,
  { name, days, fetches, reports }: z.output<typeof NewToken>,
): Promise<string> {
  const { BuildToken } = database();
  if ((await BuildToken.count({ where: { brandId } })) >= MOST)
    throw new Refused(409, `A brand has at most ${MOST} tokens for builds; take one away first.`);
  const secret = `bwb_${randomBytes(32).toString('base64url')}`;
  const endsAt = days === null ? null : new Date(Date.now() + days * 86_400_000);
  await BuildToken.create({ id: newId(), brandId, name, hash: hashOf(secret), personId: person.id, endsAt, fetches, reports });
  await writeDownOf(person, brandId, { what: 'make-build-token', about: name });
  return secret;
}

/** The tokens of a brand, the newest first. */
export async function buildTokensOf(brandId: string): Promise<BuildToken[]> {
  const { BuildToken, Person } = database();
  const rows = await BuildToken.findAll({ where: { brandId }, order: [['at', 'DESC']] });
  const people = new Map((await Person.findAll({ attributes: ['id', 'name'] })).map(({ id, name }) => [id, name]));
  return rows.map(({ id, name, personId, at, usedAt, endsAt, fetches, reports }) => ({
    id,
    name,
    by: people.get(personId) ?? 'somebody',
    at: at.toISOString(),
    usedAt: usedAt?.toISOString() ?? null,
    endsAt: endsAt?.toISOString() ?? null,
    fetches,
    reports,
  }));
}

/** From now on the token opens nothing. */
export async function revokeBuildToken(person: PersonRow, brandId: string, id: string): Promise<void> {
  const known = EntityId.safeParse(id).success;
  const row = known ? await database().BuildToken.findOne({ where: { brandId, id } }) : null;
  if (!row) throw new Refused(404, 'This token is not there any more.');
  await row.destroy();
  await writeDownOf(person, brandId, { what: 'revoke-build-token', about: row.name });
}

/**
 * Refuses a request for released files that comes neither from a person of the brand nor with a token of it.
 * @returns what notes the release that is fetched: a build that fetches is a screen that has it
 */
export async function mayFetch(request: Request, brandId: string): Promise<(release: number) => Promise<void>> {
  const token = await tokenOf(request, brandId);
  if (!token) {
    await allowed(brandId, 'read');
    return () => Promise.resolve();
  }
  if (!token.fetches)
    throw new Refused(403, 'This token reports what screens show and nothing else; make one under Ship that may fetch.');
  return async (release) => {
    if (token.fetched === release) return;
    await database().BuildToken.update({ fetched: release }, { where: { id: token.id } });
    await announce({ brand: brandId, kind: 'screens' });
  };
}

/**
 * Refuses a report of what a screen shows that comes neither from an editor's page nor with a token that may report.
 * @returns where it may have been sent from: with a token from anywhere, for no browser adds one by itself
 */
export async function mayReport(request: Request, brandId: string, screenId: string): Promise<'anywhere' | 'own pages'> {
  const token = await tokenOf(request, brandId);
  if (!token) {
    await allowed(brandId, 'edit');
    return 'own pages';
  }
  if (!token.reports)
    throw new Refused(403, 'This token fetches files only; make one under Ship that may also report what screens show.');
  await mustSpeakFor(token, screenId);
  await reportsOf()
    .consume(token.id)
    .catch(() => {
      throw new Refused(429, `A token reports at most ${REPORTS_A_MINUTE} times a minute; report again in a minute.`);
    });
  return 'anywhere';
}

/** A token speaks for one screen, the one that it first reported of: it may stand in a page for everybody to read. */
async function mustSpeakFor({ id, brandId, screenId }: BuildTokenRow, wanted: string): Promise<void> {
  if (screenId === wanted) return;
  const { BuildToken, Screen } = database();
  if (!EntityId.safeParse(wanted).success || !(await Screen.count({ where: { brandId, id: wanted } })))
    throw new Refused(404, 'There is no such screen here.');
  const [bound] = screenId === null ? await BuildToken.update({ screenId: wanted }, { where: { id, screenId: null } }) : [0];
  if (bound === 0) throw new Refused(403, 'This token reports of another screen; make one of its own for this one, under Ship.');
}

const REPORTS_A_MINUTE = 30;
const reportsOf = () =>
  onePerProcess('reports', () => new RateLimiterMemory({ keyPrefix: 'report', points: REPORTS_A_MINUTE, duration: 60 }));

/** The token that a request carries for a brand; null where it carries none. */
async function tokenOf(request: Request, brandId: string): Promise<BuildTokenRow | null> {
  const header = request.headers.get('authorization');
  if (header === null) return null;
  const secret = /^Bearer (.+)$/.exec(header)?.[1] ?? '';
  const { BuildToken } = database();
  const row = SECRET.test(secret) ? await BuildToken.findOne({ where: { hash: hashOf(secret) } }) : null;
  if (!row) throw new Refused(401, 'This token opens nothing; make a new one under Ship.');
  if (row.endsAt && row.endsAt < new Date()) throw new Refused(401, 'This token has come to its end; make a new one under Ship.');
  // A brand that the token is not for is as if it were not there.
  if (row.brandId !== brandId) throw new Refused(404, 'There is no such brand here.');
  if (!(await roleIn(row.personId, brandId)))
    throw new Refused(401, 'Whoever made this token has no part in the brand any more; make a new one under Ship.');
  noteSender(row.id);
  // A release is many files: their fetching is noted once.
  if (Date.now() - (row.usedAt?.getTime() ?? 0) > NOTED_MS)
    await BuildToken.update({ usedAt: new Date() }, { where: { id: row.id } });
  return row;
}
