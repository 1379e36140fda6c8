import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex]:not([tabindex="-1"])';

/** A dialog that closes gives the focus back by itself, within so many milliseconds. */
const GIVEN_BACK_MS = 80;

/**
 * Whoever works with keys never stands nowhere: when what has the focus is deleted, moved away, hidden or switched off, the focus
 * goes to what stands in its place, or to the stage.
 */
export function useFocusKept(): void {
  useEffect(() => {
    let last: HTMLElement | null = null;
    /** Where it stood: each element around it, from the nearest, with the place among its children. */
    let around: { readonly parent: Element; readonly at: number }[] = [];
    let later: ReturnType<typeof setTimeout> | undefined;
    const remember = ({ target }: FocusEvent) => {
      last = target as HTMLElement;
      around = [];
      for (let child: Element = last; child.parentElement; child = child.parentElement)
        around.push({ parent: child.parentElement, at: [...child.parentElement.children].indexOf(child) });
    };
    const isGone = () => last !== null && (!last.isConnected || last.matches(':disabled') || !isSeen(last));
    const giveBack = () => {
      if (document.activeElement !== document.body || !isGone()) return;
      const stage = document.getElementById('stage')!;
      for (const { parent, at } of around) {
        if (!parent.isConnected || !isSeen(parent)) continue;
        if (parent.contains(stage)) break;
        const place = placeIn(parent, at);
        if (place) return place.focus({ preventScroll: true });
      }
      stage.focus({ preventScroll: true });
    };
    const look = () => {
      if (document.activeElement !== document.body || !isGone()) return;
      clearTimeout(later);
      later = setTimeout(giveBack, GIVEN_BACK_MS);
    };
    const observer = new MutationObserver(look);
    observer.observe(document.body, { childList: true, subtree: true, attributeFilter: ['disabled'] });
    const onOut = () => setTimeout(look);
    document.addEventListener('focusin', remember);
    document.addEventListener('focusout', onOut);
    return () => {
      observer.disconnect();
      clearTimeout(later);
      document.removeEventListener('focusin', remember);
      document.removeEventListener('focusout', onOut);
    };
  }, []);
}

function isSeen(element: Element): boolean {
  return element.checkVisibility({ visibilityProperty: true });
}

/** What can be focused in the place of a child that is gone: what moved up there, or else what stands before it. */
function placeIn(parent: Element, at: number): HTMLElement | null {
  const children = [...parent.children];
  for (const child of [...children.slice(at), ...children.slice(0, at).reverse()]) {
    const found = [child, ...child.querySelectorAll(FOCUSABLE)].find((element) => element.matches(FOCUSABLE) && isSeen(element));
    if (found) return found as HTMLElement;
  }
  return null;
}
