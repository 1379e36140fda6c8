import { printable } from './patch';

/**
 * What a command ends with, for builds to go by.
 * 1 something outside failed (disk, network); 2 the input could not be used; 3 the server refused; 4 files differ (--check)
 */
export type ExitCode = 1 | 2 | 3 | 4;

/** Ends the command with one clear line on stderr. */
export class Failure extends Error {
  constructor(
    message: string,
    readonly code: ExitCode = 2,
  ) {
    super(message);
  }
}

export function fail(message: string, code: ExitCode = 2): never {
  throw new Failure(message, code);
}

/** Runs a command; what it fails with goes to stderr in one line. */
export async function ending(command: () => Promise<void> | void): Promise<void> {
  try {
    await command();
  } catch (error) {
    if (!(error instanceof Failure)) throw error;
    tell(error.message);
    process.exitCode = error.code;
  }
}

/** One line for people, beside what the command writes; names from files and servers in it are harmless. */
export function tell(message: string): void {
  process.stderr.write(`breakwater: ${printable(message)}\n`);
}
