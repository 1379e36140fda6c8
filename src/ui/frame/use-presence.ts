import { useEffect } from 'react';
import { useBrand } from '../store/brand-context';
import { pageId } from '../store/page-id';
import { request } from '../asked/request';

/** Who goes from swatch to swatch by the arrows is not followed at every step, in milliseconds. */
const REST_MS = 400;

/** Tells the others which swatch or token is chosen here, and again whenever the connection has come back. */
export function usePresence(): void {
  const { id, chosen, connected, others } = useBrand(({ id: brand, selection, connected: isConnected, here, person }) => ({
    id: brand,
    chosen: selection === null ? null : 'swatch' in selection ? selection.swatch : selection.token,
    connected: isConnected,
    others: here.some((each) => each.id !== person.id),
  }));
  useEffect(() => {
    if (!connected || !others) return;
    // Nobody waits for it, and the next one is told anyway.
    const tell = () => void request(`/api/brands/${id}/chosen`, 'POST', { page: pageId(), chosen }).catch(() => {});
    const timer = setTimeout(tell, REST_MS);
    return () => clearTimeout(timer);
  }, [id, chosen, connected, others]);
}
