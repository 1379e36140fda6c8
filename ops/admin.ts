import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { Command } from 'commander';
import { z } from 'zod';
import { ROLES } from '../src/core/brand/roles';
import { backUp, takeApart } from './backup';
import { dataFolder, openData, type Opened, type Which } from './data-folder';
import { ensurePostgres } from './postgres';

const program = new Command('bin/breakwater-admin')
  .description('Looks after an installation: the one in ./data, or in the folder that BREAKWATER_DATA names.')
  .option('--demo', 'of the demo, and not of your own organisations')
  .configureHelp({ sortSubcommands: true });

const say = (sentence: string): void => void process.stdout.write(`${sentence}\n`);
const which = (): Which => (program.opts<{ demo?: boolean }>().demo ? 'demo' : 'own');

program
  .command('backup <file>')
  .description('write database, settings and pictures into one file, while people go on working')
  .action((file: string) =>
    withData(async ({ env }) => {
      if (existsSync(file)) throw new Error(`${file} is there already; name another file.`);
      await backUp(env.BREAKWATER_DATABASE_URL, env.BREAKWATER_SECRET, resolve(file));
      say(`Written to ${file}. It holds everything, also what seals the sessions: keep it where only you can read it.`);
    }),
  );

program
  .command('restore <file>')
  .description('put a backup into an empty place, and look whether all of it agrees')
  .action(async (file: string) => {
    const backup = await takeApart(resolve(file));
    try {
      await withData(async ({ env, where }) => {
        const { database } = await import('../src/server/database/database');
        const [[{ tables }]] = (await database().sequelize.query(
          "SELECT count(*)::int AS tables FROM pg_tables WHERE schemaname = 'public'",
        )) as unknown as [[{ tables: number }]];
        if (tables > 0)
          throw new Error(
            `The database in ${where} is not empty; name an empty folder in BREAKWATER_DATA, or an empty database.`,
          );
        await backup.fill(env.BREAKWATER_DATABASE_URL);
        const { migrate } = await import('../src/server/database/migrations');
        await migrate();
        say(`Restored, as it was on ${backup.made.slice(0, 16).replace('T', ' at ')} UTC.`);
        await tellVerified();
      }, backup.secret);
    } finally {
      backup.close();
    }
  });

program
  .command('verify')
  .description('replay every log, compare with snapshots and releases, check the hash of every file and picture')
  .action(() => withData(tellVerified));

const email = (text: string): string => {
  const known = z.email().max(200).safeParse(text);
  if (!known.success) throw new Error(`“${text}” is not an e-mail address.`);
  return known.data.toLowerCase();
};

program
  .command('add-organisation <name>')
  .description('with an empty brand and its owner')
  .requiredOption('--owner <email>', 'who owns it')
  .requiredOption('--owner-name <name>', 'as others see them')
  .action((name: string, options: { owner: string; ownerName: string }) =>
    withData(async () => {
      const { addOrganisation } = await import('../src/server/people/people');
      sayPassword(options.owner, await addOrganisation(name, { email: email(options.owner), name: options.ownerName }));
    }),
  );

program
  .command('invite <email>')
  .description('give somebody a part in an organisation')
  .requiredOption('--name <name>', 'as others see them')
  .requiredOption('--organisation <name>', 'its name')
  .requiredOption('--role <role>', ROLES.join(', '))
  .action((address: string, options: { name: string; organisation: string; role: string }) =>
    withData(async () => {
      const role = z.enum(ROLES).safeParse(options.role);
      if (!role.success) throw new Error(`There is no role ${options.role}; there are ${ROLES.join(', ')}.`);
      const { invite } = await import('../src/server/people/people');
      sayPassword(address, await invite({ email: email(address), name: options.name }, options.organisation, role.data));
    }),
  );

program
  .command('reset-password <email>')
  .description('give somebody a new password, and end their sessions')
  .action((address: string) =>
    withData(async () => {
      const { resetPassword } = await import('../src/server/people/people');
      sayPassword(address, await resetPassword(email(address)));
    }),
  );

try {
  await program.parseAsync();
} catch (error) {
  process.stderr.write(`${error instanceof z.ZodError ? error.issues[0]!.message : (error as Error).message}\n`);
  process.exitCode = 1;
}

/** Does something with the installation's database, which is started for it when it does not run. */
async function withData(work: (opened: Opened) => Promise<void>, secret?: string): Promise<void> {
  await ensurePostgres();
  const opened = await openData(dataFolder(), which(), { secret });
  Object.assign(process.env, opened.env);
  const { closeDatabase } = await import('../src/server/database/database');
  try {
    await work(opened);
  } finally {
    await closeDatabase();
    await opened.close();
  }
}

async function tellVerified(): Promise<void> {
  const { verify } = await import('../src/server/log/verify');
  const { faults, unseen, ...counts } = await verify();
  say(
    `Looked at ${Object.entries(counts)
      .map(([what, count]) => `${count} ${what}`)
      .join(', ')}.`,
  );
  for (const fault of faults) say(fault);
  for (const what of unseen) say(`Not looked at: ${what}`);
  if (faults.length > 0) throw new Error(`${faults.length} ${faults.length === 1 ? 'thing does' : 'things do'} not agree.`);
  if (unseen.length > 0) throw new Error(`All that was looked at agrees; ${unseen.length} could not be looked at.`);
  say('Everything agrees.');
}

function sayPassword(address: string, password: string | null): void {
  if (password === null) say(`${address} is known already, and signs in as before.`);
  else say(`${address} signs in with the password ${password}\nIt is shown this once; hand it over where nobody else reads it.`);
}
