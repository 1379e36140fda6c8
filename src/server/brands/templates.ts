import { QueryTypes } from 'sequelize';
import type { SharedTemplate } from '@/core/formats/templates/template';
import { database } from '../database/database';

const MOST = 200;

/** The written templates of all brands in the organisation of a brand, by brand and name. */
export async function templatesFor(brandId: string): Promise<SharedTemplate[]> {
  return database().sequelize.query<SharedTemplate>(
    `SELECT b.name AS brand, t.name, t.source
     FROM brands own JOIN brands b ON b.organisation_id = own.organisation_id,
       json_to_recordset(b.templates) AS t(name text, source text)
     WHERE own.id = :brand ORDER BY b.name, t.name LIMIT ${MOST}`,
    { type: QueryTypes.SELECT, replacements: { brand: brandId } },
  );
}
