import { Input } from '@chakra-ui/react';
import { useState } from 'react';

interface CommitInputProps {
  value: string;
  /** Called once with the new text, on Enter or when the focus leaves. */
  onCommit: (value: string) => boolean;
  disabled?: boolean;
  mono?: boolean;
  /** `plain` reads as the heading it stands in, until it is touched. */
  look?: 'field' | 'plain';
  label?: string;
  autoFocus?: boolean;
  /** Given, the field may be emptied; says what an empty one means. */
  placeholder?: string | undefined;
  /** Id of a list of proposals. */
  list?: string;
}

const PLAIN = {
  variant: 'flushed',
  font: 'inherit',
  letterSpacing: 'inherit',
  height: 'auto',
  borderColor: 'transparent',
  style: { fieldSizing: 'content' },
} as const;

/** A field whose text counts when it is finished; Escape gives the old one back. */
export function CommitInput({
  value,
  onCommit,
  disabled = false,
  mono = false,
  look = 'field',
  label,
  autoFocus = false,
  placeholder,
  list,
}: CommitInputProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const commit = () => {
    const text = draft?.trim();
    setDraft(null);
    if (text !== undefined && text !== value && (text !== '' || placeholder !== undefined)) onCommit(text);
  };
  return (
    <Input
      size="xs"
      fontFamily={mono ? 'mono' : 'body'}
      fontStretch={mono ? '75%' : undefined}
      {...(look === 'plain' && PLAIN)}
      aria-label={label}
      value={draft ?? value}
      autoFocus={autoFocus}
      disabled={disabled}
      placeholder={placeholder}
      list={list}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (event.key === 'Escape') setDraft(null);
      }}
    />
  );
}
