import CodeMirror, { EditorView, type Extension } from '@uiw/react-codemirror';
import { useMemo } from 'react';
import { useNonce } from '@/ui/providers';
import { codeLook, languageOf } from './code-look';

/** A written file's text, numbered and set by its language; to be read, not changed. */
export function ReadOnlyCode({ path, text, label, more }: { path: string; text: string; label: string; more: Extension }) {
  const nonce = useNonce();
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
