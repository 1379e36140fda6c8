'use client';

import { useState } from 'react';
import { useBrand } from '@/ui/brand-context';
import { Empty } from '@/ui/empty';
import { MatchReport } from './match-report';
import { Releases } from './releases';

export function Watch() {
  const { release, id } = useBrand((state) => ({ release: state.release, id: state.id }));
  const [view, setView] = useState<'match' | 'releases'>('match');
  if (!release) {
    return (
      <Empty title="Screens are watched here">
        Nothing has been released yet. Make the first release with the button at the top right; the screens then read its files,
        and what each of them really shows is read back, colour by colour.
      </Empty>
    );
  }
  // A new release is read from the beginning, by new screens.
  return view === 'match' ? (
    <MatchReport key={`${id}/${release.number}`} release={release} onReleases={() => setView('releases')} />
  ) : (
    <Releases onMatch={() => setView('match')} />
  );
}
