import { useCallback, type ComponentProps, type MouseEvent } from 'react';
import { useBrand } from './store/brand-context';
import type { StageId } from './frame/stages';

/**
 * Goes to another stage of the brand. All stages are in the page already, so nothing is asked of the server: it is
 * instant, and works while the server is out of reach.
 */
export function useGoTo(): (stage: StageId) => void {
  const id = useBrand((state) => state.id);
  return useCallback(
    (stage) => {
      const address = `/brand/${id}/${stage}`;
      if (window.location.pathname !== address) window.history.pushState(null, '', address);
    },
    [id],
  );
}

/** A link to a stage; opened in another tab it is an ordinary link. */
export function StageLink({ stage, ...rest }: { stage: StageId } & Omit<ComponentProps<'a'>, 'href' | 'onClick'>) {
  const id = useBrand((state) => state.id);
  const goTo = useGoTo();
  const onClick = (event: MouseEvent) => {
    if (event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    goTo(stage);
  };
  return <a {...rest} href={`/brand/${id}/${stage}`} onClick={onClick} />;
}
