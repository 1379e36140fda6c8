import { Input } from '@chakra-ui/react';
import { useState } from 'react';

interface CommitInputProps {
  value: string;
  /** Called once with the new text, on Enter or when the focus leaves. When it answers false, the old text comes back. */
  onCommit: (value: string) => boolean;
  disabled?: boolean;
  mono?: boolean;
  label?: string;
}

/** A field whose text counts when it is finished; Escape gives the old one back. */
export function CommitInput({ value, onCommit, disabled = false, mono = false, label }: CommitInputProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const commit = () => {
    const text = draft?.trim();
    setDraft(null);
    if (text && text !== value) onCommit(text);
  };
  return (
    <Input
      size="xs"
      aria-label={label}
      fontFamily={mono ? 'mono' : 'body'}
      fontStretch={mono ? '75%' : undefined}
      value={draft ?? value}
      disabled={disabled}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (event.key === 'Escape') setDraft(null);
      }}
    />
  );
}
