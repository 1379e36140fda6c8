/** Ends the command with one clear line on stderr. Code 2: the input could not be used; 1: anything else. */
export function fail(message: string, code: 1 | 2 = 2): never {
  process.stderr.write(`breakwater: ${message}\n`);
  process.exit(code);
}
