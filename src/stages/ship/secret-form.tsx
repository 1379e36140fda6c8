import { Button, Input } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';
import { Copyable } from '@/ui/readout/copyable';
import css from './ship.module.css';

interface Props {
  /** What the line is called, what it may look like, and how many characters it has at most. */
  label: string;
  placeholder: string;
  most: number;
  /** What the button says. */
  does: string;
  /** Whether all else is chosen as it must be. */
  ready: boolean;
  /** Said above the secret. */
  told: string;
  send: (text: string) => Promise<{ secret: string }>;
  /** Does something to the list that is shown below. */
  act: (work: () => Promise<unknown>) => Promise<void>;
  /** What else is chosen. */
  children: ReactNode;
}

/** Makes something that has a secret, and shows the secret this once. */
export function SecretForm({ label, placeholder, most, does, ready, told, send, act, children }: Props) {
  const [text, setText] = useState('');
  const [made, setMade] = useState<string | null>(null);
  const make = () =>
    act(async () => {
      const { secret } = await send(text);
      setMade(secret);
      setText('');
    });
  return (
    <>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <Input
          size="xs"
          value={text}
          maxLength={most}
          aria-label={label}
          placeholder={placeholder}
          onChange={({ target }) => setText(target.value)}
        />
        {children}
        <Button size="xs" type="submit" disabled={text.trim() === '' || !ready}>
          {does}
        </Button>
      </form>
      {made && (
        <div className={css.made} role="status">
          {told} Copy it now; it is not shown again.
          <Copyable text={made} />
        </div>
      )}
    </>
  );
}
