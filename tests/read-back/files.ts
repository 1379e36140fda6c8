/** What every reader stands on: the written files, laid out for other programs, and what those give back. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import ts from 'typescript';
import type { Page } from 'puppeteer-core';
import { textFile, type WrittenFile } from '@/core/formats/kit/format';
import { eightDigits, type ReadValue } from './colours';

/** A name as the file has it, and the colour as `rrggbbaa`. */
export type Pair = readonly [name: string, colour: string];

export interface Reader {
  /** The consumer or parser, named for the table. */
  readonly by: string;
  /** What the file is for: every token in every theme, the parts of a chart, the sixteen of a terminal, or swatches. */
  readonly holds: 'tokens' | 'chart' | 'terminal' | 'office' | 'swatches';
  /** The colour it cannot hold: it is written laid over the ground, or opaque. */
  readonly opaque?: boolean;
  /** A list a theme, in the themes' order; a list a palette for swatches. */
  readonly read: (files: readonly WrittenFile[], themes: readonly Theme[], page: Page) => Promise<Pair[][]> | Pair[][];
}

export interface Theme {
  /** The theme's word in files. */
  readonly word: string;
}

export const text = ({ bytes }: WrittenFile) => new TextDecoder().decode(bytes);
export const fileEnding = (files: readonly WrittenFile[], ending: string) => files.find(({ path }) => path.endsWith(ending))!;
export const pairs = (list: readonly (readonly [string, ReadValue])[]): Pair[] =>
  list.map(([name, value]) => [name, eightDigits(value)]);
/** The file of each theme, by its word at the end of the name. */
export const perTheme = (files: readonly WrittenFile[], themes: readonly Theme[], ending: string) =>
  themes.map(({ word }) => files.find(({ path }) => basename(path).endsWith(`${word}${ending}`))!);

/** Files laid into a folder of their own. */
export function laid(files: readonly WrittenFile[]): { folder: string; at: (file: WrittenFile) => string } {
  const folder = mkdtempSync(join(tmpdir(), 'breakwater-read-'));
  for (const { path, bytes } of files) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), bytes);
  }
  return { folder, at: ({ path }) => join(folder, path) };
}

/** A package installed by npm from its file, as a front end would, without asking any registry. */
export function installed(file: WrittenFile): { folder: string; name: string } {
  const { folder, at } = laid([file, textFile('package.json', 'application/json', '{ "name": "front-end", "private": true }')]);
  execFileSync('npm', ['install', '--offline', '--no-audit', '--no-fund', '--ignore-scripts', at(file)], {
    cwd: folder,
    stdio: 'pipe',
    // What tells npm of the project that runs the tests does not count here.
    env: { NODE_ENV: process.env.NODE_ENV, PATH: process.env.PATH, HOME: folder, npm_config_cache: join(folder, 'cache') },
  });
  const { dependencies } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as {
    dependencies: Record<string, string>;
  };
  return { folder, name: Object.keys(dependencies)[0]! };
}

export type Read = [string, ReadValue][];

/** Python's standard library: tests/read-back/foreign.py. */
export function python<T = Read>(kind: string, files: readonly WrittenFile[]): T[] {
  const { at } = laid(files);
  const output = execFileSync('python3', ['tests/read-back/foreign.py', kind, ...files.map(at)], { maxBuffer: 1 << 26 });
  return JSON.parse(output.toString()) as T[];
}

/** Documents that are valid against the schema they come with, and not with one digit less. */
export function valid(files: readonly WrittenFile[], documents: readonly WrittenFile[]): readonly WrittenFile[] {
  const broken = textFile('broken.xml', 'application/xml', text(documents[0]!).replace(/>#[0-9a-f]{6}</, '>#12345<'));
  const { at } = laid([...files, broken]);
  const check = (list: readonly WrittenFile[]) =>
    execFileSync('xmllint', ['--noout', '--nonet', '--schema', at(fileEnding(files, '.xsd')), ...list.map(at)], {
      stdio: 'pipe',
    });
  check(documents);
  expect(() => check([broken])).toThrow();
  return documents;
}

/** A module of the files, as Node loads it. CommonJS, so that it can be loaded here. */
export function loaded(file: WrittenFile): Record<string, unknown> {
  const source = ts.transpileModule(text(file), {
    compilerOptions: { module: ts.ModuleKind.CommonJS, target: ts.ScriptTarget.ES2022 },
  });
  const { folder } = laid([{ ...file, path: 'module.cjs', bytes: new TextEncoder().encode(source.outputText) }]);
  return createRequire(__filename)(join(folder, 'module.cjs')) as Record<string, unknown>;
}

/** What TypeScript has to say of a module and of what it imports. Without a page's own types, which are most of the work. */
export function typeErrors(path: string): { readonly code: number; readonly text: string }[] {
  const program = ts.createProgram([path], {
    strict: true,
    noEmit: true,
    target: ts.ScriptTarget.ES2022,
    lib: ['lib.es2022.d.ts'],
    skipDefaultLibCheck: true,
    types: [],
  });
  return ts
    .getPreEmitDiagnostics(program)
    .map(({ code, messageText }) => ({ code, text: ts.flattenDiagnosticMessageText(messageText, ' ') }));
}

/** Every text in nested objects, in order. */
export function leaves(value: unknown, path: readonly string[] = []): Read {
  if (typeof value === 'string') return [[path.join('.'), value]];
  return Object.entries(value as object).flatMap(([key, inner]) => leaves(inner, [...path, key]));
}

export const schema = (file: WrittenFile) => JSON.parse(text(file)) as unknown;
