import { newId } from '@/core/brand/document/identity';

const NAME = 'breakwater-page';

/** Another for every page that is open, the same when it is loaded again. */
export function pageId(): string {
  const known = sessionStorage.getItem(NAME);
  if (known) return known;
  const made = newId();
  sessionStorage.setItem(NAME, made);
  return made;
}
