import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { Graft } from '@/core/brand/document/graft-shape';
import { newId } from '@/core/brand/document/identity';
import { useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { keepHost } from '@/ui/asked/kept-files';
import { tell } from '@/ui/notices';
import { bytesOf } from '@/workers/decode';
import { OpenHost } from '@/workers/graft';

/**
 * Takes settings files in, chosen or dropped: keeps each beside the brand and adds a graft onto it. Pictures go to whom they
 * concern.
 * @param onAdded told the graft's id
 */
export function useAddGraft(onAdded: (id: string) => void, onPictures: (files: readonly File[]) => void) {
  const store = useBrandStore();
  const mayEdit = useMayEdit();
  /** The share of a file that was read; null when none is being read. */
  const [share, setShare] = useState<number | null>(null);
  const add = async (file: File) => {
    const { id, replica, theme, run } = store.getState();
    const open = new OpenHost();
    setShare(0);
    try {
      const bytes = await bytesOf(file);
      const shown = await open.open(file.name, bytes, {}, setShare);
      if (typeof shown === 'string') return tell(shown);
      const graft: Graft = {
        id: newId(),
        path: freePath(file.name, replica.brand.grafts),
        host: { sha256: await keepHost(id, bytes), name: file.name.slice(0, 120), bytes: bytes.length },
        theme,
        bindings: {},
        banks: {},
      };
      if (run({ label: `Graft onto ${file.name}`, steps: [{ do: 'graft.add', graft, before: null }] })) onAdded(graft.id);
    } catch (error) {
      tell(
        error instanceof TypeError
          ? 'The server cannot be reached, so the file was not taken; try again in a moment.'
          : (error as Error).message,
      );
    } finally {
      open.close();
      setShare(null);
    }
  };
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    onDrop: async (files) => {
      if (!mayEdit) return;
      const pictures = files.filter(({ name }) => /\.png$/i.test(name));
      if (pictures.length > 0) onPictures(pictures);
      for (const file of files) if (!pictures.includes(file)) await add(file);
    },
    noClick: true,
    noKeyboard: true,
  });
  return { root: getRootProps(), input: getInputProps(), choose: open, dropping: isDragActive, share };
}

/** A path of its own for a file of this name: other signs than those of paths become hyphens. */
function freePath(name: string, grafts: readonly Graft[]): string {
  const plain = name.replace(/[^\p{L}\p{N} ._()+@-]/gu, '-').replace(/^\.+/, '') || 'host.txt';
  const taken = new Set(grafts.map(({ path }) => path.toLowerCase()));
  for (let number = 1; ; number++) {
    const path = number === 1 ? plain : `${number}/${plain}`;
    if (!taken.has(path.toLowerCase())) return path;
  }
}
