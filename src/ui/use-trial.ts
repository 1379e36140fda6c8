import { useEffect, useEffectEvent } from 'react';
import type { Command } from '@/core/brand/commands/commands';
import { useBrandStore } from './store/brand-context';
import { isTyping } from './keys/typing';

/**
 * Shows what a command would give for as long as the tool is open, without doing it; while B is held, what was before.
 * `null` is nothing to show.
 */
export function useTrial(command: Command | null): void {
  const store = useBrandStore();
  const show = useEffectEvent(() => store.getState().tryOut(command));
  useEffect(() => {
    store.getState().tryOut(command);
  }, [store, command]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // A slider that was just moved still has the focus.
      const slider = event.target instanceof HTMLInputElement && event.target.type === 'range';
      if (event.key.toLowerCase() !== 'b' || (isTyping(event.target) && !slider) || event.ctrlKey || event.metaKey) return;
      if (event.type === 'keyup') show();
      else if (!event.repeat) store.getState().tryOut(null);
    };
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKey);
      store.getState().tryOut(null);
    };
  }, [store]);
}
