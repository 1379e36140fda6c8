'use client';

import { createToaster, Toast, Toaster } from '@chakra-ui/react';

const toaster = createToaster({ placement: 'bottom-start', max: 3, duration: 6_000 });

/** Tells the person one sentence. It stands over the strand, never over the colours being judged. */
export function tell(sentence: string): void {
  toaster.create({ description: sentence, type: 'info' });
}

export function Notices() {
  return (
    <Toaster toaster={toaster} insetInline={{ base: '4' }}>
      {(toast) => (
        <Toast.Root width="190px" fontSize="12.5px" bg="var(--ink)" color="var(--ground)" borderRadius="0" boxShadow="none">
          <Toast.Description flex="1">{toast.description}</Toast.Description>
          <Toast.CloseTrigger position="static" color="inherit" />
        </Toast.Root>
      )}
    </Toaster>
  );
}
