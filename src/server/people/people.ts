import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { Op, type Transaction } from 'sequelize';
import { RateLimiterPostgres } from 'rate-limiter-flexible';
import { emptyBrand } from '@/core/brand/document/document';
import { newId } from '@/core/brand/document/identity';
import type { PersonRole } from '@/core/brand/roles';
import { announce } from '../log/announce';
import { bounded } from '../database/bounded';
import { createBrand } from '../brands/brands';
import { network } from '../http/client-address';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { writeDownOwn } from './audit';
import { onePerProcess } from '../database/one-per-process';
import { Refused } from '../http/refused';

/** OWASP Password Storage Cheat Sheet: argon2id (the library's default), 19 MiB, two passes, one lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Compared against when there is no such person, so that the answer takes as long either way. */
let decoy: Promise<string> | undefined;

/** A hash takes 19 MB and keeps a core busy for a moment. */
const hashing = bounded(2, 40, 'Many people are signing in just now; try again in a moment.');

/**
 * Tries in a quarter of an hour: ten for one person from one network, and a hundred from one network for anybody. So who guesses is
 * slowed, and nobody can keep somebody else out. Counted in the database for all instances together.
 */
const limiters = () =>
  onePerProcess('sign-in limiters', () => {
    const limiter = (keyPrefix: string, points: number) =>
      new RateLimiterPostgres({
        storeClient: database().sequelize,
        storeType: 'sequelize',
        tableName: 'attempts',
        tableCreated: true,
        // What has run out is cleared when somebody signs in; the library's own timer would keep a process alive.
        clearExpiredByTimeout: false,
        keyPrefix,
        points,
        duration: 15 * 60,
      });
    return { person: limiter('person', 10), network: limiter('network', 100) };
  });

/**
 * The person with this e-mail address and password. Wrong address and wrong password are refused alike.
 * @param from the network address of whoever tries
 */
export async function authenticate(email: string, password: string, from: string): Promise<PersonRow> {
  const attempts = limiters();
  const known = email.toLowerCase();
  const pair = `${known} ${network(from)}`;
  try {
    await attempts.network.consume(network(from));
    await attempts.person.consume(pair);
  } catch (error) {
    if (error instanceof Error) throw error;
    throw new Refused(429, 'Too many tries from where you are; wait a quarter of an hour and try again.');
  }
  const person = await database().Person.findOne({ where: { email: known } });
  const stored = person?.passwordHash ?? (await (decoy ??= hashing(() => hash(newId(), COST))));
  const right = await hashing(() => verify(stored, password));
  if (!person?.passwordHash || !right) throw new Refused(401, 'Address and password do not go together; check both.');
  await attempts.person.delete(pair);
  await database().sequelize.query('DELETE FROM attempts WHERE expire < :now', { replacements: { now: Date.now() } });
  return person;
}

/** A password as it is kept. */
export function hashed(password: string): Promise<string> {
  return hashing(() => hash(password, COST));
}

/** A password that nobody chose, for whoever is told it to begin with. */
function freshPassword(): string {
  return randomBytes(15).toString('base64url');
}

/** Who somebody is, before they have a part in anything. */
interface Newcomer {
  readonly name: string;
  readonly email: string;
}

/** An organisation with an empty brand of its name. */
async function createOrganisation(name: string, transaction: Transaction): Promise<string> {
  const organisation = await database().Organisation.create({ id: newId(), name }, { transaction });
  await createBrand(emptyBrand(newId(), name), organisation.id, transaction);
  return organisation.id;
}

/** Gives somebody a part in an organisation. @returns the password that was made for them; null for somebody who is known */
async function join(
  { name, email }: Newcomer,
  organisationId: string,
  role: PersonRole,
  transaction: Transaction,
): Promise<string | null> {
  const { Person, Membership } = database();
  const known = await Person.findOne({ where: { email }, transaction });
  const password = known ? null : freshPassword();
  const person =
    known ??
    (await Person.create(
      { id: newId(), name, email, passwordHash: await hashed(password!), demo: false, preferences: {} },
      { transaction },
    ));
  if (await Membership.findOne({ where: { personId: person.id, organisationId }, transaction }))
    throw new Refused(409, `${email} has a part in it already.`);
  await Membership.create({ personId: person.id, organisationId, role }, { transaction });
  return password;
}

/** A new organisation with its owner. @returns the owner's password; null when they are known */
export async function addOrganisation(name: string, owner: Newcomer): Promise<string | null> {
  return database().sequelize.transaction(async (transaction) => {
    if (await database().Organisation.findOne({ where: { name }, transaction }))
      throw new Refused(409, `There is an organisation called ${name} already.`);
    return join(owner, await createOrganisation(name, transaction), 'owner', transaction);
  });
}

/** Gives somebody a part in an organisation. @returns their password; null when they are known */
export async function invite(newcomer: Newcomer, organisation: string, role: PersonRole): Promise<string | null> {
  return database().sequelize.transaction(async (transaction) => {
    const found = await database().Organisation.findAll({ where: { name: organisation }, transaction });
    if (found.length !== 1)
      throw new Refused(
        404,
        `There ${found.length === 0 ? 'is no organisation' : 'are several organisations'} called ${organisation}.`,
      );
    return join(newcomer, found[0]!.id, role, transaction);
  });
}

/** Gives somebody a new password and ends their sessions. @returns it */
export async function resetPassword(email: string): Promise<string> {
  const { sequelize, Person, Session } = database();
  const password = freshPassword();
  const passwordHash = await hashed(password);
  await sequelize.transaction(async (transaction) => {
    const person = await Person.findOne({ where: { email, demo: false }, transaction });
    if (!person) throw new Refused(404, `Nobody signs in as ${email}.`);
    await person.update({ passwordHash }, { transaction });
    await Session.destroy({ where: { personId: person.id }, transaction });
  });
  return password;
}

/** Somebody new with a password of their own; hashed now, and kept within the transaction that is given then. */
export async function createPerson({
  name,
  email,
  password,
}: Newcomer & { readonly password: string }): Promise<(transaction: Transaction) => Promise<PersonRow>> {
  const passwordHash = await hashed(password);
  const known = email.toLowerCase();
  return async (transaction) => {
    const { Person } = database();
    if (await Person.findOne({ where: { email: known }, transaction }))
      throw new Refused(409, 'There is an account with this address already; sign in with it, then follow the link again.');
    return Person.create({ id: newId(), name, email: known, passwordHash, demo: false, preferences: {} }, { transaction });
  };
}

/** Gives oneself another password. All sessions end but the one that it is done in. */
export async function changePassword(
  person: PersonRow,
  { current, next, from, session }: { current: string; next: string; from: string; session: string },
): Promise<void> {
  if (!person.passwordHash) throw new Refused(409, 'You sign in without a password here; it is changed where you sign in.');
  // As many tries as for signing in: a page that was left open is no way to find the password out.
  await authenticate(person.email, current, from);
  const passwordHash = await hashed(next);
  const { sequelize, Session } = database();
  await sequelize.transaction(async (transaction) => {
    await person.update({ passwordHash }, { transaction });
    await Session.destroy({ where: { personId: person.id, id: { [Op.ne]: session } }, transaction });
  });
  await announce({ kind: 'signedOut', person: person.id });
  await writeDownOwn(person, 'password');
}

/** Ends every session of a person, on whatever device. */
export async function signOutEverywhere(person: PersonRow): Promise<void> {
  await database().Session.destroy({ where: { personId: person.id } });
  await announce({ kind: 'signedOut', person: person.id });
  await writeDownOwn(person, 'sign-out-everywhere');
}

/** Whether anybody is here yet; the first visitor becomes the owner. */
export async function isEmpty(): Promise<boolean> {
  return (await database().Person.count()) === 0;
}

/** The first person, with an organisation and an empty brand. Refused once there is anybody. */
export async function createOwner(input: {
  name: string;
  email: string;
  password: string;
  organisation: string;
}): Promise<PersonRow> {
  const { sequelize, Person, Membership } = database();
  const create = await createPerson(input);
  return sequelize.transaction(async (transaction) => {
    // Two first visitors at once: one waits here and then finds the other.
    await sequelize.query('LOCK TABLE people IN EXCLUSIVE MODE', { transaction });
    if ((await Person.count({ transaction })) > 0) throw new Refused(409, 'There is an owner already; sign in instead.');
    const organisationId = await createOrganisation(input.organisation, transaction);
    const person = await create(transaction);
    await Membership.create({ personId: person.id, organisationId, role: 'owner' }, { transaction });
    return person;
  });
}
