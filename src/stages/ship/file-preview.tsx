import { Button } from '@chakra-ui/react';
import { css as cssLanguage } from '@codemirror/lang-css';
import { json } from '@codemirror/lang-json';
import { sass } from '@codemirror/lang-sass';
import { xml } from '@codemirror/lang-xml';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { tags } from '@lezer/highlight';
import CodeMirror, { EditorView, type Extension } from '@uiw/react-codemirror';
import { useEffect, useMemo, useState } from 'react';
import type { WrittenFile } from '@/core/formats/format';
import { useNonce } from '@/ui/providers';
import { copy } from '@/ui/readout/copyable';
import { colourPatches } from './colour-patches';
import { download } from '@/ui/download';
import css from './ship.module.css';

/** Syntax told apart by weight and grey: the only hues on the page are the colours in the file. */
const plain = HighlightStyle.define([
  {
    tag: [tags.propertyName, tags.tagName, tags.variableName, tags.definition(tags.variableName), tags.className],
    fontWeight: '700',
  },
  { tag: [tags.comment, tags.punctuation, tags.separator, tags.bracket, tags.angleBracket], color: 'var(--soft)' },
  { tag: [tags.attributeName, tags.keyword, tags.labelName], fontStyle: 'italic' },
]);

const look = EditorView.theme({
  '&': { fontSize: '11px', height: '100%', background: 'var(--raise)', color: 'var(--ink)' },
  '.cm-scroller': { fontFamily: "'Martian Mono Variable', monospace", fontStretch: '75%', lineHeight: '1.75' },
  '.cm-gutters': { background: 'var(--raise)', color: 'var(--soft)', border: '0' },
  '.cm-activeLine, .cm-activeLineGutter': { background: 'transparent' },
});

const LANGUAGES: Record<string, () => Extension> = {
  css: cssLanguage,
  scss: () => sass(),
  json,
  xml: () => xml(),
  xsd: () => xml(),
};

/** The written files one at a time: read, copy, download. */
export function FilePreview({ files }: { files: readonly WrittenFile[] }) {
  const [path, setPath] = useState<string | null>(null);
  const file = files.find((one) => one.path === path) ?? files[0];
  if (!file) return null;
  const image = file.mediaType.startsWith('image/');
  return (
    <>
      <div className={css.files}>
        <div className={css.tabs} role="tablist" aria-label="Files">
          {files.map((one) => (
            <button key={one.path} role="tab" aria-selected={one === file} onClick={() => setPath(one.path)}>
              {one.path.split('/').at(-1)}
            </button>
          ))}
        </div>
        <span>{file.bytes.length.toLocaleString('en')} bytes</span>
        {!image && (
          <Button size="2xs" variant="outline" onClick={() => void copy(new TextDecoder().decode(file.bytes))}>
            Copy
          </Button>
        )}
        <Button size="2xs" variant="outline" onClick={() => download(file.path.split('/').at(-1)!, file.mediaType, file.bytes)}>
          Download
        </Button>
      </div>
      <div className={css.preview} role="tabpanel">
        {image ? <Strip file={file} /> : <Code file={file} />}
      </div>
    </>
  );
}

function Code({ file }: { file: WrittenFile }) {
  const text = useMemo(() => new TextDecoder().decode(file.bytes), [file]);
  const nonce = useNonce();
  const extensions = useMemo(() => {
    const language = LANGUAGES[file.path.split('.').at(-1)!]?.();
    return [
      ...(language ? [language] : []),
      syntaxHighlighting(plain),
      look,
      colourPatches,
      EditorView.lineWrapping,
      EditorView.cspNonce.of(nonce),
      EditorView.contentAttributes.of({ 'aria-label': `Contents of ${file.path}`, tabindex: '0' }),
    ];
  }, [file.path, nonce]);
  return (
    <CodeMirror
      value={text}
      extensions={extensions}
      theme="none"
      editable={false}
      readOnly
      height="100%"
      basicSetup={{ foldGutter: false, highlightActiveLine: false, syntaxHighlighting: false }}
      style={{ height: '100%' }}
    />
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
      {/* eslint-disable-next-line @next/next/no-img-element -- bytes made in this page, one pixel high; nothing to optimise */}
      <img src={url} alt={`The strip ${file.path}, drawn large`} />
      <figcaption>One pixel a colour, one row; drawn large here.</figcaption>
    </figure>
  );
}
