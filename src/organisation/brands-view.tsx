import { Button, Menu, Portal } from '@chakra-ui/react';
import { ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { may } from '@/core/brand/roles';
import { ago } from '@/ui/ago';
import { ribbon } from '@/ui/ribbon';
import { exportBrand, ImportBrand } from './brand-archives';
import { BrandName } from './brand-name';
import { useAct, useLooking, useOrganisation } from './organisation-context';
import type { ListedBrand } from '@/core/organisation/told';
import css from './organisation.module.css';

/** Every brand of the organisation by its colours: in use, archived, and for owners in the bin. */
export function BrandsView() {
  const { organisation } = useLooking();
  const { data, isError } = useOrganisation();
  const [naming, setNaming] = useState<{ from?: ListedBrand } | null>(null);
  if (isError && !data) return <p>The brands cannot be reached just now; try again in a moment.</p>;
  const brands = data?.brands ?? [];
  const of = (whereabouts: ListedBrand['whereabouts']) => brands.filter((brand) => brand.whereabouts === whereabouts);
  return (
    <div className={css.view}>
      {may(organisation.role, 'edit') && (
        <p className={css.acts}>
          <Button size="xs" onClick={() => setNaming({})}>
            New brand…
          </Button>
          <span>begins with the house set{data && data.house.number > 0 ? ` ${data.house.number}` : ''}</span>
          {may(organisation.role, 'govern') && <ImportBrand />}
        </p>
      )}
      <BrandList label="In use" brands={of('in use')} onDuplicate={(from) => setNaming({ from })} />
      <BrandList label="Archived" brands={of('archived')} onDuplicate={(from) => setNaming({ from })} />
      <BrandList label="In the bin" brands={of('in the bin')} onDuplicate={null} />
      {naming && <BrandName from={naming.from ?? null} onClose={() => setNaming(null)} />}
    </div>
  );
}

interface BrandListProps {
  label: string;
  brands: readonly ListedBrand[];
  onDuplicate: ((brand: ListedBrand) => void) | null;
}

function BrandList({ label, brands, onDuplicate }: BrandListProps) {
  if (brands.length === 0) return null;
  return (
    <section>
      <h2>{label}</h2>
      <ul className={css.brands} aria-label={label}>
        {brands.map((brand) => (
          <li key={brand.id}>
            <i aria-hidden style={{ background: ribbon(brand.ribbon) }} />
            {brand.whereabouts === 'in the bin' ? <b>{brand.name}</b> : <a href={`/brand/${brand.id}/mix`}>{brand.name}</a>}
            <small>
              {brand.changes === 0 ? 'as it began' : `${brand.changes} ${brand.changes === 1 ? 'change' : 'changes'}`}
              {brand.changedAt && `, the last ${ago(brand.changedAt)}`}
              {'; '}
              {brand.releases === 0 ? 'never released' : `release ${brand.releases} is out`}
            </small>
            <BrandMenu brand={brand} onDuplicate={onDuplicate && (() => onDuplicate(brand))} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function BrandMenu({ brand, onDuplicate }: { brand: ListedBrand; onDuplicate: (() => void) | null }) {
  const { organisation, address } = useLooking();
  const act = useAct();
  const to = (whereabouts: ListedBrand['whereabouts']) => () =>
    void act(`${address}/brands/${brand.id}`, 'PATCH', { whereabouts });
  const governs = may(organisation.role, 'govern');
  if (!may(organisation.role, 'edit')) return <span />;
  return (
    <Menu.Root positioning={{ placement: 'bottom-end' }}>
      <Menu.Trigger asChild>
        <Button size="xs" variant="outline" aria-label={`What to do with ${brand.name}`}>
          Do <ChevronDown size={13} />
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {onDuplicate && (
              <Menu.Item value="duplicate" onSelect={onDuplicate}>
                Duplicate…
              </Menu.Item>
            )}
            <Menu.Item value="export" disabled={!governs} onSelect={() => void exportBrand(address, brand)}>
              Export whole, with its history
            </Menu.Item>
            {brand.whereabouts !== 'in use' && (
              <Menu.Item value="use" disabled={!governs} onSelect={to('in use')}>
                Take into use again
              </Menu.Item>
            )}
            {brand.whereabouts === 'in use' && (
              <Menu.Item value="archive" disabled={!governs} onSelect={to('archived')}>
                Archive: only looked at
              </Menu.Item>
            )}
            {brand.whereabouts === 'in the bin' ? (
              <Menu.Item value="delete" disabled={!governs} onSelect={() => void act(`${address}/brands/${brand.id}`, 'DELETE')}>
                Delete for good, releases and all
              </Menu.Item>
            ) : (
              <Menu.Item value="bin" disabled={!governs} onSelect={to('in the bin')}>
                Put into the bin
              </Menu.Item>
            )}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
