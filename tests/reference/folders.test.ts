/** Where a list has to name every file of a folder, what it forgot is named here. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import PROGRAMS from '../../stand-ins/programs.json';

/** Names of the modules that a list takes its members from. */
const namedBy = (list: string) => [...readFileSync(list, 'utf8').matchAll(/from '\.\/([^']+)'/g)].map(([, path]) => path!);
/** Modules of a folder that define a member, by a pattern of what such a module says. */
const definedIn = (folder: string, pattern: RegExp) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter(
      (path) => path.endsWith('.ts') && !path.endsWith('.test.ts') && pattern.test(readFileSync(`${folder}/${path}`, 'utf8')),
    )
    .map((path) => path.slice(0, -'.ts'.length));

test.each([
  ['FORMATS', 'src/core/formats', 'src/core/formats/registry.ts', /^export const \w+ = defineFormat\(/m],
  ['RULES', 'src/core/findings', 'src/core/findings/rules.ts', /^export const \w+: Rule = /m],
  ['READERS', 'src/core/intake', 'src/core/intake/readers.ts', /^export const \w+: Reader = /m],
])('%s names every file of %s', (_list, folder, list, pattern) => {
  const defined = definedIn(folder, pattern);
  expect(defined.length).toBeGreaterThan(10);
  expect(defined.filter((path) => !namedBy(list).includes(path))).toEqual([]);
});

test('every simulated screen has its page, is offered, and no other is', () => {
  const pages = readdirSync('stand-ins', { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && existsSync(`stand-ins/${entry.name}/${entry.name}.js`))
    .map(({ name }) => name);
  expect(Object.keys(PROGRAMS).sort()).toEqual(pages.sort());
});
