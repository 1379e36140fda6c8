import { useBrand } from '@/ui/brand-context';
import { Empty } from '@/ui/empty';
import { MatchReport } from './match-report';
import { NoScreens } from './no-screens';

/** What the screens of the brand really show, where there is a release and there are screens. */
export function MatchView() {
  const { release, id, simulated } = useBrand((state) => ({ release: state.release, id: state.id, simulated: state.simulated }));
  if (!release)
    return (
      <Empty title="Screens are watched here">
        {simulated
          ? 'Nothing has been released yet. Make the first release with the button at the top right; the screens then read its files, and what each of them really shows is read back, colour by colour.'
          : 'Nothing has been released yet. Make the first release with the button at the top right; its files are then fetched from here, each at an address of its own.'}
      </Empty>
    );
  // A new release is read from the beginning, by new screens.
  return simulated ? <MatchReport key={`${id}/${release.number}`} release={release} /> : <NoScreens />;
}
