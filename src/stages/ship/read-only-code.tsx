import CodeMirror, { EditorView, type Extension } from '@uiw/react-codemirror';
import { useEffect, useMemo, useState } from 'react';
import { useNonce } from '@/ui/looks/providers';
import { codeLook, languageOf } from './code-look';

interface Props {
  path: string;
  text: string;
  label: string;
  more: Extension;
  /** The line to show and to mark, from 1. */
  line?: number | null;
}

/** A text file, numbered and set by its language; to be read, not changed. */
export function ReadOnlyCode({ path, text, label, more, line = null }: Props) {
  const nonce = useNonce();
  // The editor keeps line feeds only; given others, it would put the whole text in anew at every rendering.
  const value = useMemo(() => text.replace(/\r\n?/g, '\n'), [text]);
  const [view, setView] = useState<EditorView | null>(null);
  useEffect(() => {
    if (!view || line === null || line > view.state.doc.lines) return;
    const { from, to } = view.state.doc.line(line);
    view.dispatch({ selection: { anchor: from, head: to }, effects: EditorView.scrollIntoView(from, { y: 'center' }) });
  }, [view, line]);
  const extensions = useMemo(
    () => [
      languageOf(path),
      codeLook,
      more,
      EditorView.cspNonce.of(nonce),
      EditorView.contentAttributes.of({ 'aria-label': label, tabindex: '0' }),
    ],
    [path, label, nonce, more],
  );
  return (
    <CodeMirror
      value={value}
      onCreateEditor={setView}
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
