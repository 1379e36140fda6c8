import { createHash } from 'node:crypto';
import { StoredBrand } from '@/core/brand/document/document';
import type { PersonRole } from '@/core/brand/roles';
import PROGRAMS from '../../../stand-ins/programs.json';
import { createBrand } from './brands';
import { database } from '../database/database';
import { keepPast, type DemoPast } from './demo-past';

const PEOPLE: readonly { id: string; name: string; role: PersonRole }[] = [
  { id: 'demo-ida', name: 'Ida', role: 'owner' },
  { id: 'demo-oren', name: 'Oren', role: 'editor' },
  { id: 'demo-petra', name: 'Petra', role: 'reviewer' },
  { id: 'demo-wim', name: 'Wim', role: 'viewer' },
];

/** Id of the demo's organisation, and of its brand. */
const ORGANISATION = 'quillhaven';

/**
 * Loads the demo once; with `reset`, takes the old one away first with everything that was done in it.
 * @param hosts that its grafts are written onto
 * @param past what was done in it before; nothing, where one wants it as it was never used
 * @returns whether it loaded
 */
export async function loadDemo(
  source: unknown,
  reset: boolean,
  hosts: readonly Uint8Array[] = [],
  past: DemoPast | null = null,
): Promise<boolean> {
  const document = StoredBrand.parse(source);
  const { sequelize, Organisation, Person, Membership } = database();
  return sequelize.transaction(async (transaction) => {
    if (reset) {
      await Organisation.destroy({ where: { id: ORGANISATION }, transaction });
      await Person.destroy({ where: { demo: true }, transaction });
    }
    if (await Organisation.findByPk(ORGANISATION, { transaction })) return false;
    await Organisation.create({ id: ORGANISATION, name: document.name }, { transaction });
    for (const { id, name, role } of PEOPLE) {
      await Person.create(
        { id, name, email: `${id}@quillhaven.example`, passwordHash: null, demo: true, preferences: {} },
        { transaction },
      );
      await Membership.create({ personId: id, organisationId: ORGANISATION, role }, { transaction });
    }
    const kept = new Map(hosts.map((bytes) => [createHash('sha256').update(bytes).digest('hex'), bytes]));
    if (past) await keepPast(document, ORGANISATION, past, kept, transaction);
    else await createBrand(document, ORGANISATION, transaction);
    const owner = PEOPLE[0]!.id;
    await database().Host.bulkCreate(
      [...kept].map(([sha256, bytes]) => ({ brandId: document.id, sha256, bytes: Buffer.from(bytes), personId: owner })),
      { transaction },
    );
    await database().Screen.bulkCreate(
      Object.entries(PROGRAMS).map(([program, name], at) => ({
        brandId: document.id,
        id: program,
        name,
        kind: { is: 'simulated' as const, program },
        personId: owner,
        // In this order.
        at: new Date(Date.now() + at),
      })),
      { transaction },
    );
    return true;
  });
}

/** The demo's people with their roles, for signing in with one click. */
export async function demoPeople(): Promise<{ id: string; name: string; role: PersonRole }[]> {
  const { Person, Membership } = database();
  const people = await Person.findAll({ where: { demo: true }, order: ['id'] });
  const roles = new Map((await Membership.findAll()).map((membership) => [membership.personId, membership.role]));
  return people.flatMap(({ id, name }) => {
    const role = roles.get(id);
    return role ? [{ id, name, role }] : [];
  });
}
