import { ToldMatch } from '@/core/screens/screen';
import { ask, consumerAt } from './consumer-at';
import { fail } from './failure';
import { printable } from './patch';

export interface MatchOptions {
  json?: boolean;
}

/** Says what a server knows of a brand's screens: for a build to stop at. Ends with 0 when all is identical, with 1 when not. */
export async function match(address: string, { json = false }: MatchOptions): Promise<void> {
  const { consumer, token } = consumerAt(address);
  const told = ToldMatch.safeParse(await ask(`${consumer}/match`, token));
  if (!told.success) fail(`${address} answers, but not as Breakwater does; look at the address.`, 1);
  const report = told.data!;
  if (json) process.stdout.write(`${JSON.stringify(report, null, 2)}\n`);
  else print(report);
  if (!report.identical) process.exitCode = 1;
}

function print({ brand, release, used, same, screens, differing, strays }: ToldMatch): void {
  const line = (text: string) => process.stdout.write(`${printable(text)}\n`);
  line(`${brand}, release ${release}: ${same} of ${used} colours are identical on every screen`);
  for (const { name, release: runs, readAt } of screens)
    line(`  ${name}: ${runs === null && readAt === null ? 'not read yet' : `runs release ${runs ?? release}`}`);
  for (const { token, screen, theme, wanted, found, distance, why, where } of differing)
    line(`  ${token} on ${screen}, ${theme}: ${wanted} wanted, ${found} found, ΔE ${distance.toFixed(1)}; ${why}; ${where}`);
  for (const { screen, theme, found, where, nearest, distance } of strays)
    line(`  ${found} on ${screen}, ${theme}: no token’s; ${where}; nearest is ${nearest}, ΔE ${distance.toFixed(1)}`);
}
