import { Button, NativeSelect } from '@chakra-ui/react';
import { ROLES, type PersonRole } from '@/core/brand/roles';
import { Invitations } from './invitations';
import { useAct, useLooking, useOrganisation, useTold } from './organisation-context';
import type { Invitation, ListedBrand, Member } from '@/core/organisation/told';
import css from './organisation.module.css';

/** Everybody with a part in the organisation: their roles for all of it and by brand, and whom it has invited. */
export function PeopleView() {
  const { data, isError } = useTold<{ people: Member[]; invitations: Invitation[] }>('/people');
  const { data: organisation } = useOrganisation();
  const brands = organisation?.brands ?? [];
  if (isError && !data) return <p>The people cannot be reached just now; try again in a moment.</p>;
  return (
    <div className={css.view}>
      <table className={css.table} aria-label="People">
        <thead>
          <tr>
            <th>Who</th>
            <th>For all brands</th>
            <th>For one brand otherwise</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {data?.people.map((person) => (
            <PersonRow key={person.id} person={person} brands={brands} />
          ))}
        </tbody>
      </table>
      <Invitations invitations={data?.invitations ?? []} brands={brands} />
    </div>
  );
}

function PersonRow({ person, brands }: { person: Member; brands: readonly ListedBrand[] }) {
  const { address } = useLooking();
  const act = useAct();
  const give = (role: string | null, brand: string | null) =>
    void act(`${address}/people/${person.id}`, 'PATCH', { role, brand });
  const own = Object.entries(person.brands);
  const nameOf = (id: string) => brands.find((brand) => brand.id === id)?.name ?? 'a brand in the bin';
  return (
    <tr data-person={person.id}>
      <th scope="row">
        {person.name}
        <small>{person.email}</small>
      </th>
      <td>
        <RoleSelect
          label={`Role of ${person.name}`}
          value={person.role ?? ''}
          options={[...(person.role === null ? [['', 'guest'] as const] : []), ...ROLES.map((role) => [role, role] as const)]}
          onChange={(role) => give(role, null)}
        />
      </td>
      <td>
        {own.map(([brand, role]) => (
          <span key={brand} className={css.own}>
            {nameOf(brand)}: {role === 'none' ? 'closed' : role}
            <button aria-label={`Take back the role of ${person.name} for ${nameOf(brand)}`} onClick={() => give(null, brand)}>
              as for all
            </button>
          </span>
        ))}
        {person.role !== 'owner' && (
          <RoleSelect
            label={`Another role of ${person.name} for one brand`}
            value=""
            options={[
              ['', 'add…'],
              ...brands
                .filter(({ id, whereabouts }) => whereabouts === 'in use' && !(id in person.brands))
                .flatMap(({ id, name }) =>
                  [...ROLES, 'none' as const].map(
                    (role) => [`${role} ${id}`, `${name}: ${role === 'none' ? 'closed' : role}`] as const,
                  ),
                ),
            ]}
            onChange={(chosen) => {
              const [role, brand] = chosen.split(' ') as [PersonRole | 'none', string];
              give(role, brand);
            }}
          />
        )}
      </td>
      <td>
        <Button size="2xs" variant="outline" onClick={() => give(null, null)}>
          Remove
        </Button>
      </td>
    </tr>
  );
}

interface RoleSelectProps {
  label: string;
  value: string;
  options: readonly (readonly [value: string, words: string])[];
  onChange: (value: string) => void;
}

function RoleSelect({ label, value, options, onChange }: RoleSelectProps) {
  return (
    <NativeSelect.Root size="xs" width="160px">
      <NativeSelect.Field
        aria-label={label}
        value={value}
        onChange={(event) => event.target.value !== '' && onChange(event.target.value)}
      >
        {options.map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
