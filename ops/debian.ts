import { existsSync } from 'node:fs';
import { run } from './step';

/** Installs Debian packages. Only root can; anybody else is told the command. */
export async function install(...packages: string[]): Promise<void> {
  if (process.getuid?.() !== 0) {
    throw new Error(`Missing on this machine: ${packages.join(', ')}. Run as root: apt-get install ${packages.join(' ')}`);
  }
  // A package that brings a server is not to start it (invoke-rc.d asks for the runlevel).
  const env = { DEBIAN_FRONTEND: 'noninteractive', RUNLEVEL: '1' };
  await run('apt-get', ['update', '-qq'], { env });
  await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], { env });
}

/** Installs the package when the file it brings is not there. @returns whether it had to. */
export async function ensure(file: string, debianPackage: string): Promise<boolean> {
  if (existsSync(file)) return false;
  await install(debianPackage);
  return true;
}
