import { Button } from '@chakra-ui/react';
import type { Art } from '@/core/brand/document/art-shape';
import { zipFiles } from '@/core/formats/kit/zip';
import { storedFile } from '@/ui/asked/kept-files';
import { CommitInput } from '@/ui/commit-input';
import { download } from '@/ui/download';
import { tell } from '@/ui/notices';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { useArtEdits } from './use-art-edits';
import type { useSheets } from './use-sheets';
import ship from '../ship.module.css';

interface Props {
  art: Art;
  open: ReturnType<typeof useSheets>['open'];
  onRemoved: () => void;
}

/** Where a piece of art is written, with what takes it away as a file or out of the brand. */
export function ArtHeading({ art, open, onRemoved }: Props) {
  const { brand, run } = useBrand((state) => ({ brand: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const { edit } = useArtEdits(art);
  const take = async () => {
    try {
      const pictures = new Map<string, Uint8Array>();
      for (const { picture } of art.sheets) pictures.set(picture, await storedFile(brand.id, 'pictures', picture));
      const { files, findings } = await open!.remote.write(brand, art, pictures);
      const [problem] = findings;
      if (problem) return tell(problem.message);
      if (files.length === 1) return download(files[0]!.path.split('/').at(-1)!, files[0]!.mediaType, files[0]!.bytes);
      download(`${art.path.split('/').at(-1)!}.zip`, 'application/zip', zipFiles(files));
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached, so the pictures cannot be fetched.'
          : (error as Error).message,
      );
    }
  };
  return (
    <div className={ship.heading}>
      <h2>
        <CommitInput
          look="plain"
          label="Path of the art"
          value={art.path}
          disabled={!mayEdit}
          onCommit={(path) => edit({ path }, `Write the art as ${path}`)}
        />
      </h2>
      <Button size="2xs" variant="outline" disabled={!open} onClick={() => void take()}>
        Download
      </Button>
      <Button
        size="2xs"
        variant="ghost"
        disabled={!mayEdit}
        onClick={() => run({ label: `Stop shipping ${art.path}`, steps: [{ do: 'art.remove', id: art.id }] }) && onRemoved()}
      >
        Remove
      </Button>
    </div>
  );
}
