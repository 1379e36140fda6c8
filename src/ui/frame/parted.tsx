import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { waitingCount } from '../store/brand-state';
import { useBrand } from '../store/brand-context';
import css from './frame.module.css';

/** Says to whoever was signed out, or has no part in the brand any more, why, what waits, and how to come back to this very place. */
export function Parted() {
  const here = usePathname();
  const { parted, waiting } = useBrand((state) => ({ parted: state.parted, waiting: waitingCount(state) }));
  if (!parted) return null;
  const waits = waiting === 1 ? 'One change waits in this browser.' : `${waiting} changes wait in this browser.`;
  return (
    <div className={css.parted} role="alert">
      <p>
        {parted.sentence} {waiting > 0 && waits}
      </p>
      {parted.signIn ? (
        <a href={`/sign-in?to=${encodeURIComponent(here)}`}>Sign in and come back here</a>
      ) : (
        <Link href="/">Your brands</Link>
      )}
    </div>
  );
}
