import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { newId } from '@/core/brand/document/identity';
import type { CaughtColours } from '@/core/intake/caught-colours';
import { useBrand } from '@/ui/store/brand-context';
import { useCatch } from '@/ui/store/catch-store';
import { tell } from '@/ui/notices';
import { pageId } from '@/ui/store/page-id';
import { request } from '@/ui/asked/request';

/** So many are sent at once. */
const MOST = 256;

/** Sends the ticked colours to the other pages of the same person, such as from the phone to the desk. */
export function SendCaught() {
  const id = useBrand((state) => state.id);
  const { lines, ticked, names, sources } = useCatch();
  const [busy, setBusy] = useState(false);
  const chosen = lines.filter(({ index, colour, token }) => colour && !token?.alias && ticked.includes(index)).slice(0, MOST);
  const send = async () => {
    setBusy(true);
    const sending: CaughtColours = {
      id: newId(),
      page: pageId(),
      source: (sources.join(', ') || 'Camera').slice(0, 120),
      colours: chosen.map(({ index, name, colour }) => ({ name: names[index]?.trim() || name, value: colour!.css })),
    };
    try {
      await request(`/api/brands/${id}/caught`, 'POST', sending);
      tell(`${chosen.length} sent: they are in the catch of your other pages.`);
    } catch (error) {
      tell(error instanceof TypeError ? 'The server cannot be reached; nothing was sent.' : (error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Button size="sm" width="100%" marginBottom="12px" loading={busy} disabled={chosen.length === 0} onClick={() => void send()}>
      Send {chosen.length} to my other pages
    </Button>
  );
}
