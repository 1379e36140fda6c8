import { Button } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { ARCHIVE_LIMITS } from '@/core/archive/archive';
import type { ListedBrand } from '@/core/organisation/told';
import { slug } from '@/core/base/words';
import { download } from '@/ui/download';
import { HiddenFile } from '@/ui/hidden-file';
import { tell } from '@/ui/notices';
import { useAct, useLooking } from './organisation-context';

const AWAY = 'The server cannot be reached; nothing was done. Try again in a moment.';

/** Gives a brand whole to the person as a file. @param address of the organisation */
export async function exportBrand(address: string, { id, name }: ListedBrand): Promise<void> {
  tell(`${name} is being packed with its whole history…`);
  try {
    const response = await fetch(`${address}/brands/${id}/archive`);
    if (response.ok)
      return download(`${slug(name) || 'brand'}-whole.zip`, 'application/zip', new Uint8Array(await response.arrayBuffer()));
    tell(((await response.json()) as { error: string }).error);
  } catch {
    tell(AWAY);
  }
}

/** Makes a brand of a file that another was exported into, and goes there. */
export function ImportBrand() {
  const { address } = useLooking();
  const act = useAct();
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const take = async (file: File) => {
    if (file.size > ARCHIVE_LIMITS.packed)
      return tell(`${file.name} is larger than ${ARCHIVE_LIMITS.packed / 2 ** 20} MB, and no archive of a brand is.`);
    setBusy(true);
    const made = await act<{ id: string }>(`${address}/archives`, 'POST', file);
    if (made) router.push(`/brand/${made.id}/mix`);
    else setBusy(false);
  };
  return (
    <>
      <Button size="xs" variant="outline" marginLeft="auto" loading={busy} onClick={() => input.current!.click()}>
        Import a brand…
      </Button>
      <HiddenFile ref={input} label="Archive of a brand" accept=".zip" onFile={(file) => void take(file)} />
    </>
  );
}
