import { z } from 'zod';
import { storedCommand, type Command } from './commands';

/** A change as every page is told of it: with who made it, and when. */
export interface ToldChange {
  /** Place in the brand's log, counting from 1. */
  readonly seq: number;
  readonly key: string;
  /** Of the shape that the command has. */
  readonly version: number;
  readonly command: Command;
  readonly by: string;
  /** ISO 8601, in UTC. */
  readonly at: string;
}

const Frame = z.object({
  seq: z.int().min(1),
  key: z.string(),
  version: z.int().min(1),
  command: z.unknown(),
  by: z.string(),
  at: z.iso.datetime(),
});

/** What a page was told, as a change; null when it is none that this version understands. */
export function readToldChange(data: unknown): ToldChange | null {
  const frame = Frame.safeParse(data);
  if (!frame.success) return null;
  const command = storedCommand(frame.data.command, frame.data.version);
  return command.success ? { ...frame.data, command: command.data } : null;
}
