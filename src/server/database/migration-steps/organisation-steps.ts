import type { MigrationStep } from './migration-step';

/** People with their roles and invitations, what was done, house sets, and who somebody is to a provider. */
export const ORGANISATION_STEPS: readonly MigrationStep[] = [
  {
    // Roles by brand, invitations, what was done by whom, and brands that are laid aside.
    name: '0012-people-and-brands',
    sql: `
        ALTER TABLE brands
          ADD ribbon text[] NOT NULL DEFAULT '{}',
          ADD archived_at timestamptz,
          ADD binned_at timestamptz;
        CREATE TABLE brand_roles (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
          role text NOT NULL CHECK (role IN ('owner', 'editor', 'reviewer', 'viewer', 'none')),
          PRIMARY KEY (brand_id, person_id)
        );
        CREATE INDEX brand_roles_of ON brand_roles (person_id);
        -- Everybody's role for every brand that is not in the bin. Owners of an organisation own all of its brands; of the others, a role for
        -- a brand goes before that for the organisation, and "none" closes it.
        CREATE VIEW brand_parts AS
          SELECT m.person_id, b.id AS brand_id, CASE WHEN m.role = 'owner' THEN m.role ELSE coalesce(r.role, m.role) END AS role
          FROM brands b
          JOIN memberships m ON m.organisation_id = b.organisation_id
          LEFT JOIN brand_roles r ON r.brand_id = b.id AND r.person_id = m.person_id
          WHERE b.binned_at IS NULL AND (m.role = 'owner' OR r.role IS DISTINCT FROM 'none')
          UNION ALL
          SELECT r.person_id, r.brand_id, r.role
          FROM brand_roles r
          JOIN brands b ON b.id = r.brand_id
          WHERE b.binned_at IS NULL AND r.role <> 'none' AND NOT EXISTS (
            SELECT FROM memberships m WHERE m.organisation_id = b.organisation_id AND m.person_id = r.person_id
          );
        CREATE TABLE invitations (
          id text PRIMARY KEY,
          organisation_id text NOT NULL REFERENCES organisations ON DELETE CASCADE,
          brand_id text REFERENCES brands ON DELETE CASCADE,
          role text NOT NULL CHECK (role IN ('owner', 'editor', 'reviewer', 'viewer')),
          hash text NOT NULL UNIQUE,
          person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
          at timestamptz NOT NULL DEFAULT now(),
          ends_at timestamptz NOT NULL
        );
        CREATE INDEX invitations_of ON invitations (organisation_id);
        CREATE TABLE deeds (
          id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
          organisation_id text NOT NULL REFERENCES organisations ON DELETE CASCADE,
          brand_id text,
          person_id text,
          by text NOT NULL,
          what text NOT NULL,
          about text NOT NULL,
          at timestamptz NOT NULL DEFAULT now()
        );
        CREATE INDEX deeds_of ON deeds (organisation_id, id);
        CREATE FUNCTION refuse_forgetting() RETURNS trigger LANGUAGE plpgsql AS $$
          BEGIN
            IF TG_OP = 'UPDATE' OR EXISTS (SELECT FROM organisations WHERE id = OLD.organisation_id)
              THEN RAISE EXCEPTION 'What was done is never rewritten'; END IF;
            RETURN OLD;
          END $$;
        CREATE TRIGGER deeds_stay BEFORE UPDATE OR DELETE ON deeds FOR EACH ROW EXECUTE FUNCTION refuse_forgetting();
      `,
  },
  {
    // The organisation's default palettes, each time they were made another; and how each brand stands to them.
    name: '0013-house-sets',
    sql: `
        CREATE TABLE house_sets (
          organisation_id text NOT NULL REFERENCES organisations ON DELETE CASCADE,
          number integer NOT NULL,
          palettes json NOT NULL,
          made_from text NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (organisation_id, number)
        );
        ALTER TABLE brands ADD house json;
      `,
  },
  {
    // Who somebody is to a provider of sign-in.
    name: '0014-identities',
    sql: `
        CREATE TABLE identities (
          issuer text NOT NULL,
          subject text NOT NULL,
          person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
          PRIMARY KEY (issuer, subject)
        );
      `,
  },
  {
    // People of elsewhere, who came with a brand and go with it. No key of another table: the brand's log, which names them, goes first.
    name: '0015-people-of-elsewhere',
    sql: `
        ALTER TABLE people ADD of_brand text;
        CREATE INDEX people_of_brand ON people (of_brand) WHERE of_brand IS NOT NULL;
      `,
  },
];
