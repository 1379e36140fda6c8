/**
 * How long a search takes among a million swatches of one organisation, by colour and by name, as the server asks the database. Prints the lines that
 * stand in docs/performance.md, and how many of the truly nearest by ΔE2000 are found.
 */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ciede2000 } from '../src/core/colour/difference';
import { labOf, type LabD65 } from '../src/core/colour/lab';
import { atMost } from './bench-aims';
import { quantile } from './bench-page';
import { createCluster, databaseUrl, startCluster, stopCluster } from './cluster';
import { ensurePostgres } from './postgres';

const SWATCHES = 1_000_000;
const BRANDS = 500;
const BATCH = 20_000;
const QUERIES = 300;
const LOOKED_FOR = 40;
const WORDS = ['Harbour', 'Shoal', 'Foam', 'Keel', 'Lamp', 'Buoy', 'Rope', 'Mist', 'Teal', 'Slate', 'Fathom', 'Ember'];

let seed = 20_261_201;
/** The same numbers at every run. */
const random = () => (seed = (seed * 1_664_525 + 1_013_904_223) >>> 0) / 2 ** 32;
const anyHex = () =>
  `#${Math.floor(random() * 0x1000000)
    .toString(16)
    .padStart(6, '0')}`;

const folder = mkdtempSync(join(tmpdir(), 'breakwater-search-'));
chmodSync(folder, 0o755);
await ensurePostgres();
const cluster = await startCluster(await createCluster(join(folder, 'postgres'), true));
const env = {
  BREAKWATER_DATABASE_URL: await databaseUrl(cluster, 'search'),
  BREAKWATER_SECRET: 'x'.repeat(40),
};
Object.assign(process.env, env);
const { migrate } = await import('../src/server/database/migrations');
const { closeDatabase, database } = await import('../src/server/database/database');
const { swatchesFor } = await import('../src/server/brands/search');
try {
  await migrate();
  const { sequelize } = database();
  await sequelize.query(`INSERT INTO organisations VALUES ('o', 'O'), ('other', 'Other');
    INSERT INTO brands (id, organisation_id, name, shelf, templates, indexed)
      SELECT 'b' || n, 'o', 'Brand ' || n, '{}', '[]', true FROM generate_series(0, ${BRANDS - 1}) AS n`);
  const labs: LabD65[] = [];
  for (let at = 0; at < SWATCHES; at += BATCH) {
    const rows = Array.from({ length: BATCH }, (_, n) => {
      const value = anyHex();
      const lab = labOf(value);
      labs.push(lab);
      const name = `${WORDS[(at + n) % WORDS.length]} ${at + n}`;
      return { brand: `b${(at + n) % BRANDS}`, id: `s${at + n}`, name, value, l: lab[0], a: lab[1], b: lab[2] };
    });
    await sequelize.query(
      `INSERT INTO swatches (brand_id, organisation_id, id, palette, palette_name, name, value, hex, lab)
       SELECT brand, 'o', id, 'p', 'P', name, value, value, cube(ARRAY[l, a, b])
       FROM json_to_recordset(:rows) AS s (brand text, id text, name text, value text, l float8, a float8, b float8)`,
      { replacements: { rows: JSON.stringify(rows) } },
    );
  }
  await sequelize.query('ANALYZE swatches');
  const scope = { organisation: 'o', hidden: [] };
  const measure = async (query: () => string) => {
    const took: number[] = [];
    for (let n = 0; n < QUERIES; n++) {
      const asked = query();
      const started = performance.now();
      await swatchesFor(scope, asked);
      took.push(performance.now() - started);
    }
    return took;
  };
  // Nothing is warm at first, as after a start.
  const byColour = await measure(() => `near ${anyHex()}`);
  const byName = await measure(() => {
    const word = WORDS[Math.floor(random() * WORDS.length)]!;
    return random() < 0.5 ? `${word} ${Math.floor(random() * SWATCHES)}` : word.slice(0, 2 + Math.floor(random() * 4));
  });
  const nowhere = await measure(() => `nowhere ${Math.floor(random() * 1_000)}`);
  let found = 0;
  for (let n = 0; n < 10; n++) {
    const colour = anyHex();
    const lab = labOf(colour);
    const worst = labs.map((each) => ciede2000(each, lab)).sort((one, two) => one - two)[LOOKED_FOR - 1]!;
    found += (await swatchesFor(scope, `near ${colour}`)).filter(({ distance }) => distance! <= worst + 1e-9).length;
  }
  const line = (what: string, took: readonly number[]) =>
    process.stdout.write(
      `| ${what} | ${quantile(took, 0.5).toFixed(1)} | ${quantile(took, 0.95).toFixed(1)} | ${Math.max(...took).toFixed(1)} |\n`,
    );
  process.stdout.write('| search among 1,000,000 swatches of one organisation | median, ms | 95th percentile | longest |\n');
  process.stdout.write('| --- | --- | --- | --- |\n');
  line('near a colour', byColour);
  line('by a name, or a piece of one', byName);
  line('by a name that nobody has', nowhere);
  process.stdout.write(
    `Of the ${LOOKED_FOR} nearest by ΔE2000, ${((found / (10 * LOOKED_FOR)) * 100).toFixed(1)} % are found.\n`,
  );
  atMost(100, 'ms', 'a colour among 1,000,000 swatches: 95th percentile', quantile(byColour, 0.95));
  atMost(100, 'ms', 'a name among 1,000,000 swatches: 95th percentile', quantile(byName, 0.95));
} finally {
  await closeDatabase();
  await stopCluster(cluster);
  rmSync(folder, { recursive: true, force: true });
}
