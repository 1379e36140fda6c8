import { spawn } from 'node:child_process';

/** Does one step of a script and prints its name and how long it took, with what the step has to say. */
export async function step<T>(name: string, work: () => Promise<T>, say?: (result: T) => string): Promise<T> {
  process.stdout.write(`${name} ... `);
  return timed(work, '', say);
}

/** As `step`, for steps that run beside each other: the line is printed when the step is done. */
export function stepBeside<T>(name: string, work: () => Promise<T>, say?: (result: T) => string): Promise<T> {
  return timed(work, `${name} ... `, say);
}

async function timed<T>(work: () => Promise<T>, before: string, say?: (result: T) => string): Promise<T> {
  const started = performance.now();
  try {
    const result = await work();
    const words = say?.(result) ?? '';
    process.stdout.write(`${before}${((performance.now() - started) / 1000).toFixed(1)} s${words && `  ${words}`}\n`);
    return result;
  } catch (error) {
    process.stdout.write(`${before}failed\n`);
    throw error;
  }
}

export interface RunOptions {
  readonly env?: Readonly<Record<string, string>>;
  /** Run as this system user; the script itself must then run as root. */
  readonly user?: string | undefined;
}

/** Runs a command to its end. @returns what it printed. @throws with that output when it fails. */
export function run(command: string, args: readonly string[], { env, user }: RunOptions = {}): Promise<string> {
  const [program, all] = user ? ['runuser', ['-u', user, '--', command, ...args]] : [command, args];
  return new Promise((resolve, reject) => {
    const child = spawn(program, all, { env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    child.stdout.on('data', (chunk: Buffer) => (output += chunk.toString()));
    child.stderr.on('data', (chunk: Buffer) => (output += chunk.toString()));
    child.on('error', reject);
    child.on('close', (code) => (code === 0 ? resolve(output) : reject(new Error(`${command} failed:\n${output.trim()}`))));
  });
}
