import { Button, NativeSelect } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Brand } from '@/core/brand/document/document';
import { ribbon } from '@/ui/ribbon';
import { request } from '@/ui/asked/request';
import { tell } from '@/ui/notices';
import { useAct, useLooking, useOrganisation, useTold } from './organisation-context';
import type { HouseHolder, ToldHouseSet } from '@/core/organisation/told';
import { Tick } from '@/ui/tick';
import css from './organisation.module.css';

/** The palettes that new brands begin with: what they are, which brands have them, and how they are made others. */
export function HouseView() {
  const { data, isError } = useTold<{ house: ToldHouseSet; holders: HouseHolder[] }>('/house');
  if (isError && !data) return <p>The house set cannot be reached just now; try again in a moment.</p>;
  if (!data) return null;
  const { house, holders } = data;
  return (
    <div className={css.view}>
      <section>
        <h2>{house.number === 0 ? 'The set that Breakwater comes with' : `House set ${house.number}`}</h2>
        <p>
          {house.by
            ? `${house.by} made it from ${house.madeFrom}, ${new Date(house.at!).toLocaleDateString([], { dateStyle: 'medium' })}.`
            : 'Nobody has made another yet.'}{' '}
          A new brand begins with it; others are told when it moves, and take of it what they want.
        </p>
        <ul className={css.palettes} aria-label="Palettes of the house set">
          {house.palettes.map((palette) => (
            <li key={palette.id}>
              <i style={{ background: ribbon(palette.swatches.map(({ value }) => value)) }} />
              <b>{palette.name}</b>
              <small>{palette.swatches.length}</small>
            </li>
          ))}
        </ul>
      </section>
      <section>
        <h2>Who has it</h2>
        <table className={css.table} aria-label="Who has it">
          <tbody>
            {holders.map((holder) => (
              <tr key={holder.id} data-differ={holder.differ}>
                <th scope="row">
                  <a href={`/brand/${holder.id}/gather`}>{holder.name}</a>
                </th>
                <td>{standingWords(holder, house.number)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <MakeHouse current={house.number} isOurs={house.madeFrom !== 'Breakwater'} />
    </div>
  );
}

function standingWords({ differ, house }: HouseHolder, number: number): string {
  if (differ === 0) return 'has all of it';
  const count = `${differ} ${differ === 1 ? 'swatch differs' : 'swatches differ'}`;
  if (house?.pinned) return `${count}; stays as it is, at set ${house.number}`;
  return house && house.number >= number ? `${count}; somebody chose so` : `${count}; nobody there has looked at it yet`;
}

function MakeHouse({ current, isOurs }: { current: number; isOurs: boolean }) {
  const { address } = useLooking();
  const act = useAct();
  const { data: organisation } = useOrganisation();
  const brands = organisation?.brands.filter(({ whereabouts }) => whereabouts === 'in use') ?? [];
  const [from, setFrom] = useState<string | null>(null);
  const brand = from ?? brands[0]?.id;
  const { data } = useQuery({
    queryKey: ['brand', brand],
    queryFn: async () => (await request<{ brand: Brand }>(`/api/brands/${brand}`)).brand,
    enabled: brand !== undefined,
  });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = data?.palettes.filter(({ id }) => !left.has(id)) ?? [];
  const make = async (body: object) => {
    const made = await act<{ number: number }>(`${address}/house`, 'POST', body);
    if (made) tell(`The house set is number ${made.number} now. Above stands who has it, and who does not yet.`);
  };
  return (
    <section>
      <h2>Make it another</h2>
      <div className={css.acts}>
        <span>from</span>
        <NativeSelect.Root size="xs" width="220px">
          <NativeSelect.Field
            aria-label="Brand whose palettes become the house set"
            value={brand ?? ''}
            onChange={(event) => {
              setFrom(event.target.value);
              setLeft(new Set());
            }}
          >
            {brands.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
        {isOurs && (
          <Button size="xs" variant="outline" onClick={() => void make({ from: 'Breakwater' })}>
            Back to the set that Breakwater comes with
          </Button>
        )}
      </div>
      <ul className={css.palettes} aria-label="Palettes that become the house set">
        {data?.palettes.map((palette) => (
          <li key={palette.id}>
            <i style={{ background: ribbon(palette.swatches.map(({ value }) => value)) }} />
            <Tick
              checked={!left.has(palette.id)}
              onTick={(checked) => {
                const next = new Set(left);
                if (checked) next.delete(palette.id);
                else next.add(palette.id);
                setLeft(next);
              }}
            >
              {palette.name}
            </Tick>
            <small>{palette.swatches.length}</small>
          </li>
        ))}
      </ul>
      <Button
        size="xs"
        disabled={chosen.length === 0}
        onClick={() => void make({ from: 'brand', brand, palettes: chosen.map(({ id }) => id) })}
      >
        Make {chosen.length === 1 ? 'this palette' : `these ${chosen.length} palettes`} house set {current + 1}
      </Button>
    </section>
  );
}
