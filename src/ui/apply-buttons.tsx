import { Button } from '@chakra-ui/react';
import { memo } from 'react';
import type { Command } from '@/core/brand/commands/commands';
import { useBrand, useBrandStore, useMayEdit } from './store/brand-context';
import css from './apply-buttons.module.css';

interface ApplyProps {
  /** What to do, where it is more than what is on trial; null when there is nothing to do. */
  command?: Command | null;
  /** What was on trial has been applied, or is to be let go. */
  onDone: (applied: boolean) => void;
}

/** What is on trial becomes an edit, or is let go. Drawn anew only when there is something to apply, or no longer. */
export const ApplyButtons = memo(function ApplyButtons({ command, onDone }: ApplyProps) {
  const store = useBrandStore();
  const trying = useBrand((state) => state.trial !== null);
  const mayEdit = useMayEdit();
  const ready = command === undefined ? trying : command !== null;
  return (
    <>
      <span className={css.before}>
        hold <kbd>B</kbd> for before
      </span>
      <Button size="xs" variant="outline" disabled={!ready} onClick={() => onDone(false)}>
        Cancel
      </Button>
      <Button
        size="xs"
        disabled={!ready || !mayEdit}
        onClick={() => {
          const { trial, run } = store.getState();
          const edit = command ?? trial;
          if (edit && run(edit)) onDone(true);
        }}
      >
        Apply
      </Button>
    </>
  );
});
