import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { WEBHOOK_EVENTS, type ToldDelivery, type ToldWebhook, type WebhookEvent } from '@/core/screens/webhook';
import { useBrand } from '@/ui/store/brand-context';
import { request } from '@/ui/asked/request';
import { Tick } from '@/ui/tick';
import { ConsumerDialog } from './consumer-dialog';
import { SecretForm } from './secret-form';
import { useServerList } from './use-server-list';
import css from './ship.module.css';

const EVENT_WORDS: Record<WebhookEvent, string> = { release: 'releases', drift: 'drift', trial: 'a trial' };
const STATE_WORDS: Record<ToldDelivery['state'], string> = {
  waiting: 'Waits',
  received: 'Received',
  'given up': 'Given up',
};

const minute = (iso: string) => iso.slice(0, 16).replace('T', ' ');

/** Addresses that are told of releases and of drift, and what came of telling them. */
export function Webhooks() {
  return (
    <ConsumerDialog opens="Webhooks…" title="Told by webhook">
      {(brand) => <List brand={brand} />}
    </ConsumerDialog>
  );
}

function List({ brand }: { brand: string }) {
  const news = useBrand((state) => state.screenNews);
  const [events, setEvents] = useState<readonly WebhookEvent[]>(WEBHOOK_EVENTS);
  const path = `/api/brands/${brand}/webhooks`;
  const { data, error, act } = useServerList<{ webhooks: ToldWebhook[] }>(path, news);
  return (
    <div className={css.builds}>
      <p>
        When a release is made, or a screen begins to show other colours than the brand’s, Breakwater sends a message (JSON by
        POST) to each address here. Whoever does not answer with a 2xx is tried again, with growing pauses, for about a day and a
        half. A message keeps its <code>webhook-id</code>, however often it is sent; it is signed as Standard Webhooks says.
      </p>
      <SecretForm
        label="Address that is told"
        placeholder="https://…"
        most={1_000}
        does="Add a webhook"
        ready={events.length > 0}
        told="Its secret, with which messages are signed."
        send={(address) => request(path, 'POST', { address, events })}
        act={act}
      >
        {WEBHOOK_EVENTS.map((event) => (
          <Tick
            key={event}
            checked={events.includes(event)}
            onTick={(checked) => setEvents(WEBHOOK_EVENTS.filter((each) => (each === event ? checked : events.includes(each))))}
          >
            {EVENT_WORDS[event]}
          </Tick>
        ))}
      </SecretForm>
      {error && <p>{error.message}</p>}
      <ul>
        {data?.webhooks.map((webhook) => (
          <li key={webhook.id}>
            <b className={css.address}>{webhook.address}</b>
            <Button
              size="2xs"
              variant="outline"
              aria-label={`Send a trial to ${webhook.address}`}
              onClick={() => void act(() => request(`${path}/${webhook.id}/deliveries`, 'POST'))}
            >
              Send a trial
            </Button>
            <Button
              size="2xs"
              variant="outline"
              aria-label={`Remove ${webhook.address}`}
              onClick={() => void act(() => request(`${path}/${webhook.id}`, 'DELETE'))}
            >
              Remove
            </Button>
            <small className={css.across}>
              told of {webhook.events.map((event) => EVENT_WORDS[event]).join(' and ')}, added {webhook.at.slice(0, 10)} by{' '}
              {webhook.by}
            </small>
            {webhook.deliveries.length > 0 && (
              <ol className={css.deliveries} aria-label={`Messages to ${webhook.address}`}>
                {webhook.deliveries.map((delivery) => (
                  <Delivery
                    key={delivery.id}
                    delivery={delivery}
                    onResend={() => void act(() => request(`${path}/${webhook.id}/deliveries/${delivery.id}`, 'POST'))}
                  />
                ))}
              </ol>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Delivery({ delivery, onResend }: { delivery: ToldDelivery; onResend: () => void }) {
  const { event, at, state, tries, came } = delivery;
  return (
    <li data-state={state}>
      <time dateTime={at}>{minute(at)}</time>
      <span>{event}</span>
      <b>{STATE_WORDS[state]}</b>
      <span>
        {came}
        {tries > 1 && ` ${tries} tries.`}
      </span>
      {state !== 'waiting' && (
        <Button size="2xs" variant="outline" aria-label={`Send the ${event} of ${minute(at)} again`} onClick={onResend}>
          Send again
        </Button>
      )}
    </li>
  );
}
