import { Checkbox } from '@chakra-ui/react';
import type { ReactNode } from 'react';

interface TickProps {
  readonly checked: boolean;
  readonly disabled?: boolean;
  readonly onTick: (checked: boolean) => void;
  readonly children: ReactNode;
}

/** A box to be ticked, with its words beside it. */
export function Tick({ checked, disabled = false, onTick, children }: TickProps) {
  return (
    <Checkbox.Root size="sm" checked={checked} disabled={disabled} onCheckedChange={(change) => onTick(change.checked === true)}>
      <Checkbox.HiddenInput />
      <Checkbox.Control />
      <Checkbox.Label>{children}</Checkbox.Label>
    </Checkbox.Root>
  );
}
