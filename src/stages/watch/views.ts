import { create } from 'zustand';

export type ViewId = 'match' | 'sign-off' | 'releases' | 'history' | 'delivered';

/** The view in use stays in use when another stage is gone to. */
export const useView = create<{ readonly view: ViewId }>()(() => ({ view: 'match' }));

export function showView(view: ViewId): void {
  useView.setState({ view });
}
