import { Button, NativeSelect } from '@chakra-ui/react';
import { useState } from 'react';
import { ROLES, type PersonRole } from '@/core/brand/roles';
import { Choice } from '@/ui/dial';
import { Copyable } from '@/ui/readout/copyable';
import { useAct, useLooking } from './organisation-context';
import type { Invitation, ListedBrand } from '@/core/organisation/told';
import css from './organisation.module.css';

const DAYS = ['1', '7', '30'] as const;

/** Makes a link that lets one person in, and lists those that nobody has followed yet. */
export function Invitations({ invitations, brands }: { invitations: readonly Invitation[]; brands: readonly ListedBrand[] }) {
  const { address } = useLooking();
  const act = useAct();
  const [role, setRole] = useState<PersonRole>('editor');
  const [brand, setBrand] = useState('');
  const [days, setDays] = useState<(typeof DAYS)[number]>('7');
  const [link, setLink] = useState('');
  const make = async () => {
    const made = await act<{ secret: string }>(`${address}/invitations`, 'POST', {
      role,
      brand: brand || null,
      days: Number(days),
    });
    if (made) setLink(`${window.location.origin}/join#${made.secret}`);
  };
  const nameOf = (id: string) => brands.find((each) => each.id === id)?.name ?? 'a brand';
  return (
    <section>
      <h2>Invite somebody</h2>
      <div className={css.invite}>
        <Choice label="As" options={ROLES} value={role} onChoose={setRole} />
        <label>
          For
          <NativeSelect.Root size="xs" width="200px">
            <NativeSelect.Field aria-label="For" value={brand} onChange={(event) => setBrand(event.target.value)}>
              <option value="">all brands</option>
              {brands
                .filter(({ whereabouts }) => whereabouts === 'in use')
                .map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name} alone
                  </option>
                ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
        <Choice label="Days until it ends" options={DAYS} value={days} onChoose={setDays} />
        <Button size="xs" onClick={() => void make()}>
          Make a link
        </Button>
      </div>
      {link && (
        <p className={css.link} role="status">
          This link lets one person in. It is shown this once: <Copyable text={link} />
        </p>
      )}
      {invitations.length > 0 && (
        <ul className={css.open} aria-label="Open invitations">
          {invitations.map((invitation) => (
            <li key={invitation.id}>
              <span>
                {invitation.role} for {invitation.brand === null ? 'all brands' : nameOf(invitation.brand)}
              </span>
              <small>
                by {invitation.by}, until {new Date(invitation.endsAt).toLocaleDateString([], { dateStyle: 'medium' })}
              </small>
              <Button size="2xs" variant="outline" onClick={() => void act(`${address}/invitations/${invitation.id}`, 'DELETE')}>
                Withdraw
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
