'use client';

import { useBrand } from '@/ui/store/brand-context';
import { useDataWhileOpen } from '@/ui/charts/use-data';
import { useSignOffs } from '@/ui/asked/sign-offs';
import { StageViews, type StageView } from '@/ui/stage-views';
import { DriftView } from './drift-view';
import { HistoryView } from './history/history-view';
import { MatchView } from './match/match-view';
import { Releases } from './releases';
import { SignOffView } from './sign-off/sign-off-view';
import { showView, useView, type ViewId } from './views';

const VIEWS: readonly StageView<ViewId>[] = [
  { id: 'match', label: 'Match report', View: MatchView },
  { id: 'sign-off', label: 'Sign-off', View: SignOffView },
  { id: 'releases', label: 'Releases', View: Releases },
  { id: 'history', label: 'History', View: HistoryView },
  { id: 'delivered', label: 'Delivered files', View: DriftView },
];

export function Watch() {
  useDataWhileOpen();
  const { view } = useView();
  const release = useBrand((state) => state.release?.number);
  const { open } = useSignOffs();
  return (
    <StageViews
      title="Watch"
      about={release === undefined ? 'Nothing has been released yet' : `Release ${release} is out`}
      views={VIEWS}
      view={view}
      counts={{ 'sign-off': open ? 1 : 0 }}
      onView={showView}
    />
  );
}
