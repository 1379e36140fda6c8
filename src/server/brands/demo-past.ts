import type { Transaction } from 'sequelize';
import { apply } from '@/core/brand/commands/apply';
import { touchedBy } from '@/core/brand/commands/table-step';
import type { Command, Step } from '@/core/brand/commands/commands';
import { emptyBrand, StoredBrand, type Brand } from '@/core/brand/document/document';
import type { Token } from '@/core/brand/document/token-shape';
import { COMMAND_VERSION } from '@/core/brand/document/versions';
import { bundle, manifestFile, type StoredFiles } from '@/core/release/bundle';
import type { ReleaseRule, Remark } from '@/core/release/sign-off';
import { listsOf } from './brand-lists';
import { createBrand } from './brands';
import { database } from '../database/database';
import { writeDown } from '../people/audit';
import { writerMark } from '../writing/writer';
import { hashedFiles, keepRelease } from '../releases/releases';
import { indexSwatches } from './swatch-index';

/** How many days before the demo is loaded something happened; changes are told apart by it. */
interface Past {
  readonly days: number;
  /** Id of a person. */
  readonly by: string;
}

/** What was done to the demo before it is opened. */
export interface DemoPast {
  /** The latest first, each with what takes it back. */
  readonly changes: readonly (Past & { readonly label: string; readonly back: readonly Step[] })[];
  readonly releases: readonly (Past & {
    /** The days of the last change in it. */
    readonly afterDays: number;
    readonly title: string;
    readonly version: string;
    readonly note: string;
    readonly signedBy: readonly string[];
  })[];
  readonly rule: ReleaseRule;
  readonly signOffs: readonly (Past & {
    readonly id: string;
    readonly title: string;
    readonly note: string;
    readonly since: number;
    /** The release that ended it; null while it is under way. */
    readonly release: number | null;
    readonly remarks: readonly (Past & Pick<Remark, 'kind' | 'about' | 'text' | 'closedBy'> & { readonly afterDays: number })[];
  })[];
  /** Made of palettes of releases. */
  readonly houseSets: readonly { readonly days: number; readonly release: number; readonly palettes: readonly string[] }[];
  /** A small brand that began with the first house set, and is behind by now. */
  readonly second: {
    readonly id: string;
    readonly name: string;
    readonly tokens: readonly (Pick<Token, 'path' | 'role'> & { readonly swatch: string })[];
  };
}

const DAY_MS = 86_400_000;
const daysAgo = (days: number) => new Date(Date.now() - days * DAY_MS);

/** A brand as it began, and the changes that lead from there to what it is. */
export function unrolled(
  today: Brand,
  changes: DemoPast['changes'],
): { first: Brand; forward: { command: Command; inverse: Command }[] } {
  let brand = today;
  const forward: { command: Command; inverse: Command }[] = [];
  for (const { label, back } of changes) {
    const inverse: Command = { label: `Undo: ${label}`, steps: [...back] };
    const applied = apply(brand, inverse);
    if (!applied.ok) throw new Error(`“${label}” cannot be taken back: ${applied.refusal}`);
    forward.unshift({ command: { ...applied.inverse, label }, inverse });
    brand = applied.brand;
  }
  return { first: brand, forward };
}

/** Keeps the demo's brand with its past: log, releases with their files, reviews, house sets, and a second brand. */
export async function keepPast(
  today: Brand,
  organisationId: string,
  past: DemoPast,
  hosts: StoredFiles,
  transaction: Transaction,
): Promise<void> {
  const { Brand: BrandTable, Change, HouseSet, SignOff, Remark: RemarkTable, Person } = database();
  const begun = { ...today, house: { number: past.houseSets.length } };
  const { first, forward } = unrolled(begun, past.changes);
  const oldest = [...past.changes].reverse();
  const seqAfter = (days: number) => {
    const at = oldest.findIndex((change) => change.days === days);
    if (at < 0) throw new Error(`Nothing was done ${days} days ago.`);
    return at + 1;
  };
  await createBrand(first, organisationId, transaction);
  const states = [first];
  for (const [at, { command, inverse }] of forward.entries()) {
    const applied = apply(states.at(-1)!, command);
    if (!applied.ok) throw new Error(`The demo's past cannot be told: ${applied.refusal}`);
    states.push(applied.brand);
    const { by, days } = oldest[at]!;
    await Change.create(
      {
        brandId: today.id,
        seq: at + 1,
        key: `demo-past-${at + 1}`,
        version: COMMAND_VERSION,
        command,
        inverse,
        touched: touchedBy(command),
        personId: by,
        at: daysAgo(days),
      },
      { transaction },
    );
  }
  await BrandTable.update(
    { seq: forward.length, releaseRule: past.rule, ...listsOf(begun) },
    { where: { id: today.id }, transaction },
  );
  await indexSwatches(first, states.at(-1)!, transaction);
  const people = new Map((await Person.findAll({ transaction })).map((person) => [person.id, person]));
  for (const [at, release] of past.releases.entries()) {
    const seq = seqAfter(release.afterDays);
    const document = states[seq]!;
    const { title, version, note, signedBy, by, days } = release;
    const { files, manifest } = await bundle(document, hosts, undefined, version);
    await keepRelease(
      {
        brandId: today.id,
        number: at + 1,
        seq,
        title,
        version,
        note,
        document,
        manifest: [...manifest],
        signedBy: [...signedBy],
        personId: by,
        at: daysAgo(days),
      },
      await hashedFiles([...files, manifestFile(document, manifest)]),
      transaction,
    );
    await writeDown(
      people.get(by)!,
      organisationId,
      { what: 'release', about: `release ${at + 1} of ${today.name}`, brand: today.id },
      transaction,
    );
  }
  for (const { remarks, by, days, release, ...signOff } of past.signOffs) {
    const outcome = release === null ? null : 'released';
    await SignOff.create({ ...signOff, brandId: today.id, personId: by, at: daysAgo(days), outcome, release }, { transaction });
    for (const [at, { by: person, days: ago, afterDays, ...remark }] of remarks.entries())
      await RemarkTable.create(
        {
          ...remark,
          writer: writerMark(),
          id: `${signOff.id}-${at}`,
          signOffId: signOff.id,
          seq: seqAfter(afterDays),
          personId: person,
          // Each a little after the one before.
          at: new Date(daysAgo(ago).getTime() + (at + 1) * 60_000),
        },
        { transaction },
      );
  }
  const owner = past.releases[0]!.by;
  const sets = past.houseSets.map(({ release, palettes }) => {
    const { palettes: all } = states[seqAfter(past.releases[release - 1]!.afterDays)]!;
    return all
      .filter(({ id }) => palettes.includes(id))
      .map((palette) => ({ ...palette, swatches: palette.swatches.map((swatch) => ({ ...swatch, locked: false })) }));
  });
  for (const [at, palettes] of sets.entries()) {
    const { days } = past.houseSets[at]!;
    await HouseSet.create(
      { organisationId, number: at + 1, palettes, madeFrom: today.name, personId: owner, at: daysAgo(days) },
      { transaction },
    );
    await writeDown(
      people.get(owner)!,
      organisationId,
      { what: 'house-set', about: `${at + 1}, from ${today.name}` },
      transaction,
    );
  }
  await createBrand(secondBrand(past.second, sets[0]!), organisationId, transaction);
}

function secondBrand({ id, name, tokens }: DemoPast['second'], palettes: Brand['palettes']): Brand {
  const empty = emptyBrand(id, name);
  const [theme] = empty.themes;
  return StoredBrand.parse({
    ...empty,
    palettes,
    house: { number: 1 },
    tokens: tokens.map(({ path, role, swatch }, at) => ({
      id: `h-token-${at + 1}`,
      path,
      role,
      description: '',
      on: [],
      values: { [theme!.id]: { swatch } },
    })),
  });
}
