import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Empty } from '@/ui/empty';
import { useScreens } from '@/ui/asked/screens';
import { AddScreen } from './add-screen';
import { MatchReport } from './match-report';
import { NoScreens } from './no-screens';

/** What the screens of the brand really show, where there is a release and there are screens. */
export function MatchView() {
  const { release, id } = useBrand((state) => ({ release: state.release, id: state.id }));
  const { screens, figures, isKnown, isError } = useScreens();
  const mayEdit = useMayEdit();
  if (!release)
    return (
      <Empty title="Screens are watched here">
        Nothing has been released yet. Make the first release with the button at the top right; the screens then read its files,
        and what each of them really shows is read back, colour by colour.
      </Empty>
    );
  if (!isKnown)
    return <p>{isError ? 'The screens cannot be reached just now; try again in a moment.' : 'Asking for the screens…'}</p>;
  if (screens.length === 0) return <NoScreens>{mayEdit && <AddScreen release={release} />}</NoScreens>;
  // A new release is read from the beginning, by new screens.
  return <MatchReport key={`${id}/${release.number}`} release={release} screens={screens} figures={figures} />;
}
