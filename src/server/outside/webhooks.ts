import { createHmac, randomBytes } from 'node:crypto';
import { sealData, unsealData } from 'iron-session';
import { Op, type Transaction } from 'sequelize';
import { EntityId } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import type { NewWebhook, ToldDelivery, ToldWebhook, WebhookEvent } from '@/core/screens/webhook';
import { announce } from '../log/announce';
import { database } from '../database/database';
import { writeDownOf } from '../people/audit';
import { environment } from '../http/environment';
import { queueDeliveries } from '../database/jobs';
import { Refused } from '../http/refused';
import type { BrandRow, PersonRow, WebhookRow } from '../database/rows';
import { reach } from './way-out';

const MOST = 10;
/** How many deliveries of each are told of, and how long they are kept, in days. */
const TOLD = 50;
const KEPT_DAYS = 30;
/** With so many messages that wait, no trial is added to them. */
const MOST_WAITING = 20;
/** Of an answer only its status counts. */
const ANSWER_BYTES = 64 * 1024;
/** Of a secret, in bytes (Standard Webhooks 1.0: between 24 and 64). */
const SECRET_BYTES = 32;

/** Sealed, because unlike a token it is needed again: whoever has a copy of the database signs nothing with it. */
const seal = () => ({ password: environment().BREAKWATER_SECRET, ttl: 0 });

/** @returns the secret with which its messages are signed, which is shown once */
export async function makeWebhook(person: PersonRow, brandId: string, { address, events }: NewWebhook): Promise<string> {
  const { Webhook } = database();
  if ((await Webhook.count({ where: { brandId } })) >= MOST)
    throw new Refused(409, `A brand has at most ${MOST} webhooks; take one away first.`);
  const secret = `whsec_${randomBytes(SECRET_BYTES).toString('base64')}`;
  await Webhook.create({
    id: newId(),
    brandId,
    address,
    events: [...new Set(events)],
    secret: await sealData(secret, seal()),
    personId: person.id,
  });
  await writeDownOf(person, brandId, { what: 'make-webhook', about: new URL(address).origin });
  return secret;
}

/** The webhooks of a brand, the newest first, each with its latest deliveries. */
export async function webhooksOf(brandId: string): Promise<ToldWebhook[]> {
  const { Webhook, Delivery, Person } = database();
  const rows = await Webhook.findAll({ where: { brandId }, order: [['at', 'DESC']] });
  const people = await Person.findAll({ where: { id: rows.map(({ personId }) => personId) }, attributes: ['id', 'name'] });
  return Promise.all(
    rows.map(async ({ id, address, events, personId, at }) => {
      const deliveries = await Delivery.findAll({ where: { webhookId: id }, order: [['at', 'DESC']], limit: TOLD });
      return {
        id,
        address,
        events,
        by: people.find((person) => person.id === personId)?.name ?? 'somebody',
        at: at.toISOString(),
        deliveries: deliveries.map((row): ToldDelivery => ({
          id: row.id,
          event: row.event,
          at: row.at.toISOString(),
          state: row.state,
          tries: row.tries,
          came: row.came,
          triedAt: row.triedAt?.toISOString() ?? null,
        })),
      };
    }),
  );
}

async function webhookOf(brandId: string, id: string): Promise<WebhookRow> {
  const row = EntityId.safeParse(id).success && (await database().Webhook.findOne({ where: { brandId, id } }));
  if (!row) throw new Refused(404, 'This webhook is not there any more.');
  return row;
}

/** Takes a webhook away; what waits for it is sent to nobody. */
export async function removeWebhook(person: PersonRow, brandId: string, id: string): Promise<void> {
  const row = await webhookOf(brandId, id);
  await row.destroy();
  await writeDownOf(person, brandId, { what: 'remove-webhook', about: new URL(row.address).origin });
}

/** Sends a message that says nothing, to see whether one arrives. */
export async function tryWebhook(brandId: string, id: string): Promise<void> {
  const row = await webhookOf(brandId, id);
  if ((await database().Delivery.count({ where: { webhookId: id, state: 'waiting' } })) >= MOST_WAITING)
    throw new Refused(409, `${MOST_WAITING} messages wait to be sent there already; see what becomes of them first.`);
  const brand = await database().Brand.findByPk(brandId);
  await database().sequelize.transaction((transaction) => deliver([row], brand!, 'trial', {}, transaction));
}

/** Sends a message once more, under the id that it had. */
export async function resend(brandId: string, webhookId: string, id: string): Promise<void> {
  await webhookOf(brandId, webhookId);
  const { Delivery, sequelize } = database();
  const row = EntityId.safeParse(id).success && (await Delivery.findOne({ where: { webhookId, id } }));
  if (!row) throw new Refused(404, `This message is not kept any more: they are for ${KEPT_DAYS} days.`);
  await sequelize.transaction(async (transaction) => {
    // Asked for by two people at once, it is sent once.
    const where = { id, state: { [Op.ne]: 'waiting' as const } };
    const [count] = await Delivery.update({ state: 'waiting', tries: 0 }, { where, transaction });
    if (count === 0) throw new Refused(409, 'This message waits to be sent already.');
    await queueDeliveries([id], transaction);
  });
}

/** Tells whoever wants to hear it that something happened to a brand: sent when the transaction is through, and not at all when it is not. */
export async function tellWebhooks(
  brandId: string,
  event: Exclude<WebhookEvent, 'trial'>,
  about: object,
  transaction: Transaction,
): Promise<void> {
  const { Webhook, Brand } = database();
  const rows = await Webhook.findAll({ where: { brandId, events: { [Op.contains]: [event] } }, transaction });
  if (rows.length === 0) return;
  const brand = await Brand.findByPk(brandId, { attributes: ['id', 'name'], transaction });
  await deliver(rows, brand!, event, about, transaction);
}

async function deliver(
  webhooks: readonly WebhookRow[],
  { id, name }: Pick<BrandRow, 'id' | 'name'>,
  event: WebhookEvent,
  about: object,
  transaction: Transaction,
): Promise<void> {
  const { Delivery } = database();
  const at = new Date();
  const body = JSON.stringify({ type: event, timestamp: at.toISOString(), data: { brand: { id, name }, ...about } });
  const old = new Date(at.getTime() - KEPT_DAYS * 86_400_000);
  const rows = webhooks.map((webhook) => ({ id: newId(), webhookId: webhook.id, event, body, at }));
  await Delivery.destroy({ where: { webhookId: rows.map((row) => row.webhookId), at: { [Op.lt]: old } }, transaction });
  await Delivery.bulkCreate(rows, { transaction });
  await queueDeliveries(
    rows.map((row) => row.id),
    transaction,
  );
}

/**
 * Tries to send a message, and keeps what came of it. Received is what was answered with a status of the two hundreds.
 * @throws when it was not, and is to be tried again
 */
export async function sendDelivery(id: string, isLast: boolean): Promise<void> {
  const { Delivery, Webhook } = database();
  const delivery = await Delivery.findByPk(id);
  const webhook = delivery && (await Webhook.findByPk(delivery.webhookId));
  // Taken away meanwhile, or received by a try whose end could not be noted in the queue.
  if (!delivery || !webhook || delivery.state !== 'waiting') return;
  const { came, isReceived, isHopeless } = await trySending(webhook, delivery);
  const state = isReceived ? 'received' : isLast || isHopeless ? 'given up' : 'waiting';
  await delivery.update({ state, came, tries: delivery.tries + 1, triedAt: new Date() });
  await announce({ brand: webhook.brandId, kind: 'screens' });
  if (state === 'waiting') throw new Error('not received');
}

interface Outcome {
  readonly came: string;
  readonly isReceived: boolean;
  /** Whether it makes no sense to try again. */
  readonly isHopeless?: boolean;
}

/** The message with its signature as Standard Webhooks 1.0 has them: `webhook-id`, `webhook-timestamp`, `webhook-signature`. */
async function trySending(webhook: WebhookRow, { id, body }: { id: string; body: string }): Promise<Outcome> {
  const secret = await unsealData<unknown>(webhook.secret, seal());
  if (typeof secret !== 'string')
    return {
      came: 'Its secret was sealed by a server with another BREAKWATER_SECRET; make the webhook anew.',
      isReceived: false,
      isHopeless: true,
    };
  const timestamp = Math.floor(Date.now() / 1000).toString();
  const key = Buffer.from(secret.slice('whsec_'.length), 'base64');
  const signature = createHmac('sha256', key).update(`${id}.${timestamp}.${body}`).digest('base64');
  try {
    const { status } = await reach(
      { brand: webhook.brandId, by: { id: null, name: 'Breakwater' } },
      {
        address: webhook.address,
        sent: {
          headers: {
            'content-type': 'application/json',
            'webhook-id': id,
            'webhook-timestamp': timestamp,
            'webhook-signature': `v1,${signature}`,
          },
          body,
        },
        most: ANSWER_BYTES,
      },
    );
    return { came: `Answered with ${status}.`, isReceived: status >= 200 && status < 300 };
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    return { came: error.message, isReceived: false };
  }
}
