import { spawn, type ChildProcess } from 'node:child_process';
import { SERVER } from './build';

/**
 * Megabytes for what was made just now. Node's own 16 are full after one answer, and what is thrown away a moment later is
 * then carried over first.
 */
export const ROOM_FOR_THE_NEW = '--max-semi-space-size=64';

/**
 * Starts the application on 127.0.0.1 as a process of its own, and waits until it answers.
 * @param hear told what it says, which otherwise is said on
 */
export async function serve(
  port: number,
  env: Readonly<Record<string, string>>,
  dev = false,
  hear?: (said: string) => void,
): Promise<ChildProcess> {
  const child = spawn(process.execPath, [ROOM_FOR_THE_NEW, SERVER], {
    env: { ...process.env, ...env, PORT: String(port), NODE_ENV: dev ? 'development' : 'production' },
    stdio: ['ignore', dev ? 'inherit' : 'ignore', hear ? 'pipe' : 'inherit'],
  });
  if (hear) child.stderr!.on('data', (said: Buffer) => hear(said.toString()));
  const deadline = Date.now() + 60_000;
  while (Date.now() < deadline) {
    if (child.exitCode !== null) throw new Error('The server ended at once; its last lines above say why.');
    if (await answers(port)) return child;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  child.kill();
  throw new Error('The server did not answer within a minute.');
}

async function answers(port: number): Promise<boolean> {
  try {
    return (await fetch(`http://127.0.0.1:${port}/icon.svg`)).ok;
  } catch {
    // Not listening yet.
    return false;
  }
}

/** How long a server that was asked to end may take, in milliseconds; it ends itself by force a little earlier. */
const PATIENCE_MS = 6_000;

/** Ends a server, by force if it will not, and waits until it has gone. @returns its exit code; null when it was killed */
export function end(child: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<number | null> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve(child.exitCode);
  return new Promise((resolve) => {
    const force = setTimeout(() => child.kill('SIGKILL'), PATIENCE_MS);
    child.once('exit', (code) => {
      clearTimeout(force);
      resolve(code);
    });
    child.kill(signal);
  });
}
