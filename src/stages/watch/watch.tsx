'use client';

import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { useBrand } from '@/ui/brand-context';
import { Empty } from '@/ui/empty';
import { DriftView } from './drift-view';
import { MatchReport } from './match-report';
import { NoScreens } from './no-screens';
import { Releases } from './releases';

export function Watch() {
  const { release, id, simulated } = useBrand((state) => ({ release: state.release, id: state.id, simulated: state.simulated }));
  const [view, setView] = useState<'match' | 'releases' | 'drift'>('match');
  const to = (wanted: typeof view, words: string) => (
    <Button size="xs" variant="outline" onClick={() => setView(wanted)}>
      {words}
    </Button>
  );
  if (view === 'drift')
    return <DriftView>{to('match', release && simulated ? 'Match report' : release ? 'Releases' : 'Back')}</DriftView>;
  const drift = to('drift', 'Compare delivered files');
  if (!release) {
    return (
      <Empty title="Screens are watched here" act={drift}>
        {simulated
          ? 'Nothing has been released yet. Make the first release with the button at the top right; the screens then read its files, and what each of them really shows is read back, colour by colour.'
          : 'Nothing has been released yet. Make the first release with the button at the top right; its files are then fetched from here, each at an address of its own.'}
      </Empty>
    );
  }
  if (!simulated) return <Releases act={drift} head={<NoScreens />} />;
  // A new release is read from the beginning, by new screens.
  return view === 'match' ? (
    <MatchReport key={`${id}/${release.number}`} release={release} act={drift} onReleases={() => setView('releases')} />
  ) : (
    <Releases
      act={
        <>
          {to('match', 'Match report')}
          {drift}
        </>
      }
    />
  );
}
