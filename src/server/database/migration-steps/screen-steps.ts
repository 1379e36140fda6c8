import type { MigrationStep } from './migration-step';

/** Screens with what they showed, and whoever is told of it. */
export const SCREEN_STEPS: readonly MigrationStep[] = [
  {
    // Screens of brands, and what each was last found to show in every theme, held against each release that was then the latest.
    name: '0016-screens',
    sql: `
        CREATE TABLE screens (
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          id text NOT NULL,
          name text NOT NULL,
          kind json NOT NULL,
          held integer,
          edits json NOT NULL DEFAULT '{}',
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (brand_id, id)
        );
        CREATE TABLE readings (
          brand_id text NOT NULL,
          screen_id text NOT NULL,
          release integer NOT NULL,
          theme text NOT NULL,
          runs integer NOT NULL,
          seen json NOT NULL,
          same integer NOT NULL,
          differing integer NOT NULL,
          at timestamptz NOT NULL DEFAULT now(),
          PRIMARY KEY (brand_id, screen_id, release, theme),
          FOREIGN KEY (brand_id, screen_id) REFERENCES screens ON DELETE CASCADE
        );
        ALTER TABLE build_tokens ADD fetched integer, ADD reports boolean NOT NULL DEFAULT false;
      `,
  },
  {
    // Addresses that are told of releases and of drift, and the messages to them: written in the transaction that they tell of.
    name: '0017-webhooks',
    sql: `
        CREATE TABLE webhooks (
          id text PRIMARY KEY,
          brand_id text NOT NULL REFERENCES brands ON DELETE CASCADE,
          address text NOT NULL,
          events text[] NOT NULL,
          secret text NOT NULL,
          person_id text NOT NULL REFERENCES people,
          at timestamptz NOT NULL DEFAULT now()
        );
        CREATE INDEX webhooks_of ON webhooks (brand_id);
        CREATE TABLE deliveries (
          id text PRIMARY KEY,
          webhook_id text NOT NULL REFERENCES webhooks ON DELETE CASCADE,
          event text NOT NULL,
          body text NOT NULL,
          at timestamptz NOT NULL DEFAULT now(),
          state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting', 'received', 'given up')),
          tries integer NOT NULL DEFAULT 0,
          came text NOT NULL DEFAULT '',
          tried_at timestamptz
        );
        CREATE INDEX deliveries_of ON deliveries (webhook_id, at);
        ALTER TABLE readings ADD drifting integer NOT NULL DEFAULT 0;
        ALTER TABLE build_tokens ADD fetches boolean NOT NULL DEFAULT true;
      `,
  },
  {
    // What was last told of drift, theme by theme, so that what comes and goes is told once in a while; and the one screen that a token speaks for.
    name: '0020-drift-told',
    sql: `
        ALTER TABLE screens ADD drift_told jsonb NOT NULL DEFAULT '{}';
        UPDATE screens SET drift_told = told.marks FROM (
          SELECT brand_id, screen_id, jsonb_object_agg(theme, jsonb_build_object('count', drifting, 'at', 0)) AS marks
          FROM (SELECT DISTINCT ON (brand_id, screen_id, theme) * FROM readings ORDER BY brand_id, screen_id, theme, release DESC) latest
          GROUP BY brand_id, screen_id
        ) told WHERE screens.brand_id = told.brand_id AND screens.id = told.screen_id;
        ALTER TABLE build_tokens ADD screen_id text;
      `,
  },
];
