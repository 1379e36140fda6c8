import { z } from 'zod';
import { EntityId, FileHash, name, releasePath } from '../brand/document/fields';

export const SCREEN_LIMITS = { screens: 24, edits: 20, editBytes: 512 * 1024, address: 1_000 } as const;

/** Where a page is: http or https, without a name or password in it. */
export const pageAddress = z
  .string()
  .trim()
  .max(SCREEN_LIMITS.address)
  .refine((text) => {
    if (!URL.canParse(text)) return false;
    const { protocol, username, password } = new URL(text);
    return /^https?:$/.test(protocol) && username === '' && password === '';
  }, 'An address begins with https:// or http://, and has no password in it.');

/** What a screen is, by its kind. */
export const ScreenKind = z.discriminatedUnion('is', [
  /** One of the small programs that Breakwater ships to try a brand on, by its folder; which there are, `stand-ins/programs.json` says. */
  z.strictObject({ is: z.literal('simulated'), program: z.string().regex(/^[a-z][a-z-]{0,39}$/) }),
  z.strictObject({ is: z.literal('page'), address: pageAddress }),
  /** Id of the token with which a build fetches released files. */
  z.strictObject({ is: z.literal('build'), token: EntityId }),
  z.strictObject({ is: z.literal('picture'), picture: FileHash }),
]);
export type ScreenKind = z.output<typeof ScreenKind>;

export const NewScreen = z.strictObject({ id: EntityId, name, kind: ScreenKind });
export type NewScreen = z.output<typeof NewScreen>;

/** What can be made another of a screen. */
export const ScreenEdit = z.strictObject({
  name: name.optional(),
  address: pageAddress.optional(),
  /** A newer picture, in place of the one it had. */
  picture: FileHash.optional(),
  /** Number of the release that it stays at; null for the latest. Of simulated screens only. */
  held: z.int().min(1).nullable().optional(),
  /** A file as somebody changed it at the screen, by hand; null takes that back. Of simulated screens only. */
  file: z
    .strictObject({
      path: releasePath,
      text: z.string().max(SCREEN_LIMITS.editBytes, 'A file that is edited by hand has at most 512 KB.').nullable(),
    })
    .optional(),
});
export type ScreenEdit = z.output<typeof ScreenEdit>;

/** A consumer of a brand, as it is told of. */
export interface Screen {
  readonly id: string;
  readonly name: string;
  readonly kind: ScreenKind;
  readonly held: number | null;
  /** Paths of the files that were changed by hand at the screen. */
  readonly edited: readonly string[];
  /** Another whenever those are; empty when there are none. */
  readonly edition: string;
  /** The release that a build last fetched; null where it is no build, or fetched none. */
  readonly fetched: number | null;
  /** When it was last read, ISO 8601; null when it never was. */
  readonly readAt: string | null;
}

/** How an element was when it was looked at: as it stands, or in a state that was really caused. */
export const SEEN_STATES = ['rest', 'hover', 'focus', 'pressed', 'disabled'] as const;

/** A colour that stands somewhere on a screen. */
export const Seen = z.strictObject({
  /** `#rrggbb`, or `#rrggbbaa` when translucent. */
  colour: z.string().regex(/^#[0-9a-f]{6}(?:[0-9a-f]{2})?$/),
  /** Path of the token that the screen itself says it is; none where it does not say. */
  token: z.string().min(1).max(300).optional(),
  /** Of the area looked at, 0..1. */
  share: z.number().min(0).max(1),
  /** Where it stands, for people: an element and what of it. */
  where: z.string().max(160),
  state: z.enum(SEEN_STATES),
});
export type Seen = z.output<typeof Seen>;

/** What a screen showed in one theme. */
export const Reading = z.strictObject({
  /** Identifier of the theme, as files name it. */
  theme: z.string().min(1).max(120),
  /** Number of the release that the screen runs, as it says; the latest where it does not say. */
  release: z.int().min(1).optional(),
  seen: z.array(Seen).max(1_000),
});
export type NewReading = z.output<typeof Reading>;
/** A reading as it is kept. */
export type Reading = NewReading & { readonly release: number };

/** A reading of a screen in all themes that were looked at. */
export const Readings = z
  .array(Reading)
  .min(1)
  .max(16)
  .refine((all) => new Set(all.map(({ theme }) => theme)).size === all.length, 'A theme is told once in a reading.');

/** How many tokens on screens were as they are in a release, and how many were not, over all themes. */
export interface Figure {
  readonly release: number;
  readonly same: number;
  readonly differing: number;
}

/** A release as consumers are told of it: what it is, and the colour that each token shows in each theme. */
export const ToldRelease = z.object({
  brand: z.string(),
  number: z.int().min(1),
  title: z.string(),
  /** MAJOR.MINOR.PATCH. */
  version: z.string(),
  note: z.string(),
  /** ISO 8601, in UTC. */
  at: z.string(),
  themes: z.array(z.object({ name: z.string(), identifier: z.string(), colours: z.record(z.string(), z.string()) })),
  files: z.array(z.object({ path: z.string(), format: z.string(), mediaType: z.string(), bytes: z.int(), sha256: FileHash })),
});
export type ToldRelease = z.output<typeof ToldRelease>;

const ToldCell = z.object({
  token: z.string(),
  screen: z.string(),
  theme: z.string(),
  wanted: z.string(),
  found: z.string(),
  /** ΔE2000. */
  distance: z.number(),
  why: z.string(),
  where: z.string(),
  state: z.enum(SEEN_STATES),
});

/** The match report as consumers are told of it. */
export const ToldMatch = z.object({
  brand: z.string(),
  /** Number of the release that screens are held against. */
  release: z.int().min(1),
  /** Whether no token differs and no colour is none of the brand's. */
  identical: z.boolean(),
  /** Tokens that stand on a screen, and how many of them are the same everywhere. */
  used: z.int(),
  same: z.int(),
  screens: z.array(
    z.object({ name: z.string(), kind: z.string(), readAt: z.string().nullable(), release: z.int().min(1).nullable() }),
  ),
  differing: z.array(ToldCell),
  strays: z.array(ToldCell.omit({ token: true, wanted: true, why: true }).extend({ nearest: z.string(), share: z.number() })),
});
export type ToldMatch = z.output<typeof ToldMatch>;
