import type { MigrationStep } from './migration-step';

/** Brands with what is kept beside them: changes, snapshots, releases, sign-offs, pictures, hosts, tokens, the search. */
export const BRAND_STEPS: readonly MigrationStep[] = [
  {
    name: '0001-first',
    sql: `
        CREATE TABLE organisations (id text PRIMARY KEY, name text NOT NULL);
        CREATE TABLE people (
          id text PRIMARY KEY,
          name text NOT NULL,
          email text NOT NULL UNIQUE,
          password_hash text,
          demo boolean NOT NULL DEFAULT false,
          preferences jsonb NOT NULL DEFAULT '{}'
        );
        CREATE TABLE memberships (
          person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
          organisation_id text NOT NULL REFERENCES organisations ON DELETE CASCADE,
          role text NOT NULL CHECK (role IN ('owner', 'editor', 'reviewer', 'viewer')),
          PRIMARY KEY (person_id, organisation_id)
        );
        CREATE TABLE sessions (
          id text PRIMARY KEY,
          person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
          expires_at timestamptz NOT NULL
        );
        CREATE TABLE brands (
          id text PRIMARY KEY,
          organisation_id text NOT NULL REFERENCES organisations ON DELETE CASCADE,
          seq integer NOT NULL DEFAULT 0,
          document jsonb NOT NULL
        );
        CREATE TABLE changes (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          seq integer NOT NULL,
          key text NOT NULL,
          command jsonb NOT NULL,
          inverse jsonb NOT NULL,
          touched text[] NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (brand_id, seq),
          UNIQUE (brand_id, key)
        );
        CREATE INDEX changes_touched ON changes USING gin (touched);
        CREATE TABLE releases (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          number integer NOT NULL,
          seq integer NOT NULL,
          note text NOT NULL,
          document jsonb NOT NULL,
          manifest jsonb NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (brand_id, number)
        );
        CREATE TABLE release_files (
          brand_id text NOT NULL,
          number integer NOT NULL,
          path text NOT NULL,
          media_type text NOT NULL,
          sha256 text NOT NULL,
          bytes bytea NOT NULL,
          PRIMARY KEY (brand_id, number, path),
          FOREIGN KEY (brand_id, number) REFERENCES releases ON DELETE CASCADE
        );
        CREATE FUNCTION refuse_rewriting() RETURNS trigger LANGUAGE plpgsql AS $$
          BEGIN RAISE EXCEPTION 'A release is never changed'; END $$;
        CREATE TRIGGER releases_stay BEFORE UPDATE ON releases FOR EACH ROW EXECUTE FUNCTION refuse_rewriting();
        CREATE TRIGGER release_files_stay BEFORE UPDATE ON release_files FOR EACH ROW EXECUTE FUNCTION refuse_rewriting();
        CREATE TABLE attempts (key varchar(255) PRIMARY KEY, points integer NOT NULL DEFAULT 0, expire bigint);
      `,
  },
  {
    name: '0002-shelf-and-pictures',
    sql: `
        CREATE TABLE shelf_palettes (
          id text PRIMARY KEY,
          organisation_id text NOT NULL REFERENCES organisations ON DELETE CASCADE,
          entry jsonb NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now()
        );
        CREATE INDEX shelf_palettes_of ON shelf_palettes (organisation_id);
        CREATE TABLE pictures (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          sha256 text NOT NULL,
          media_type text NOT NULL,
          bytes bytea NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (brand_id, sha256)
        );
      `,
  },
  {
    name: '0003-build-tokens',
    sql: `
        CREATE TABLE build_tokens (
          id text PRIMARY KEY,
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          name text NOT NULL,
          hash text NOT NULL UNIQUE,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          used_at timestamptz
        );
        CREATE INDEX build_tokens_of ON build_tokens (brand_id);
      `,
  },
  {
    // The log is the truth, documents are snapshots of it, and what lists need of a document stands in columns.
    name: '0004-snapshots',
    sql: `
        CREATE TABLE snapshots (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          seq integer NOT NULL,
          document json NOT NULL,
          PRIMARY KEY (brand_id, seq)
        );
        INSERT INTO snapshots SELECT id, seq, document FROM brands;
        ALTER TABLE brands
          ADD name text NOT NULL DEFAULT '',
          ADD shelf text[] NOT NULL DEFAULT '{}',
          ADD templates json NOT NULL DEFAULT '[]';
        UPDATE brands SET
          name = document->>'name',
          shelf = ARRAY(
            SELECT palette->'source'->>'shelf' FROM jsonb_array_elements(document->'palettes') AS palette
            WHERE palette->'source'->>'shelf' IS NOT NULL
          ),
          templates = (
            SELECT coalesce(json_agg(json_build_object('name', d->>'name', 'source', d->'options'->>'source')), '[]')
            FROM jsonb_array_elements(document->'destinations') AS d
            WHERE d->>'format' = 'template' AND d->'options'->>'source' IS NOT NULL
          );
        ALTER TABLE brands
          DROP document, ALTER name DROP DEFAULT, ALTER shelf DROP DEFAULT, ALTER templates DROP DEFAULT;
        ALTER TABLE changes
          ADD version integer NOT NULL DEFAULT 1,
          ALTER command TYPE json USING command::json,
          ALTER inverse TYPE json USING inverse::json;
        ALTER TABLE changes ALTER version DROP DEFAULT;
        ALTER TABLE releases ALTER document TYPE json USING document::json;
      `,
  },
  {
    name: '0005-tokens-end',
    sql: 'ALTER TABLE build_tokens ADD ends_at timestamptz',
  },
  {
    name: '0006-print-profiles',
    sql: `
        CREATE TABLE print_profiles (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          sha256 text NOT NULL,
          name text NOT NULL,
          bytes bytea NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (brand_id, sha256)
        );
      `,
  },
  {
    // Colours on their way from one page of a person to their others, such as from the phone to the desk.
    name: '0007-caught',
    sql: `
        CREATE TABLE caught (
          id text PRIMARY KEY,
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          person_id text NOT NULL REFERENCES people ON DELETE CASCADE,
          page text NOT NULL,
          source text NOT NULL,
          colours json NOT NULL,
          at timestamptz NOT NULL DEFAULT now()
        );
        CREATE INDEX caught_by ON caught (brand_id, person_id);
      `,
  },
  {
    // Files of the organisation's own that grafts are written onto.
    name: '0008-hosts',
    sql: `
        CREATE TABLE hosts (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          sha256 text NOT NULL,
          bytes bytea NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (brand_id, sha256)
        );
      `,
  },
  {
    // Releases have a title and a version, and go with their brand only.
    name: '0009-release-titles',
    sql: `
        ALTER TABLE releases ADD title text NOT NULL DEFAULT '', ADD version text NOT NULL DEFAULT '';
        ALTER TABLE releases DISABLE TRIGGER releases_stay;
        UPDATE releases SET title = 'Release ' || number, version = number || '.0.0';
        ALTER TABLE releases ENABLE TRIGGER releases_stay, ALTER title DROP DEFAULT, ALTER version DROP DEFAULT;
        CREATE FUNCTION refuse_removing() RETURNS trigger LANGUAGE plpgsql AS $$
          BEGIN
            IF EXISTS (SELECT FROM brands WHERE id = OLD.brand_id) THEN RAISE EXCEPTION 'A release is never removed'; END IF;
            RETURN OLD;
          END $$;
        CREATE TRIGGER releases_remain BEFORE DELETE ON releases FOR EACH ROW EXECUTE FUNCTION refuse_removing();
        CREATE TRIGGER release_files_remain BEFORE DELETE ON release_files FOR EACH ROW EXECUTE FUNCTION refuse_removing();
      `,
  },
  {
    // Reviews of what is to be released, what was said in them, and what a release wants.
    name: '0010-sign-offs',
    sql: `
        ALTER TABLE brands ADD release_rule jsonb;
        ALTER TABLE releases ADD signed_by text[] NOT NULL DEFAULT '{}';
        CREATE TABLE sign_offs (
          id text PRIMARY KEY,
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          title text NOT NULL,
          note text NOT NULL,
          since integer NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          outcome text CHECK (outcome IN ('released', 'withdrawn')),
          release integer
        );
        CREATE INDEX sign_offs_of ON sign_offs (brand_id, at);
        CREATE UNIQUE INDEX sign_offs_under_way ON sign_offs (brand_id) WHERE outcome IS NULL;
        CREATE TABLE remarks (
          id text PRIMARY KEY,
          sign_off_id text NOT NULL REFERENCES sign_offs ON DELETE CASCADE,
          kind text NOT NULL CHECK (kind IN ('comment', 'approve', 'ask')),
          about text,
          seq integer NOT NULL,
          text text NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          settled_by text
        );
        CREATE INDEX remarks_of ON remarks (sign_off_id, at);
      `,
  },
  {
    // Swatches of all brands, to be found by name and by colour: kept beside the log, in the transaction of each change. The
    // extensions come with PostgreSQL and may be made by whoever owns the database (they are "trusted").
    name: '0011-search',
    sql: `
        CREATE EXTENSION IF NOT EXISTS cube;
        CREATE EXTENSION IF NOT EXISTS btree_gist;
        CREATE EXTENSION IF NOT EXISTS pg_trgm;
        CREATE EXTENSION IF NOT EXISTS btree_gin;
        CREATE TABLE swatches (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          organisation_id text NOT NULL,
          id text NOT NULL,
          palette text NOT NULL,
          palette_name text NOT NULL,
          name text NOT NULL,
          value text NOT NULL,
          hex text NOT NULL,
          lab cube NOT NULL,
          PRIMARY KEY (brand_id, id)
        );
        CREATE INDEX swatches_by_colour ON swatches USING gist (organisation_id, lab);
        CREATE INDEX swatches_by_letters ON swatches USING gin (organisation_id, name gin_trgm_ops);
        CREATE INDEX swatches_by_name ON swatches (organisation_id, lower(name) text_pattern_ops);
        ALTER TABLE brands ADD indexed boolean NOT NULL DEFAULT false;
      `,
  },
  {
    // A release that came in an archive: whether it was written again here.
    name: '0018-imported-releases',
    sql: `
        ALTER TABLE releases ADD imported text CHECK (imported IN ('written again', 'as it says'));
      `,
  },
  {
    // With which program the files would have been written that an approval saw; not known of earlier ones, which therefore lapse.
    name: '0019-writers-of-approvals',
    sql: `
        ALTER TABLE remarks ADD writer text;
      `,
  },
];
