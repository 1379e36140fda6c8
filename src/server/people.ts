import { hash, verify } from '@node-rs/argon2';
import { RateLimiterPostgres } from 'rate-limiter-flexible';
import { emptyBrand } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { database, type PersonRow } from './database';
import { Refused } from './refused';

/** OWASP Password Storage Cheat Sheet: argon2id (the library's default), 19 MiB, two passes, one lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Compared against when there is no such person, so that the answer takes as long either way. */
let decoy: Promise<string> | undefined;

/** Ten tries an address in a quarter of an hour, counted in the database for all instances together. */
function limiter(): RateLimiterPostgres {
  return new RateLimiterPostgres({
    storeClient: database().sequelize,
    storeType: 'sequelize',
    tableName: 'attempts',
    tableCreated: true,
    keyPrefix: 'sign-in',
    points: 10,
    duration: 15 * 60,
  });
}

/** The person with this address and password. Wrong address and wrong password are refused alike. */
export async function authenticate(email: string, password: string): Promise<PersonRow> {
  const attempts = limiter();
  const key = email.toLowerCase();
  try {
    await attempts.consume(key);
  } catch (error) {
    if (error instanceof Error) throw error;
    throw new Refused(429, 'Too many tries for this address; wait a quarter of an hour and try again.');
  }
  const person = await database().Person.findOne({ where: { email: key } });
  const stored = person?.passwordHash ?? (await (decoy ??= hash(newId(), COST)));
  const right = await verify(stored, password);
  if (!person?.passwordHash || !right) throw new Refused(401, 'Address and password do not go together; check both.');
  await attempts.delete(key);
  return person;
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
  const { sequelize, Organisation, Person, Membership, Brand } = database();
  const passwordHash = await hash(input.password, COST);
  return sequelize.transaction(async (transaction) => {
    // Two first visitors at once: one waits here and then finds the other.
    await sequelize.query('LOCK TABLE people IN EXCLUSIVE MODE', { transaction });
    if ((await Person.count({ transaction })) > 0) throw new Refused(409, 'There is an owner already; sign in instead.');
    const organisation = await Organisation.create({ id: newId(), name: input.organisation }, { transaction });
    const person = await Person.create(
      { id: newId(), name: input.name, email: input.email.toLowerCase(), passwordHash, demo: false, preferences: {} },
      { transaction },
    );
    await Membership.create({ personId: person.id, organisationId: organisation.id, role: 'owner' }, { transaction });
    const id = newId();
    await Brand.create({ id, organisationId: organisation.id, document: emptyBrand(id, input.organisation) }, { transaction });
    return person;
  });
}
