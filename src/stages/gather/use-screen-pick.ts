import { useEffect, useRef, useState } from 'react';
import { catchOf } from '@/core/intake/catch';
import { intakeOf, certain, taken } from '@/core/intake/intake';
import { earlierIn, useCatch } from '@/ui/store/catch-store';
import { isTyping } from '@/ui/keys/typing';

/** The browser's own picker, EyeDropper API (WICG); not every browser has one. */
type EyeDropper = new () => { open: () => Promise<{ sRGBHex: string }> };

/** Picks colours off the screen, one after the other, until Escape; each is in the catch at once. */
export function useScreenPick() {
  const [problem, setProblem] = useState('');
  const picking = useRef(false);
  const start = async () => {
    const { EyeDropper: Picker } = window as { EyeDropper?: EyeDropper };
    if (!Picker) {
      setProblem('This browser cannot pick from the screen. Take a screenshot and paste it here with Ctrl+V instead.');
      return;
    }
    if (picking.current) return;
    picking.current = true;
    setProblem('');
    try {
      for (;;) {
        const { sRGBHex } = await new Picker().open();
        const { lines, append } = useCatch.getState();
        const entry = taken(certain(sRGBHex.toLowerCase()), { line: lines.length + 1 });
        append('the screen', {
          lines: catchOf(intakeOf('screen', [{ name: 'Picked', kind: 'loose', entries: [entry] }]), earlierIn(lines)),
          problems: [],
        });
      }
    } catch (error) {
      // Escape ends the picking; a browser that wants a fresh click for each colour says NotAllowedError.
      const name = error instanceof DOMException ? error.name : '';
      if (name === 'NotAllowedError') setProblem('This browser wants a fresh key for each colour: press P for the next one.');
      else if (name !== 'AbortError') throw error;
    } finally {
      picking.current = false;
    }
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== 'p' || isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      void start();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return { problem, start };
}
