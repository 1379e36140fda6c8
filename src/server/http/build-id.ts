import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { onePerProcess } from '../database/one-per-process';

/** Which build this is: pages are told, so that one that was left open over an update knows that it is older. */
export function buildId(): string {
  return onePerProcess('build', () => {
    if (process.env.NODE_ENV !== 'production') return 'from source';
    return readFileSync(join(/* turbopackIgnore: true */ process.cwd(), '.next/BUILD_ID'), 'utf8');
  });
}
