import { liquid } from '@codemirror/lang-liquid';
import { Button, Menu, Portal } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import CodeMirror, { EditorView } from '@uiw/react-codemirror';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { SharedTemplate } from '@/core/formats/templates/template';
import { useBrand } from '@/ui/store/brand-context';
import { useNonce } from '@/ui/looks/providers';
import { request } from '@/ui/asked/request';
import { codeLook } from './code-look';
import css from './ship.module.css';

/** How long typing must rest before the template counts as written. */
const REST_MS = 700;

/** A template, edited beside what it gives. It is kept when typing rests, and when the field is left. */
export function TemplateEditor({
  source,
  disabled,
  onSource,
}: {
  source: string;
  disabled: boolean;
  onSource: (source: string) => boolean;
}) {
  const nonce = useNonce();
  const [draft, setDraft] = useState(source);
  const kept = useRef(source);
  useEffect(() => {
    // Undo, or somebody else: what is written elsewhere comes in unless one is writing here.
    if (source !== kept.current) {
      kept.current = source;
      setDraft(source);
    }
  }, [source]);
  const keep = (text: string) => {
    if (text === kept.current) return;
    const before = kept.current;
    kept.current = text;
    if (!onSource(text)) kept.current = before;
  };
  useEffect(() => {
    const timer = setTimeout(() => keep(draft), REST_MS);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only what is typed starts the wait
  }, [draft]);
  const extensions = useMemo(
    () => [
      liquid(),
      codeLook,
      EditorView.cspNonce.of(nonce),
      EditorView.contentAttributes.of({ 'aria-label': 'Template', tabindex: '0' }),
    ],
    [nonce],
  );
  return (
    <div className={css.template}>
      <div className={css.files}>
        <b>Template</b>
        <Shared disabled={disabled} onTake={(text) => (setDraft(text), keep(text))} />
      </div>
      <div className={css.preview} onBlur={() => keep(draft)}>
        <CodeMirror
          value={draft}
          onChange={setDraft}
          extensions={extensions}
          theme="none"
          editable={!disabled}
          readOnly={disabled}
          height="100%"
          indentWithTab={false}
          basicSetup={{ foldGutter: false, highlightActiveLine: false, syntaxHighlighting: false }}
          style={{ height: '100%' }}
        />
      </div>
    </div>
  );
}

/** Templates of the organisation's other brands and destinations, to start from. */
function Shared({ disabled, onTake }: { disabled: boolean; onTake: (source: string) => void }) {
  const id = useBrand((state) => state.id);
  const [open, setOpen] = useState(false);
  const { data } = useQuery({
    queryKey: ['templates', id],
    enabled: open,
    queryFn: () => request<{ templates: SharedTemplate[] }>(`/api/brands/${id}/templates`),
  });
  return (
    <Menu.Root onOpenChange={(next) => setOpen(next.open)}>
      <Menu.Trigger asChild>
        <Button size="2xs" variant="outline" marginLeft="auto" disabled={disabled}>
          Start from another template
        </Button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {data?.templates.map((template) => (
              <Menu.Item
                key={`${template.brand} ${template.name}`}
                value={`${template.brand} ${template.name}`}
                onClick={() => onTake(template.source)}
              >
                {template.name} <small>({template.brand})</small>
              </Menu.Item>
            ))}
            {data?.templates.length === 0 && (
              <Menu.Item value="none" disabled>
                The organisation has no other template yet.
              </Menu.Item>
            )}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
