import { DataTypes, Sequelize } from 'sequelize';
import { environment } from '../http/environment';
import { forgotten, onePerProcess } from './one-per-process';
import type {
  BrandRoleRow,
  BrandRow,
  BuildTokenRow,
  ReadingRow,
  ScreenRow,
  CaughtRow,
  ChangeRow,
  AuditRow,
  DeliveryRow,
  HostRow,
  HouseSetRow,
  IdentityRow,
  InvitationRow,
  MembershipRow,
  OrganisationRow,
  PersonRow,
  PictureRow,
  PrintProfileRow,
  ReleaseFileRow,
  ReleaseRow,
  RemarkRow,
  SessionRow,
  ShelfPaletteRow,
  SignOffRow,
  SnapshotRow,
  WebhookRow,
} from './rows';

function define(sequelize: Sequelize) {
  // Each attribute needs an object of its own: Sequelize writes the column's name into it.
  const key = () => ({ type: DataTypes.TEXT, primaryKey: true });
  const text = () => ({ type: DataTypes.TEXT, allowNull: false });
  const json = () => ({ type: DataTypes.JSONB, allowNull: false });
  // As text, so that keys keep their order and nothing is taken apart that is only read as a whole.
  const whole = () => ({ type: DataTypes.JSON, allowNull: false });
  const texts = () => ({ type: DataTypes.ARRAY(DataTypes.TEXT), allowNull: false });
  const count = () => ({ type: DataTypes.INTEGER, allowNull: false });
  const now = () => ({ type: DataTypes.DATE, allowNull: false, defaultValue: DataTypes.NOW });
  return {
    sequelize,
    Organisation: sequelize.define<OrganisationRow>('organisation', { id: key(), name: text() }),
    Person: sequelize.define<PersonRow>('person', {
      id: key(),
      name: text(),
      email: text(),
      passwordHash: { type: DataTypes.TEXT },
      demo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      preferences: { ...json(), defaultValue: {} },
      ofBrand: { type: DataTypes.TEXT },
    }),
    Membership: sequelize.define<MembershipRow>('membership', { personId: key(), organisationId: key(), role: text() }),
    Session: sequelize.define<SessionRow>('session', {
      id: key(),
      personId: text(),
      expiresAt: { type: DataTypes.DATE, allowNull: false },
    }),
    Brand: sequelize.define<BrandRow>('brand', {
      id: key(),
      organisationId: text(),
      seq: { ...count(), defaultValue: 0 },
      name: text(),
      shelf: texts(),
      templates: whole(),
      releaseRule: { type: DataTypes.JSONB },
      house: { type: DataTypes.JSON },
      ribbon: { ...texts(), defaultValue: [] },
      archivedAt: { type: DataTypes.DATE },
      binnedAt: { type: DataTypes.DATE },
      indexed: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
    }),
    Snapshot: sequelize.define<SnapshotRow>('snapshot', {
      brandId: key(),
      seq: { ...count(), primaryKey: true },
      document: whole(),
    }),
    Change: sequelize.define<ChangeRow>('change', {
      brandId: key(),
      seq: { ...count(), primaryKey: true },
      key: text(),
      version: count(),
      command: whole(),
      inverse: whole(),
      touched: texts(),
      personId: text(),
      at: now(),
    }),
    Release: sequelize.define<ReleaseRow>('release', {
      brandId: key(),
      number: { ...count(), primaryKey: true },
      seq: count(),
      title: text(),
      version: text(),
      note: text(),
      document: whole(),
      manifest: json(),
      signedBy: texts(),
      imported: { type: DataTypes.TEXT },
      personId: text(),
      at: now(),
    }),
    Identity: sequelize.define<IdentityRow>('identity', { issuer: key(), subject: key(), personId: text() }),
    HouseSet: sequelize.define<HouseSetRow>('houseSet', {
      organisationId: key(),
      number: { ...count(), primaryKey: true },
      palettes: whole(),
      madeFrom: text(),
      personId: text(),
      at: now(),
    }),
    BrandRole: sequelize.define<BrandRoleRow>('brandRole', { brandId: key(), personId: key(), role: text() }),
    Invitation: sequelize.define<InvitationRow>('invitation', {
      id: key(),
      organisationId: text(),
      brandId: { type: DataTypes.TEXT },
      role: text(),
      hash: text(),
      personId: text(),
      at: now(),
      endsAt: { type: DataTypes.DATE, allowNull: false },
    }),
    AuditEntry: sequelize.define<AuditRow>(
      'auditEntry',
      {
        id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
        organisationId: text(),
        brandId: { type: DataTypes.TEXT },
        personId: { type: DataTypes.TEXT },
        by: text(),
        what: text(),
        about: text(),
        at: now(),
      },
      // The table has the name that it was made with.
      { tableName: 'deeds' },
    ),
    SignOff: sequelize.define<SignOffRow>('signOff', {
      id: key(),
      brandId: text(),
      title: text(),
      note: text(),
      since: count(),
      personId: text(),
      at: now(),
      outcome: { type: DataTypes.TEXT },
      release: { type: DataTypes.INTEGER },
    }),
    Remark: sequelize.define<RemarkRow>('remark', {
      id: key(),
      signOffId: text(),
      kind: text(),
      about: { type: DataTypes.TEXT },
      seq: count(),
      text: text(),
      personId: text(),
      at: now(),
      closedBy: { type: DataTypes.TEXT, field: 'settled_by' },
      writer: { type: DataTypes.TEXT },
    }),
    ReleaseFile: sequelize.define<ReleaseFileRow>('releaseFile', {
      brandId: key(),
      number: { ...count(), primaryKey: true },
      path: key(),
      mediaType: text(),
      sha256: text(),
      bytes: { type: DataTypes.BLOB, allowNull: false },
    }),
    ShelfPalette: sequelize.define<ShelfPaletteRow>('shelfPalette', {
      id: key(),
      organisationId: text(),
      entry: json(),
      personId: text(),
      at: now(),
    }),
    Picture: sequelize.define<PictureRow>('picture', {
      brandId: key(),
      sha256: key(),
      mediaType: text(),
      bytes: { type: DataTypes.BLOB, allowNull: false },
      personId: text(),
      at: now(),
    }),
    Host: sequelize.define<HostRow>('host', {
      brandId: key(),
      sha256: key(),
      bytes: { type: DataTypes.BLOB, allowNull: false },
      personId: text(),
      at: now(),
    }),
    PrintProfile: sequelize.define<PrintProfileRow>('printProfile', {
      brandId: key(),
      sha256: key(),
      name: text(),
      bytes: { type: DataTypes.BLOB, allowNull: false },
      personId: text(),
      at: now(),
    }),
    Caught: sequelize.define<CaughtRow>(
      'caught',
      {
        id: key(),
        brandId: text(),
        personId: text(),
        page: text(),
        source: text(),
        colours: { type: DataTypes.JSON, allowNull: false },
        at: now(),
      },
      { tableName: 'caught' },
    ),
    BuildToken: sequelize.define<BuildTokenRow>('buildToken', {
      id: key(),
      brandId: text(),
      name: text(),
      hash: text(),
      personId: text(),
      at: now(),
      usedAt: { type: DataTypes.DATE },
      endsAt: { type: DataTypes.DATE },
      fetched: { type: DataTypes.INTEGER },
      fetches: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
      reports: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
      screenId: { type: DataTypes.TEXT },
    }),
    Screen: sequelize.define<ScreenRow>('screen', {
      brandId: key(),
      id: key(),
      name: text(),
      kind: whole(),
      held: { type: DataTypes.INTEGER },
      edits: { ...whole(), defaultValue: {} },
      driftTold: { ...whole(), defaultValue: {} },
      personId: text(),
      at: now(),
    }),
    Reading: sequelize.define<ReadingRow>('reading', {
      brandId: key(),
      screenId: key(),
      release: { ...count(), primaryKey: true },
      theme: key(),
      runs: count(),
      seen: whole(),
      same: count(),
      differing: count(),
      at: now(),
    }),
    Webhook: sequelize.define<WebhookRow>('webhook', {
      id: key(),
      brandId: text(),
      address: text(),
      events: texts(),
      secret: text(),
      personId: text(),
      at: now(),
    }),
    Delivery: sequelize.define<DeliveryRow>('delivery', {
      id: key(),
      webhookId: text(),
      event: text(),
      body: text(),
      at: now(),
      state: { ...text(), defaultValue: 'waiting' },
      tries: { ...count(), defaultValue: 0 },
      came: { ...text(), defaultValue: '' },
      triedAt: { type: DataTypes.DATE },
    }),
  };
}

export type Database = ReturnType<typeof define>;

/** The database, connected at first use. */
export function database(): Database {
  return onePerProcess('database', () =>
    define(
      new Sequelize(environment().BREAKWATER_DATABASE_URL, {
        dialect: 'postgres',
        logging: false,
        pool: { max: 10, acquire: 15_000 },
        define: { underscored: true, timestamps: false },
      }),
    ),
  );
}

/** Closes every connection; for scripts and tests. */
export async function closeDatabase(): Promise<void> {
  await forgotten<Database>('database')?.sequelize.close();
}
