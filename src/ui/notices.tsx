'use client';

import { createToaster, Toast, Toaster } from '@chakra-ui/react';

/** What can still be put right stands longer, in milliseconds. */
const REMEDY_MS = 30_000;

const toaster = createToaster({ placement: 'bottom-start', max: 3, duration: 6_000 });

/** Something that can be done about what is told, at a press. */
export interface Remedy {
  readonly words: string;
  readonly run: () => void;
}

/** Tells the person one sentence. It stands over the strand, never over the colours being judged. */
export function tell(sentence: string, remedy?: Remedy): void {
  toaster.create({
    description: sentence,
    type: 'info',
    ...(remedy && { action: { label: remedy.words, onClick: remedy.run }, duration: REMEDY_MS }),
  });
}

export function Notices() {
  return (
    <Toaster toaster={toaster} insetInline={{ base: '4' }}>
      {(toast) => (
        <Toast.Root width="190px" fontSize="12.5px" bg="var(--ink)" color="var(--ground)" borderRadius="0" boxShadow="none">
          <Toast.Description flex="1">
            {toast.description}
            {toast.action && (
              <Toast.ActionTrigger color="inherit" padding="0" marginTop="6px" textDecoration="underline">
                {toast.action.label}
              </Toast.ActionTrigger>
            )}
          </Toast.Description>
          <Toast.CloseTrigger position="static" color="inherit" />
        </Toast.Root>
      )}
    </Toaster>
  );
}
