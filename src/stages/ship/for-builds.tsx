import { Button, NativeSelect } from '@chakra-ui/react';
import { useState } from 'react';
import { Copyable } from '@/ui/readout/copyable';
import { request } from '@/ui/asked/request';
import { Tick } from '@/ui/tick';
import { ConsumerDialog } from './consumer-dialog';
import { SecretForm } from './secret-form';
import { useServerList } from './use-server-list';
import css from './ship.module.css';

interface BuildToken {
  id: string;
  name: string;
  by: string;
  at: string;
  usedAt: string | null;
  endsAt: string | null;
  fetches: boolean;
  reports: boolean;
}

/** How long a token is good for, in days. */
const LIVES = [
  { days: '', words: 'until it is revoked' },
  { days: '30', words: 'for 30 days' },
  { days: '90', words: 'for 90 days' },
  { days: '365', words: 'for a year' },
];

const day = (iso: string) => iso.slice(0, 10);

/** How a build fetches the released files by itself, and the tokens it needs for that. */
export function ForBuilds() {
  return (
    <ConsumerDialog opens="For builds…" title="Fetched by builds">
      {(brand) => <Tokens brand={brand} />}
    </ConsumerDialog>
  );
}

function Tokens({ brand }: { brand: string }) {
  const [days, setDays] = useState('');
  const [fetches, setFetches] = useState(true);
  const [reports, setReports] = useState(false);
  const path = `/api/brands/${brand}/build-tokens`;
  const { data, error, act } = useServerList<{ tokens: BuildToken[] }>(path);
  return (
    <div className={css.builds}>
      <p>
        The command line fetches a release, checks every file against its hash, and puts all of them in place or none. With{' '}
        <code>--check</code> it only says whether the folder is up to date, for a build to stop at; with <code>--watch</code> it
        goes on asking.
      </p>
      <Copyable text={`breakwater pull ${location.origin}/deliver/${brand} --release latest --out colours`} />
      <p>
        It takes its token from BREAKWATER_TOKEN. A token that fetches opens the released files of this brand; one that reports
        takes what <code>verify</code>, or a page by itself, saw to Watch, for the one screen that it first speaks of. Neither
        opens anything else.
      </p>
      <SecretForm
        label="Where the new token is used"
        placeholder="Where it is used, such as site build"
        most={80}
        does="Make a token"
        ready={fetches || reports}
        told="The new token."
        send={(name) => request(path, 'POST', { name, days: days === '' ? null : Number(days), fetches, reports })}
        act={act}
      >
        <NativeSelect.Root size="xs" width="15em">
          <NativeSelect.Field aria-label="How long it is good for" value={days} onChange={({ target }) => setDays(target.value)}>
            {LIVES.map((life) => (
              <option key={life.days} value={life.days}>
                {life.words}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
        <Tick checked={fetches} onTick={setFetches}>
          fetches
        </Tick>
        <Tick checked={reports} onTick={setReports}>
          reports
        </Tick>
      </SecretForm>
      {error && <p>{error.message}</p>}
      <ul>
        {data?.tokens.map((token) => (
          <li key={token.id}>
            <b>{token.name}</b>
            <small>
              made {day(token.at)} by {token.by}, {token.usedAt ? `last used ${day(token.usedAt)}` : 'never used'}
              {token.endsAt && `, good until ${day(token.endsAt)}`}
              {!token.fetches ? ', reports only' : token.reports ? ', fetches and reports' : ''}
            </small>
            <Button
              size="2xs"
              variant="outline"
              aria-label={`Revoke ${token.name}`}
              onClick={() => void act(() => request(`${path}/${token.id}`, 'DELETE'))}
            >
              Revoke
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
