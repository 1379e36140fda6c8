import { z } from 'zod';
import { pageAddress } from './screen';

/** What a webhook may be told of; a trial is sent at a person's word only. */
export const WEBHOOK_EVENTS = ['release', 'drift'] as const;
export type WebhookEvent = (typeof WEBHOOK_EVENTS)[number] | 'trial';

export const NewWebhook = z.strictObject({
  address: pageAddress,
  events: z.array(z.enum(WEBHOOK_EVENTS)).min(1, 'Say what it is told of: releases, drift, or both.').max(WEBHOOK_EVENTS.length),
});
export type NewWebhook = z.output<typeof NewWebhook>;

/** A message to a webhook, and what came of sending it. */
export interface ToldDelivery {
  readonly id: string;
  readonly event: WebhookEvent;
  /** ISO 8601. */
  readonly at: string;
  readonly state: 'waiting' | 'received' | 'given up';
  readonly tries: number;
  /** What came of the last try, as a sentence; empty before the first. */
  readonly came: string;
  /** When it was last tried, ISO 8601; null when it was not yet. */
  readonly triedAt: string | null;
}

/** An address that is told when something happens to a brand. */
export interface ToldWebhook {
  readonly id: string;
  readonly address: string;
  readonly events: readonly WebhookEvent[];
  readonly by: string;
  /** When it was made, ISO 8601. */
  readonly at: string;
  /** The newest first. */
  readonly deliveries: readonly ToldDelivery[];
}
