import { z } from 'zod';
import { isStorable, UNSTORABLE } from '../base/storable';
import { StoredBrand, type Brand } from '../brand/document/document';
import { EntityId, FileHash, name, releasePath, text } from '../brand/document/fields';
import { ReleaseRule, SIGN_OFF_LIMITS } from '../release/sign-off';
import { NewScreen, SCREEN_LIMITS } from '../screens/screen';

/** Bounds of an archive, in bytes: as it is sent, and unpacked. */
export const ARCHIVE_LIMITS = { packed: 128 * 1024 * 1024, unpacked: 192 * 1024 * 1024 } as const;

const people = 1_000;
/** Whoever it was, by their place among the archive's people. */
const who = z.int().min(0).max(people);
const at = z.iso.datetime();
const seq = z.int().min(0);
/** As a server would send it; what a browser may make of it is decided where it is sent. */
const mediaType = z
  .string()
  .max(100)
  .regex(/^[a-z]+\/[a-z0-9.+-]+(; ?charset=utf-8)?$/i);
const file = z.strictObject({ path: releasePath, mediaType, sha256: FileHash });
const kept = z.strictObject({ sha256: FileHash, by: who, at });

const ArchivedRelease = z.strictObject({
  number: z.int().min(1),
  seq,
  title: text(200),
  version: z.string().regex(/^\d{1,7}\.\d{1,7}\.\d{1,7}$/),
  note: text(5_000),
  signedBy: z.array(name).max(100),
  by: who,
  at,
  files: z.array(file).max(20_000),
  manifest: z.array(file.extend({ format: z.string().max(100), bytes: z.int().min(0) })).max(20_000),
});

const ArchivedSignOff = z.strictObject({
  title: name,
  note: text(SIGN_OFF_LIMITS.remark),
  since: z.int().min(0),
  by: who,
  at,
  /** A review that is under way ends with the people who stay behind. */
  outcome: z.enum(['released', 'withdrawn']),
  release: z.int().min(1).nullable(),
  remarks: z
    .array(
      z.strictObject({
        kind: z.enum(['comment', 'approve', 'ask']),
        about: EntityId.nullable(),
        seq,
        text: text(SIGN_OFF_LIMITS.remark),
        by: who,
        at,
        settledBy: who.nullable(),
      }),
    )
    .max(SIGN_OFF_LIMITS.remarks),
});

/** A screen as it was set up. Those that are builds stay behind with their tokens, and what screens showed is read again. */
const ArchivedScreen = NewScreen.extend({
  held: z.int().min(1).nullable(),
  edits: z.record(releasePath, z.string().max(SCREEN_LIMITS.editBytes)),
  by: who,
  at,
});

/** What an archive says of its brand, in `about.json`. */
export const ArchiveHead = z.strictObject({
  format: z.literal('breakwater-brand-archive'),
  /** Archives of the first version have no proofs. */
  version: z.union([z.literal(1), z.literal(2)]),
  /** Of each release, and of what follows the last (`proofs.ts`). */
  proofs: z.array(FileHash).max(10_001).default([]),
  /** Names of all who did something to it. */
  people: z.array(name).max(people),
  /** The brand as its log begins. */
  first: z.strictObject({ seq, document: StoredBrand }),
  rule: ReleaseRule.nullable(),
  /** Oldest first, numbered without gaps. */
  releases: z.array(ArchivedRelease).max(10_000),
  signOffs: z.array(ArchivedSignOff).max(10_000),
  pictures: z.array(kept.extend({ mediaType })).max(1_000),
  hosts: z.array(kept).max(1_000),
  profiles: z.array(kept.extend({ name: text(500) })).max(1_000),
  /** None in archives of before there were any. */
  screens: z.array(ArchivedScreen).max(SCREEN_LIMITS.screens).default([]),
});
export type ArchiveHead = z.output<typeof ArchiveHead>;

/** One line of `history.jsonl`: a change as it stands in the log. */
export const ArchivedChange = z.strictObject({
  seq: z.int().min(1),
  /** Of the shape in which the command is. */
  version: z.int().min(1),
  command: z.unknown().refine(isStorable, UNSTORABLE),
  by: who,
  at,
});
export type ArchivedChange = z.output<typeof ArchivedChange>;

/** A brand whole: what is said of it, its log, and the bytes of its releases, pictures, hosts and profiles, each once, by SHA-256. */
export interface BrandArchive {
  readonly head: Omit<ArchiveHead, 'first' | 'proofs'> & { readonly first: { readonly seq: number; readonly document: Brand } };
  /** In order, without gaps, from the one after the first document. */
  readonly changes: readonly ArchivedChange[];
  readonly files: ReadonlyMap<string, Uint8Array>;
}

/** Where the parts of an archive are. */
export const ARCHIVE_PATHS = { head: 'about.json', changes: 'history.jsonl', files: 'files/' } as const;
