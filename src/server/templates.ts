import { QueryTypes } from 'sequelize';
import type { SharedTemplate } from '@/core/formats/templates/template';
import { database } from './database';

const MOST = 200;

/** The written templates of all brands in the organisation of a brand, by brand and name. */
export async function templatesFor(brandId: string): Promise<SharedTemplate[]> {
  return database().sequelize.query<SharedTemplate>(
    `SELECT b.document->>'name' AS brand, d->>'name' AS name, d->'options'->>'source' AS source
     FROM brands own JOIN brands b ON b.organisation_id = own.organisation_id, jsonb_array_elements(b.document->'destinations') d
     WHERE own.id = :brand AND d->>'format' = 'template' AND d->'options'->>'source' IS NOT NULL
     ORDER BY brand, name LIMIT ${MOST}`,
    { type: QueryTypes.SELECT, replacements: { brand: brandId } },
  );
}
