import { program } from '@/cli/program';

/** What a command ended with and what it wrote. */
export interface Ended {
  readonly status: number;
  readonly stdout: string;
  readonly stderr: string;
}

/** Runs a command of Breakwater's command line in this process; what it writes is caught. */
export async function breakwater(...args: string[]): Promise<Ended> {
  const written = { stdout: '', stderr: '' };
  const spies = (['stdout', 'stderr'] as const).map((stream) =>
    jest.spyOn(process[stream], 'write').mockImplementation((chunk) => {
      written[stream] += String(chunk);
      return true;
    }),
  );
  try {
    await program.parseAsync(args, { from: 'user' });
    return { status: Number(process.exitCode ?? 0), ...written };
  } finally {
    process.exitCode = undefined;
    for (const spy of spies) spy.mockRestore();
  }
}
