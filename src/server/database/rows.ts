import type { PictureKind } from '@/core/image/size';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model } from 'sequelize';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { Palette } from '@/core/brand/document/palette-shape';
import type { PersonRole } from '@/core/brand/roles';
import type { ManifestEntry } from '@/core/release/bundle';
import type { ReleaseRule, Remark, SignOff } from '@/core/release/sign-off';
import type { ScreenKind, Seen } from '@/core/screens/screen';
import type { ToldDelivery, WebhookEvent } from '@/core/screens/webhook';
import type { CaughtColours } from '@/core/intake/caught-colours';
import type { ShelfEntry } from '@/core/shelf/shelf-palette';

type Row<T extends Model> = Model<InferAttributes<T>, InferCreationAttributes<T>>;

/** What a person has set for themselves. */
export interface Preferences {
  surround?: 'paper' | 'mid' | 'ink';
  guideHidden?: boolean;
}

export interface OrganisationRow extends Row<OrganisationRow> {
  id: string;
  name: string;
}
export interface PersonRow extends Row<PersonRow> {
  id: string;
  name: string;
  email: string;
  passwordHash: string | null;
  demo: boolean;
  preferences: Preferences;
  /** The brand with whose archive they came: somebody of elsewhere, who did something to it and signs in nowhere. */
  ofBrand: CreationOptional<string | null>;
}
export interface MembershipRow extends Row<MembershipRow> {
  personId: string;
  organisationId: string;
  role: PersonRole;
}
export interface SessionRow extends Row<SessionRow> {
  id: string;
  personId: string;
  expiresAt: Date;
}
export interface BrandRow extends Row<BrandRow> {
  id: string;
  organisationId: string;
  /** Number of the last change in its log. */
  seq: CreationOptional<number>;
  /** What lists need of its document, as of that change. */
  name: string;
  /** Ids of the shelf's palettes that its own were made from, once for each that was. */
  shelf: string[];
  templates: { name: string; source: string }[];
  /** What a release of it wants; null where its owners made no rule. */
  releaseRule: CreationOptional<ReleaseRule | null>;
  /** How it stands to the house set; null where it never looked at one. */
  house: CreationOptional<Brand['house'] | null>;
  /** Colours by which it is known at a glance, as hex. */
  ribbon: CreationOptional<string[]>;
  /** Since when it is only looked at, and since when it is in the bin; null where it is not. */
  archivedAt: CreationOptional<Date | null>;
  binnedAt: CreationOptional<Date | null>;
  /** Whether its swatches are searched; only those of brands from before there was a search may not be yet. */
  indexed: CreationOptional<boolean>;
}
export interface SnapshotRow extends Row<SnapshotRow> {
  brandId: string;
  /** Number of the last change in the document. */
  seq: number;
  document: Brand;
}
export interface ChangeRow extends Row<ChangeRow> {
  brandId: string;
  seq: number;
  key: string;
  /** Of the shape that command and inverse have. */
  version: number;
  command: Command;
  inverse: Command;
  touched: string[];
  personId: string;
  at: CreationOptional<Date>;
}
export interface ReleaseRow extends Row<ReleaseRow> {
  brandId: string;
  number: number;
  seq: number;
  title: string;
  /** MAJOR.MINOR.PATCH. */
  version: string;
  note: string;
  document: Brand;
  manifest: ManifestEntry[];
  /** Names of those whose approval counted for it. */
  signedBy: string[];
  /** Of one that came in an archive: whether its document gave the same files when it was written again here, or only the archive says so. */
  imported: CreationOptional<'written again' | 'as it says' | null>;
  personId: string;
  at: CreationOptional<Date>;
}
export interface ReleaseFileRow extends Row<ReleaseFileRow> {
  brandId: string;
  number: number;
  path: string;
  mediaType: string;
  sha256: string;
  bytes: Buffer;
}

export interface IdentityRow extends Row<IdentityRow> {
  /** The provider, and what it calls the person: together the same for good (OpenID Connect Core 1.0, section 5.7). */
  issuer: string;
  subject: string;
  personId: string;
}
export interface HouseSetRow extends Row<HouseSetRow> {
  organisationId: string;
  number: number;
  palettes: Palette[];
  /** What it was made from, in words. */
  madeFrom: string;
  personId: string;
  at: CreationOptional<Date>;
}
export interface BrandRoleRow extends Row<BrandRoleRow> {
  brandId: string;
  personId: string;
  /** None closes the brand to them, whatever their role for the organisation. */
  role: PersonRole | 'none';
}
export interface InvitationRow extends Row<InvitationRow> {
  id: string;
  organisationId: string;
  /** The one brand that it is for; null for the organisation. */
  brandId: string | null;
  role: PersonRole;
  /** SHA-256 of the secret, in lower-case hex; the secret itself is kept nowhere. */
  hash: string;
  personId: string;
  at: CreationOptional<Date>;
  endsAt: Date;
}
export interface AuditRow extends Row<AuditRow> {
  id: CreationOptional<string>;
  organisationId: string;
  brandId: string | null;
  personId: string | null;
  /** What whoever did it was called then. */
  by: string;
  what: string;
  about: string;
  at: CreationOptional<Date>;
}

export interface SignOffRow extends Row<SignOffRow> {
  id: string;
  brandId: string;
  title: string;
  note: string;
  /** Number of the release that its changes follow; 0 before the first. */
  since: number;
  personId: string;
  at: CreationOptional<Date>;
  outcome: CreationOptional<SignOff['outcome']>;
  release: CreationOptional<number | null>;
}
export interface RemarkRow extends Row<RemarkRow> {
  id: string;
  signOffId: string;
  kind: Remark['kind'];
  about: string | null;
  seq: number;
  text: string;
  personId: string;
  at: CreationOptional<Date>;
  closedBy: CreationOptional<string | null>;
  /** SHA-256 of the program that wrote files then; null where that is not known. */
  writer: CreationOptional<string | null>;
}

export interface ShelfPaletteRow extends Row<ShelfPaletteRow> {
  id: string;
  organisationId: string;
  entry: ShelfEntry;
  personId: string;
  at: CreationOptional<Date>;
}
export interface PictureRow extends Row<PictureRow> {
  brandId: string;
  sha256: string;
  mediaType: `image/${PictureKind}`;
  bytes: Buffer;
  personId: string;
  at: CreationOptional<Date>;
}

export interface HostRow extends Row<HostRow> {
  brandId: string;
  sha256: string;
  bytes: Buffer;
  personId: string;
  at: CreationOptional<Date>;
}

export interface PrintProfileRow extends Row<PrintProfileRow> {
  brandId: string;
  sha256: string;
  /** What the profile calls itself. */
  name: string;
  bytes: Buffer;
  personId: string;
  at: CreationOptional<Date>;
}

export interface CaughtRow extends Row<CaughtRow> {
  id: string;
  brandId: string;
  personId: string;
  /** Id of the page that sent them. */
  page: string;
  /** What they came from, in words. */
  source: string;
  colours: CaughtColours['colours'];
  at: CreationOptional<Date>;
}

export interface BuildTokenRow extends Row<BuildTokenRow> {
  id: string;
  brandId: string;
  name: string;
  /** SHA-256 of the secret, in lower-case hex; the secret itself is kept nowhere. */
  hash: string;
  personId: string;
  at: CreationOptional<Date>;
  usedAt: CreationOptional<Date | null>;
  /** From when on it opens nothing; null when it has no end. */
  endsAt: Date | null;
  /** Number of the release that was last fetched with it. */
  fetched: CreationOptional<number | null>;
  /** Whether it may fetch released files, and whether it may say what screens show. */
  fetches: boolean;
  reports: boolean;
  /** Id of the screen that it speaks for: that of its first report. */
  screenId: CreationOptional<string | null>;
}

interface DriftMark {
  readonly count: number;
  readonly at: number;
}

export interface ScreenRow extends Row<ScreenRow> {
  brandId: string;
  id: string;
  name: string;
  kind: ScreenKind;
  held: CreationOptional<number | null>;
  /** Texts of files that were changed by hand at the screen, by their paths. */
  edits: CreationOptional<Record<string, string>>;
  /** What webhooks were last told of drift, by theme: how many tokens, and when, in milliseconds since 1970. */
  driftTold: CreationOptional<Readonly<Record<string, DriftMark>>>;
  personId: string;
  at: CreationOptional<Date>;
}
export interface ReadingRow extends Row<ReadingRow> {
  brandId: string;
  screenId: string;
  /** Number of the release that was the latest, and that it is held against. */
  release: number;
  theme: string;
  /** Number of the release that the screen said it runs. */
  runs: number;
  seen: Seen[];
  /** Tokens that it showed as they are in that release, and others. */
  same: number;
  differing: number;
  /** Those of the differing that no earlier release explains. */
  at: CreationOptional<Date>;
}

export interface WebhookRow extends Row<WebhookRow> {
  id: string;
  brandId: string;
  address: string;
  events: WebhookEvent[];
  /** Sealed with the secret of the settings. */
  secret: string;
  personId: string;
  at: CreationOptional<Date>;
}
export interface DeliveryRow extends Row<DeliveryRow> {
  id: string;
  webhookId: string;
  event: WebhookEvent;
  body: string;
  at: CreationOptional<Date>;
  state: CreationOptional<ToldDelivery['state']>;
  tries: CreationOptional<number>;
  /** What came of the last try, as a sentence. */
  came: CreationOptional<string>;
  triedAt: CreationOptional<Date | null>;
}
