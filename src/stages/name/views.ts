import { create } from 'zustand';

export type ViewId = 'tokens' | 'scaffolds' | 'themes' | 'states' | 'values' | 'files' | 'tidy';

/** The view in use stays in use when another stage is gone to. */
export const useView = create<{ readonly view: ViewId }>()(() => ({ view: 'tokens' }));

export function showView(view: ViewId): void {
  useView.setState({ view });
}
