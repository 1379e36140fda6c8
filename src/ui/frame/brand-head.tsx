import { useBrand } from '../store/brand-context';
import { request } from '../asked/request';
import css from './frame.module.css';

/** Whose colours these are, and who is at work on them. */
export function BrandHead() {
  const { name, person, role, here, organisation, archived } = useBrand((state) => ({
    name: state.brand.name,
    person: state.person,
    role: state.role,
    here: state.here,
    organisation: state.organisation,
    archived: state.archived,
  }));
  const others = here.filter(({ id }) => id !== person.id).map((other) => other.name);
  return (
    <div className={css.brand}>
      <b>{name}</b>
      <small>
        {archived ? `${person.name}. Archived, only looked at.` : `${person.name}, ${role}.`}{' '}
        {organisation && (
          <>
            <a href={`/organisation/${organisation}`}>Brands</a>{' '}
          </>
        )}
        <button onClick={() => void request('/api/sign-out', 'POST', {}).then(() => window.location.replace('/sign-in'))}>
          Sign out
        </button>
      </small>
      {others.length > 0 && (
        <small className={css.here} role="status" title={`Here now: ${others.join(', ')}`}>
          with {others.join(', ')}
        </small>
      )}
    </div>
  );
}
