import { resolveTheme } from '@/core/brand/reading/resolve';
import { Button, NativeSelect } from '@chakra-ui/react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { WrittenFile } from '@/core/formats/kit/format';
import { useBrandStore } from '@/ui/store/brand-context';
import { download } from '@/ui/download';
import { tell } from '@/ui/notices';
import { copy } from '@/ui/readout/copyable';
import { colourPatches, lineMarks, type LineMark } from './colour-patches';
import { ReadOnlyCode } from './read-only-code';
import css from './ship.module.css';

/** Up to so many files are laid out as tabs; more are a list to choose from. */
const TABS = 5;

/** Which of the files is looked at: by its path, so that it stays while the brand changes. */
export function useChosenFile(files: readonly WrittenFile[]) {
  const [path, setPath] = useState<string | null>(null);
  return { file: files.find((file) => file.path === path) ?? files[0], choose: setPath };
}

/** Which file it is, and what can be done with it. */
export function FileBar({
  stopped,
  ...props
}: {
  files: readonly WrittenFile[];
  file: WrittenFile;
  /** Whether an error stands in the way: then the file may be read, but not taken away half. */
  stopped: boolean;
  onChoose: (path: string) => void;
}) {
  return (
    <div className={css.files}>
      <FileChooser {...props} />
      <FileButtons file={props.file} stopped={stopped} />
    </div>
  );
}

function FileChooser({
  files,
  file,
  onChoose,
}: {
  files: readonly WrittenFile[];
  file: WrittenFile;
  onChoose: (path: string) => void;
}) {
  const short = files.map(({ path }) => path.split('/').at(-1)!);
  if (files.length > TABS || short.join('').length > 110) {
    return (
      <NativeSelect.Root size="xs" flex="1" minWidth="0">
        <NativeSelect.Field aria-label="File" value={file.path} onChange={({ target }) => onChoose(target.value)}>
          {files.map(({ path }, at) => (
            <option key={path} value={path}>
              {path} ({at + 1} of {files.length})
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    );
  }
  return (
    <div className={css.tabs} role="tablist" aria-label="Files">
      {files.map((each, at) => (
        <button key={each.path} role="tab" aria-selected={each === file} onClick={() => onChoose(each.path)}>
          {short[at]}
        </button>
      ))}
    </div>
  );
}

/** Binary files are kept whole, and not shown as text. */
export function isText({ bytes }: WrittenFile): boolean {
  return !bytes.subarray(0, 2_000).includes(0);
}

interface CodeProps {
  file: WrittenFile;
  /** Called when a colour was pressed and its token is selected. */
  onToken: () => void;
}

/** One written file, to be read; a colour in it leads to its token. */
export function FilePreview({ file, onToken }: CodeProps) {
  return (
    <div className={css.preview}>
      {file.mediaType.startsWith('image/png') ? (
        <Strip file={file} />
      ) : isText(file) ? (
        <Code file={file} onToken={onToken} />
      ) : (
        <p className={css.binary}>
          {file.path.split('/').at(-1)} is not a text ({file.bytes.length.toLocaleString('en')} bytes). Download it and open it in
          the program that reads it.
        </p>
      )}
    </div>
  );
}

function FileButtons({ file, stopped }: { file: WrittenFile; stopped: boolean }) {
  return (
    <div className={css.buttons}>
      <span>{file.bytes.length.toLocaleString('en')} bytes</span>
      {isText(file) && (
        <Button size="2xs" variant="outline" disabled={stopped} onClick={() => void copy(new TextDecoder().decode(file.bytes))}>
          Copy
        </Button>
      )}
      <Button
        size="2xs"
        variant="outline"
        disabled={stopped}
        onClick={() => download(file.path.split('/').at(-1)!, file.mediaType, file.bytes)}
      >
        Download
      </Button>
    </div>
  );
}

function Code({ file, onToken }: CodeProps) {
  const text = useMemo(() => new TextDecoder().decode(file.bytes), [file]);
  const show = useShowToken(onToken);
  const patches = useMemo(() => colourPatches(lineMarks(file, text), show), [file, text, show]);
  return <ReadOnlyCode path={file.path} text={text} label={`Contents of ${file.path}`} more={patches} />;
}

/** Shows the token of a colour in the readout: the one that stands there, else one that has this colour. */
function useShowToken(onToken: () => void): (mark: LineMark) => void {
  const store = useBrandStore();
  const shown = useRef(onToken);
  useEffect(() => {
    shown.current = onToken;
  });
  return useCallback(
    ({ token, swatch, hex }) => {
      const { replica, theme, select } = store.getState();
      const alike = () => [...resolveTheme(replica.brand, theme).values()].find(({ colour }) => colour?.hex === hex)?.token.id;
      const id = token ?? (swatch === undefined ? alike() : undefined);
      if (id === undefined && swatch === undefined) {
        tell('No token has this colour in the theme shown above; choose the theme that the file is for.');
        return;
      }
      select(id === undefined ? { swatch: swatch! } : { token: id });
      shown.current();
    },
    [store],
  );
}

function Strip({ file }: { file: WrittenFile }) {
  const url = useMemo(
    () => URL.createObjectURL(new Blob([file.bytes as Uint8Array<ArrayBuffer>], { type: file.mediaType })),
    [file],
  );
  useEffect(() => () => URL.revokeObjectURL(url), [url]);
  return (
    <figure className={css.strip}>
      {/* eslint-disable-next-line @next/next/no-img-element -- bytes made in this page, a few pixels; nothing to optimise */}
      <img src={url} alt={`The strip ${file.path}, drawn large`} />
      <figcaption>A block a colour, drawn large here.</figcaption>
    </figure>
  );
}
