import { useSyncExternalStore, type ReactNode } from 'react';
import { useBrand } from '@/ui/store/brand-context';
import { Copyable } from '@/ui/readout/copyable';
import { StageLink } from '@/ui/stage-link';
import css from './match.module.css';

/** For a brand of which no screen is known: said so, with how its files reach the screens there are. */
export function NoScreens({ children }: { children: ReactNode }) {
  const id = useBrand((state) => state.id);
  // What people reach it by is known to the page alone.
  const origin = useSyncExternalStore(
    () => () => {},
    () => location.origin,
    () => '',
  );
  return (
    <section className={css.noScreens}>
      <h2>No screen of this brand is known here</h2>
      <p>
        So nothing can be read back yet. Add the first: a page, a build that takes the files, or one of the small simulated ones
        to see the brand at work.
      </p>
      {children}
      <p>
        The released files are here to be fetched: by whoever is signed in, at the addresses below, and by builds with a token,
        which is made under <StageLink stage="ship">Ship</StageLink>, For builds.
      </p>
      <Copyable text={`breakwater pull ${origin}/deliver/${id} --release latest --out colours`} />
    </section>
  );
}
