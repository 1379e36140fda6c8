import { useEffect } from 'react';
import { z } from 'zod';
import { catchOf } from '@/core/intake/catch';
import { CaughtColours } from '@/core/intake/caught-colours';
import { certain, intakeOf, taken } from '@/core/intake/intake';
import { useBrand } from '../store/brand-context';
import { earlierIn, useCatch } from '../store/catch-store';
import { tell } from '../notices';
import { pageId } from '../store/page-id';
import { request } from '../asked/request';

const Answer = z.object({ caught: z.array(CaughtColours) });

/** Puts colours that were sent by another page of this person, such as the phone's, into the catch; each sending once. */
export function useCaught(): void {
  const { id, caught } = useBrand((state) => ({ id: state.id, caught: state.caught }));
  useEffect(() => {
    let left = false;
    const take = async () => {
      const { caught: sent } = Answer.parse(await request(`/api/brands/${id}/caught`));
      if (left) return;
      for (const { id: sending, page, source, colours } of sent) {
        const { arrived, lines, append, arrive } = useCatch.getState();
        if (arrived.includes(sending)) continue;
        arrive(sending);
        if (page === pageId()) continue;
        const entries = colours.map(({ name, value }, at) => taken(certain(value), { name, line: at + 1 }));
        const reading = intakeOf('sent', [{ name: source, kind: 'loose', entries }]);
        append(source, { lines: catchOf(reading, earlierIn(lines)), problems: [] });
        tell(
          `${colours.length} ${colours.length === 1 ? 'colour' : 'colours'} of ${source} came from your other page; they are in the catch.`,
        );
      }
    };
    take().catch((error: unknown) => {
      // Out of reach: what was sent waits a day, and is asked for when the page hears of the next, or is opened again.
      if (!(error instanceof TypeError)) tell(`What your other page sent could not be fetched: ${(error as Error).message}`);
    });
    return () => {
      left = true;
    };
  }, [id, caught]);
}
