'use client';

import { useState } from 'react';
import { may } from '@/core/brand/roles';
import { StageViews, type StageView } from '@/ui/stage-views';
import { BrandsView } from './brands-view';
import { AuditView } from './audit-view';
import { HouseView } from './house-view';
import { LookingContext, type Looking } from './organisation-context';
import { PeopleView } from './people-view';
import { YouView } from './you-view';
import css from './organisation.module.css';

type ViewId = 'brands' | 'house' | 'people' | 'audit' | 'you';

const FOR_ALL: readonly StageView<ViewId>[] = [
  { id: 'brands', label: 'Brands', View: BrandsView },
  { id: 'you', label: 'Your account', View: YouView },
];
const FOR_OWNERS: readonly StageView<ViewId>[] = [
  FOR_ALL[0]!,
  { id: 'house', label: 'House set', View: HouseView },
  { id: 'people', label: 'People', View: PeopleView },
  { id: 'audit', label: 'What was done', View: AuditView },
  FOR_ALL[1]!,
];

/** An organisation: its brands, its house set, and everybody with a part in it. */
export function OrganisationPage({ others, ...looking }: Looking & { others: readonly { id: string; name: string }[] }) {
  const { organisation, person } = looking;
  const [view, setView] = useState<ViewId>('brands');
  return (
    <LookingContext value={looking}>
      <main className={css.page}>
        <nav aria-label="Organisations">
          {others.map(({ id, name }) => (
            <a key={id} href={`/organisation/${id}`}>
              {name}
            </a>
          ))}
        </nav>
        <StageViews
          title={organisation.name}
          about={`${person.name}, ${organisation.role}`}
          views={may(organisation.role, 'govern') ? FOR_OWNERS : FOR_ALL}
          view={view}
          onView={setView}
        />
      </main>
    </LookingContext>
  );
}
