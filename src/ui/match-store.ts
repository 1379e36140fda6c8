import { create } from 'zustand';

/** What the last match report came to: how many screens show a colour that is not the brand's; null before any report. */
export const useMatch = create<{ differing: number | null; report: (differing: number | null) => void }>()((set) => ({
  differing: null,
  report: (differing) => set({ differing }),
}));
