import { create } from 'zustand';

interface Match {
  /** How many screens show a colour that is not the brand's; null before any report. */
  readonly differing: number | null;
  /** By the title of each screen: paths of the tokens that it was last found to show, in any theme. */
  readonly shows: ReadonlyMap<string, ReadonlySet<string>>;
  readonly report: (differing: number | null, shows: Match['shows']) => void;
}

/** What the last match report came to. */
export const useMatch = create<Match>()((set) => ({
  differing: null,
  shows: new Map(),
  report: (differing, shows) => set((was) => ({ differing, shows: differing === null ? was.shows : shows })),
}));
