import { gzipSync } from 'fflate';
import { createTar } from 'nanotar';
import { z } from 'zod';
import { slug } from '../../base/words';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import type { Finding } from '../../findings/finding';
import { css } from '../frameworks/css';
import { javascript } from '../frameworks/javascript';
import { indexText, moduleOptions, moduleThemes } from '../frameworks/script-module';
import { chosen, prefix } from '../kit/choices';
import { defineFormat, type Format, type WrittenFile } from '../kit/format';
import { unmarked } from '../kit/marks';
import { chosenTokens } from '../kit/material';
import { about } from '../kit/options';
import { dtcg } from '../tokens/dtcg';

/** Of files in an archive: 1985-10-26, which packages have by common practice, so that equal files give an equal archive. */
const MADE_MS = 499_162_500_000;

/**
 * A package as `npm pack` makes it: a tar (POSIX.1-1988, ustar) in gzip whose files lie below `package/`, with the `package.json` that npm's
 * documentation describes. What is exported is found by importers, by `require` and by TypeScript alike (Node.js, "Packages", conditional exports).
 */
export const npmPackage = defineFormat({
  id: 'npm-package',
  title: 'Package (npm)',
  family: 'style framework',
  extensions: ['.tgz'],
  purpose:
    'For a front end that installs its colours like anything else: style sheet, modules with their types, and design tokens, under the version of the release.',
  readBy: 'Front ends that install packages',
  reload: 'build',
  options: z.strictObject({
    name: z
      .string()
      .max(100)
      .regex(
        /^(?:(?:@[a-z0-9-][a-z0-9._-]*\/)?[a-z0-9-][a-z0-9._-]*)?$/,
        'The name of a package is lower-case letters, digits and hyphens, such as colours or @harbour/colours.',
      )
      .default('')
      .meta(about({ title: 'Name of the package', description: 'the brand’s, with -colours' })),
    prefix,
    ...chosen,
  }),
  tokensWritten: chosenTokens,
  write(brand, themes, options, version) {
    const { prefix: before, group, without, themes: wanted } = options;
    const choice = { prefix: before, group, without, themes: wanted };
    const name = options.name || `${slug(brand.name)}-colours`;
    const findings: Finding[] = [];
    const textOf = (format: Format, choices: object) => {
      const { files, findings: found } = format.write(brand, themes, format.options.parse(choices), version);
      for (const one of found) if (!findings.some(({ message }) => message === one.message)) findings.push(one);
      return files;
    };
    const only = ([file]: readonly WrittenFile[]) => file?.bytes ?? new Uint8Array();
    const files: [path: string, content: string | Uint8Array][] = [
      ['package.json', `${JSON.stringify(description(name, version, brand), null, 2)}\n`],
      ['README.md', readme(name, version, brand, themes)],
      ['colours.css', only(textOf(css, choice))],
      ['index.js', only(textOf(javascript, choice))],
      ['index.cjs', only(textOf(javascript, { ...choice, modules: 'commonjs' }))],
      ['index.d.ts', typesOf(brand, themes, choice)],
      ...textOf(dtcg, { themes: wanted }).map(({ path, bytes }): [string, Uint8Array] => [
        `tokens/${path
          .split('/')
          .at(-1)!
          .replace(`${slug(brand.name)}-`, '')}`,
        bytes,
      ]),
    ];
    const tar = createTar(
      files.map(([path, content]) => ({
        name: `package/${path}`,
        data: typeof content === 'string' ? new TextEncoder().encode(content) : content,
      })),
      { attrs: { mtime: MADE_MS, uid: 0, gid: 0, mode: '644' } },
    );
    const file = `${name.replace(/^@/, '').replace('/', '-')}.tgz`;
    return {
      files: [{ path: `packages/${file}`, mediaType: 'application/gzip', bytes: gzipSync(tar, { mtime: MADE_MS }) }],
      findings,
    };
  },
});

function description(name: string, version: string, brand: Brand): object {
  return {
    name,
    version,
    description: `Colours of ${brand.name}`,
    type: 'module',
    main: './index.cjs',
    module: './index.js',
    types: './index.d.ts',
    exports: {
      '.': { types: './index.d.ts', import: './index.js', require: './index.cjs' },
      './colours.css': './colours.css',
      './tokens/*': './tokens/*',
      './package.json': './package.json',
    },
    sideEffects: ['*.css'],
    license: 'UNLICENSED',
  };
}

/** An object literal of texts is a type as well: that of just these texts. */
function typesOf(brand: Brand, themes: readonly Theme[], choice: object): string {
  const { modules } = moduleThemes(brand, themes, moduleOptions.parse(choice));
  const constants = modules.map(({ name, object }) => `export declare const ${name}: ${unmarked(object).text};\n`);
  const index = indexText(modules).replace(/: (\w+)/g, ': typeof $1');
  return `${constants.join('\n')}\nexport declare const themes: ${index};\nexport type ThemeName = keyof typeof themes;\nexport default themes;\n`;
}

function readme(name: string, version: string, brand: Brand, themes: readonly Theme[]): string {
  return `# ${brand.name}: colours, ${version}

    import themes from '${name}';
    import '${name}/colours.css';

Themes: ${themes.map((theme) => theme.name).join(', ')}. Design tokens lie in \`${name}/tokens/\`.
`;
}
