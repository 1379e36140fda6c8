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
/** A moment that a database can keep, since there are archives. */
const at = z.iso.datetime().refine((moment) => Date.parse(moment) >= Date.UTC(2000), 'A moment before the year 2000.');
/** So many changes of a brand are counted, a long way below what a database counts. */
const MOST_CHANGES = 1_000_000_000;
const seq = z.int().min(0).max(MOST_CHANGES);
const number = z.int().min(1).max(10_000);
const format = z.string().regex(/^[a-z0-9-]{1,100}$/);

/** A list in which no two have the same of something. */
const distinct = <T extends z.ZodType>(item: T, most: number, key: (item: z.output<T>) => string) =>
  z
    .array(item)
    .max(most)
    .refine((all) => new Set(all.map(key)).size === all.length, 'The same stands in it twice.');
const byPath = ({ path }: { path: string }) => path;
const byHash = ({ sha256 }: { sha256: string }) => sha256;

/** As a server would send it; what a browser may make of it is decided where it is sent. */
const mediaType = z
  .string()
  .max(100)
  .regex(/^[a-z]+\/[a-z0-9.+-]+(; ?charset=utf-8)?$/i);
const file = z.strictObject({ path: releasePath, mediaType, sha256: FileHash });
const kept = z.strictObject({ sha256: FileHash, by: who, at });

/** Kinds of pictures that brands keep. */
const PICTURE_TYPES = ['image/png', 'image/jpeg', 'image/gif', 'image/webp'] as const;

const ArchivedRelease = z.strictObject({
  number,
  seq,
  title: text(200),
  version: z.string().regex(/^\d{1,7}\.\d{1,7}\.\d{1,7}$/),
  note: text(5_000),
  signedBy: z.array(name).max(100),
  by: who,
  at,
  files: distinct(file, 20_000, byPath),
  manifest: distinct(file.extend({ format, bytes: z.int().min(0) }), 20_000, byPath),
});

const ArchivedSignOff = z.strictObject({
  title: name,
  note: text(SIGN_OFF_LIMITS.remark),
  since: z.int().min(0).max(10_000),
  by: who,
  at,
  /** A review that is under way ends with the people who stay behind. */
  outcome: z.enum(['released', 'withdrawn']),
  release: number.nullable(),
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
  held: number.nullable(),
  edits: z.record(releasePath, text(SCREEN_LIMITS.editBytes)),
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
  pictures: distinct(kept.extend({ mediaType: z.enum(PICTURE_TYPES) }), 1_000, byHash),
  hosts: distinct(kept, 1_000, byHash),
  profiles: distinct(kept.extend({ name: text(500) }), 1_000, byHash),
  /** None in archives of before there were any. */
  screens: z.array(ArchivedScreen).max(SCREEN_LIMITS.screens).default([]),
});
export type ArchiveHead = z.output<typeof ArchiveHead>;

/** One line of `history.jsonl`: a change as it stands in the log. */
export const ArchivedChange = z.strictObject({
  seq: seq.min(1),
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
