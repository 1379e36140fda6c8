import { storedCommand } from '@/core/brand/commands/commands';
import type { Pending } from '@/core/brand/commands/replica';
import { COMMAND_VERSION } from '@/core/brand/document/versions';
import { z } from 'zod';

/** What stands on the disk for one edit. Those who wrote no version were of the first. */
const Entry = z.object({ order: z.number(), version: z.int().min(1).default(1), command: z.unknown() });

/**
 * Edits the server has not acknowledged, on this browser's disk, so that a closed tab or a lost server loses nothing.
 * Written before anything else happens to the edit. Every tab may send all of them: the server knows each by its key.
 */
export class QueueStorage {
  private readonly prefix: string;
  private order = Date.now();

  constructor(person: string, brand: string) {
    this.prefix = `breakwater/${person}/${brand}/`;
  }

  /** @throws DOMException when the disk's share for this site is full. */
  keep({ key, command }: Pending): void {
    localStorage.setItem(this.prefix + key, JSON.stringify({ order: this.order++, version: COMMAND_VERSION, command }));
  }

  forget(key: string): void {
    localStorage.removeItem(this.prefix + key);
  }

  /** Everything kept, oldest first. An entry that cannot be read (another version's) is left where it is and counted. */
  all(): { pending: Pending[]; unreadable: number } {
    const found: { order: number; pending: Pending }[] = [];
    let unreadable = 0;
    for (const name of Object.keys(localStorage).filter((key) => key.startsWith(this.prefix))) {
      const entry = Entry.safeParse(parsed(localStorage.getItem(name)!));
      const command = entry.success && storedCommand(entry.data.command, entry.data.version);
      if (command && command.success)
        found.push({ order: entry.data.order, pending: { key: name.slice(this.prefix.length), command: command.data } });
      else unreadable++;
    }
    found.sort((one, two) => one.order - two.order);
    return { pending: found.map(({ pending }) => pending), unreadable };
  }
}

/** JSON, or null for a text that is none. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // Counted as one that cannot be read, like any other.
    return null;
  }
}
