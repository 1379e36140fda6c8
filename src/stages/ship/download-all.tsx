import { slug } from '@/core/base/words';
import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { useBrandStore, useBrand } from '@/ui/store/brand-context';
import { download } from '@/ui/download';
import { storedFiles } from '@/ui/asked/kept-files';
import { tell } from '@/ui/notices';
import { packAll } from '@/workers/shipper';

/** Every destination and graft in one archive with its manifest, made beside the page; it can be stopped. */
export function DownloadAll() {
  const store = useBrandStore();
  const none = useBrand((state) => state.brand.destinations.length + state.brand.grafts.length === 0);
  const [work, setWork] = useState<{ stopper: AbortController; share: number } | null>(null);
  const start = async () => {
    const { brand } = store.getState().replica;
    const stopper = new AbortController();
    const show = (share: number) => setWork({ stopper, share });
    show(0);
    try {
      const { zip, problem } = await packAll(brand, await storedFiles(brand), show, stopper.signal);
      if (zip) download(`${slug(brand.name)}.zip`, 'application/zip', zip);
      else tell(`Nothing was packed: ${problem}`);
    } catch (error) {
      if (!stopper.signal.aborted) tell(`Nothing was packed: ${(error as Error).message}`);
    } finally {
      setWork(null);
    }
  };
  if (work) {
    return (
      <Button size="xs" onClick={() => work.stopper.abort(new DOMException('Stopped.', 'AbortError'))}>
        Packing, {Math.round(work.share * 100)} %. Stop
      </Button>
    );
  }
  return (
    <Button size="xs" disabled={none} onClick={() => void start()}>
      Download all as a zip
    </Button>
  );
}
