import { Command } from '@/core/brand/commands';
import type { Pending } from '@/core/brand/replica';

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
    localStorage.setItem(this.prefix + key, JSON.stringify({ order: this.order++, command }));
  }

  forget(key: string): void {
    localStorage.removeItem(this.prefix + key);
  }

  /** Everything kept, oldest first. An entry that cannot be read (another version's) is left where it is and counted. */
  all(): { pending: Pending[]; unreadable: number } {
    const found: { order: number; pending: Pending }[] = [];
    let unreadable = 0;
    for (const name of Object.keys(localStorage).filter((key) => key.startsWith(this.prefix))) {
      const entry = JSON.parse(localStorage.getItem(name)!) as { order: number; command: unknown };
      const command = Command.safeParse(entry.command);
      if (command.success)
        found.push({ order: entry.order, pending: { key: name.slice(this.prefix.length), command: command.data } });
      else unreadable++;
    }
    found.sort((one, two) => one.order - two.order);
    return { pending: found.map(({ pending }) => pending), unreadable };
  }
}
