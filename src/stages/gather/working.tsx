import { Button, Progress } from '@chakra-ui/react';
import css from './gather.module.css';

interface Props {
  label: string;
  /** 0..1; at 0 nobody knows how long it takes. */
  share: number;
  onStop: () => void;
}

/** How far a long work is, and what stops it. What is done in a moment shows none of it. */
export function Working({ label, share, onStop }: Props) {
  return (
    <div className={css.progress}>
      <Progress.Root value={share > 0 ? share * 100 : null} size="xs" flex="1">
        <Progress.Track aria-label={label}>
          <Progress.Range bg="var(--ink)" />
        </Progress.Track>
      </Progress.Root>
      <Button size="2xs" variant="outline" onClick={onStop}>
        Stop
      </Button>
    </div>
  );
}
