import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build as esbuild } from 'esbuild';
import { run } from './step';

const SOURCES = ['src', 'next.config.ts', 'tsconfig.json', 'package-lock.json'];
const STAMP = '.next/breakwater-source';

/** Builds the application, unless it was built from just these sources. @returns whether it had to. */
export async function build(): Promise<boolean> {
  const now = fingerprint();
  if (existsSync('.next/BUILD_ID') && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === now) return false;
  await run('node', ['node_modules/next/dist/bin/next', 'build'], { env: { NODE_ENV: 'production' } });
  await buildPrograms();
  writeFileSync(STAMP, now);
  return true;
}

/** The server's own program. */
export const SERVER = '.next/server.mjs';

/** What Next.js does not bundle: the server's own program, what writes files, what decodes files of strangers, and what runs in pages of others. */
export async function buildPrograms(): Promise<void> {
  const common = { bundle: true, platform: 'node', format: 'esm', logLevel: 'error' } as const;
  await esbuild({ ...common, entryPoints: ['src/server/http/main.ts'], outfile: SERVER, packages: 'external' });
  await esbuild({
    ...common,
    entryPoints: ['src/server/writing/writer.program.ts'],
    outfile: '.next/writer.mjs',
    mainFields: ['module', 'main'],
    // Packages that ask for others the old way.
    banner: { js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);" },
    external: ['sharp', 'exceljs', 'workerpool'],
  });
  // For pages of others.
  await esbuild({
    entryPoints: ['src/reader/reader.ts'],
    outfile: '.next/reader.js',
    bundle: true,
    minify: true,
    format: 'esm',
    target: 'es2022',
    logLevel: 'error',
  });
  await esbuild({
    ...common,
    entryPoints: ['src/server/writing/foreign.program.ts'],
    outfile: '.next/foreign.mjs',
    packages: 'external',
  });
}

function fingerprint(): string {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    const files = source.includes('.') ? [source] : filesBelow(source);
    for (const file of files) hash.update(file).update('\0').update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))
    .sort();
}
