import type { ToldAuditEntry } from '@/core/organisation/told';
import Papa from 'papaparse';
import { Op, type Transaction } from 'sequelize';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';

/** What is written down of who did what; each with the words that follow a name. What it was done to or with follows them. */
export const AUDIT_WORDS = {
  'sign-in': 'signed in',
  'sign-out-everywhere': 'signed out everywhere',
  password: 'changed their password',
  invite: 'invited',
  'withdraw-invitation': 'withdrew the invitation',
  join: 'joined as',
  role: 'gave a role:',
  'remove-person': 'took the part of',
  'make-brand': 'made the brand',
  'duplicate-brand': 'duplicated the brand',
  'archive-brand': 'archived the brand',
  'use-brand': 'took into use again the brand',
  'bin-brand': 'put into the bin the brand',
  'delete-brand': 'deleted for good the brand',
  'export-brand': 'exported the brand',
  'import-brand': 'imported the brand',
  release: 'released',
  rule: 'decided what a release wants:',
  'ask-sign-off': 'asked for a sign-off:',
  approve: 'approved',
  'ask-for-changes': 'asked for changes of',
  'withdraw-sign-off': 'withdrew the sign-off',
  'make-build-token': 'made the token for builds',
  'revoke-build-token': 'revoked the token for builds',
  'house-set': 'made the house set',
  'make-webhook': 'made the webhook',
  'remove-webhook': 'took away the webhook',
  'send-out': 'sent to',
  fetch: 'looked at',
} as const;
export type AuditKind = keyof typeof AUDIT_WORDS;

/** Who does something: a person, or the server by itself. */
type Doer = { readonly id: string | null; readonly name: string };

interface NewAuditEntry {
  readonly what: AuditKind;
  readonly about?: string;
  readonly brand?: string;
}

const MOST_WRITTEN = 500;

/** Writes down what somebody did in an organisation, in the transaction in which it is done. */
export async function writeDown(
  { id, name }: Doer,
  organisationId: string,
  { what, about = '', brand }: NewAuditEntry,
  transaction?: Transaction,
): Promise<void> {
  await database().AuditEntry.create(
    { organisationId, brandId: brand ?? null, personId: id, by: name, what, about: about.slice(0, MOST_WRITTEN) },
    transaction ? { transaction } : {},
  );
}

/** Writes down what somebody did to a brand, where its organisation keeps it. */
export async function writeDownOf(person: Doer, brandId: string, entry: NewAuditEntry, transaction?: Transaction): Promise<void> {
  const row = await database().Brand.findByPk(brandId, {
    attributes: ['organisationId'],
    ...(transaction && { transaction }),
  });
  await writeDown(person, row!.organisationId, { ...entry, brand: brandId }, transaction);
}

/** Writes down what somebody did to their own account, in each organisation of theirs. */
export async function writeDownOwn(person: Pick<PersonRow, 'id' | 'name'>, what: AuditKind): Promise<void> {
  const rows = await database().Membership.findAll({ where: { personId: person.id }, attributes: ['organisationId'] });
  for (const { organisationId } of rows) await writeDown(person, organisationId, { what });
}

/** What was done in an organisation, the latest first. @param before only what has a smaller id; null for the latest */
export async function auditOf(organisationId: string, before: string | null, limit: number): Promise<ToldAuditEntry[]> {
  const rows = await database().AuditEntry.findAll({
    where: { organisationId, ...(before !== null && { id: { [Op.lt]: before } }) },
    order: [['id', 'DESC']],
    limit,
  });
  return rows.map(({ id, by, what, about, at }) => ({
    id,
    by,
    what: AUDIT_WORDS[what as AuditKind] ?? what,
    about,
    at: at.toISOString(),
  }));
}

const PAGE = 1_000;

/** All that was done in an organisation, the latest first, as CSV (RFC 4180), read and sent page by page. */
export function auditAsCsv(organisationId: string): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let last: string | null = null;
  return new ReadableStream<Uint8Array>({
    start: (controller) => controller.enqueue(encoder.encode('\uFEFFat,by,what,about\r\n')),
    pull: async (controller) => {
      const entries = await auditOf(organisationId, last, PAGE);
      last = entries.at(-1)?.id ?? last;
      if (entries.length > 0) {
        const rows = entries.map(({ at, by, what, about }) => [at, by, what, about]);
        controller.enqueue(encoder.encode(`${Papa.unparse(rows, { newline: '\r\n', escapeFormulae: true })}\r\n`));
      }
      if (entries.length < PAGE) controller.close();
    },
  });
}
