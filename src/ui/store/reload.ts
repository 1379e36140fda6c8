/** When this page last loaded itself again, in its session's store. */
const NOTE = 'breakwater/loaded-again';
/** A page that cannot follow after it was loaded again will not by being loaded a third time, for so long (milliseconds). */
const PAUSE_MS = 60_000;

/**
 * Loads the page again, for what it was made of is no longer what the server has. Edits wait on the disk.
 * @returns false when it did so a moment ago: then something else is wrong
 */
export function loadAgain(): boolean {
  if (Date.now() - Number(sessionStorage.getItem(NOTE) ?? 0) < PAUSE_MS) return false;
  sessionStorage.setItem(NOTE, String(Date.now()));
  location.reload();
  return true;
}

/**
 * A part of the application that is fetched when it is wanted. When it cannot be had though the server answers, it belongs to an
 * earlier build and is gone: the page is loaded again, of the present one.
 */
export async function partOfPage<T>(load: () => Promise<T>): Promise<T> {
  try {
    return await load();
  } catch (error) {
    const answer = await fetch('/icon.svg', { cache: 'no-store' }).catch(() => null);
    if (answer?.ok) loadAgain();
    throw error;
  }
}
