import { create } from 'zustand';

export type ViewId = 'findings' | 'contrast' | 'charts' | 'interface' | 'beside' | 'vision' | 'picture';

/** The view in use stays in use when another stage is gone to. */
export const useView = create<{ readonly view: ViewId }>()(() => ({ view: 'findings' }));

export function showView(view: ViewId): void {
  useView.setState({ view });
}
