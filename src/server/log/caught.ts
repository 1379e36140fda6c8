import { Op } from 'sequelize';
import type { CaughtColours } from '@/core/intake/caught-colours';
import { announce } from './announce';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { Refused } from '../http/refused';

/** So long colours wait for a page that takes them, and so many sendings of one person for one brand, in milliseconds. */
const KEPT_MS = 24 * 60 * 60 * 1_000;
const MOST = 50;

/** Sends colours to all pages of the same person at the same brand. An id of theirs that is there already is answered as done. */
export async function sendCaught(
  person: PersonRow,
  brandId: string,
  { id, page, source, colours }: CaughtColours,
): Promise<void> {
  const { sequelize, Caught } = database();
  const mine = { brandId, personId: person.id };
  await sequelize.transaction(async (transaction) => {
    await Caught.destroy({ where: { ...mine, at: { [Op.lt]: new Date(Date.now() - KEPT_MS) } }, transaction });
    if ((await Caught.count({ where: mine, transaction })) >= MOST)
      throw new Refused(409, `${MOST} pictures were sent today; bring them in on the desk first, or go on tomorrow.`);
    await Caught.bulkCreate([{ id, ...mine, page, source, colours }], { ignoreDuplicates: true, transaction });
    if (!(await Caught.count({ where: { id, ...mine }, transaction }))) throw new Refused(409, 'This id is taken; try again.');
    await announce({ brand: brandId, kind: 'caught', person: person.id }, transaction);
  });
}

/** What a person has sent within the last day, the oldest first. */
export async function caughtBy(person: PersonRow, brandId: string): Promise<CaughtColours[]> {
  const rows = await database().Caught.findAll({
    where: { brandId, personId: person.id, at: { [Op.gte]: new Date(Date.now() - KEPT_MS) } },
    order: [['at', 'ASC']],
  });
  return rows.map(({ id, page, source, colours }) => ({ id, page, source, colours }));
}
