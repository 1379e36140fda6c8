import type { RefObject } from 'react';

interface HiddenFileProps {
  /** What a press on something else clicks. */
  readonly ref: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** The field behind a press that asks for a file. */
export function HiddenFile({ ref, label, accept, onFile }: HiddenFileProps) {
  return (
    <input
      ref={ref}
      type="file"
      hidden
      aria-label={label}
      accept={accept}
      onChange={(event) => {
        const [file] = event.target.files ?? [];
        // The same file may be chosen again.
        event.target.value = '';
        if (file) onFile(file);
      }}
    />
  );
}
