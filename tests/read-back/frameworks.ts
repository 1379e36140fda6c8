/** Style frameworks: compiled, loaded and checked by the frameworks themselves. */
import { execFileSync } from 'node:child_process';
import { createSystem, defaultConfig } from '@chakra-ui/react';
import { createTheme } from '@mui/material/styles';
import { transform } from 'lightningcss';
import lessCompiler from 'less';
import postcss from 'postcss';
import { compileString } from 'sass';
import { computed } from './chromium';
import {
  installed,
  laid,
  leaves,
  loaded,
  pairs,
  perTheme,
  text,
  typeErrors,
  type Pair,
  type Read,
  type Reader,
  type Theme,
} from './files';

/** Declarations of a sheet by the selector's theme, by PostCSS. */
function blocks(sheet: string, themes: readonly Theme[]): Read[] {
  const root = postcss.parse(sheet);
  return themes.map(({ word }) => {
    const found: Read = [];
    root.walkRules((rule) => {
      if (new RegExp(`data-theme=['"]?${word}['"]?\\]`).test(rule.selector))
        rule.walkDecls(({ prop, value }) => void found.push([prop, value]));
    });
    return found;
  });
}

export const frameworks: Readonly<Record<string, Reader>> = {
  css: {
    by: 'Chromium, computed; PostCSS, Lightning CSS',
    holds: 'tokens',
    async read([file], themes, page) {
      const sheet = text(file!);
      transform({ filename: 'sheet.css', code: Buffer.from(file!.bytes), errorRecovery: false });
      const names = blocks(sheet, themes)[0]!.map(([name]) => name);
      const found: Pair[][] = [];
      for (const { word } of themes) {
        const colours = await computed(page, sheet, word, names);
        found.push(pairs(names.map((name, at): [string, string] => [name, colours[at]!])));
      }
      return found;
    },
  },
  utilities: {
    by: 'PostCSS',
    holds: 'tokens',
    read([file], themes) {
      const classes = new Set<string>();
      postcss.parse(text(file!)).walkDecls('color', ({ value }) => void classes.add(/var\((.*)\)/.exec(value)![1]!));
      return blocks(text(file!), themes).map((block) => pairs(block.filter(([name]) => classes.has(name))));
    },
  },
  sass: {
    by: 'Sass, compiled; PostCSS',
    holds: 'tokens',
    read([file], themes) {
      const source = `${text(file!)}\n@each $name, $theme in $themes { [data-theme='#{$name}'] { @each $token, $colour in $theme { --#{$token}: #{$colour}; } } }`;
      return blocks(compileString(source).css, themes).map(pairs);
    },
  },
  less: {
    by: 'Less, compiled; PostCSS',
    holds: 'tokens',
    async read([file], themes) {
      const names = [...text(file!).matchAll(/^ {2}([^:\s]+): /gm)]
        .map(([, name]) => name!)
        .slice(0, text(file!).match(/^@(?!theme-)/gm)!.length);
      const rules = themes.map(
        ({ word }) => `[data-theme='${word}'] { ${names.map((name) => `--${name}: @theme-${word}[${name}];`).join(' ')} }`,
      );
      const { css } = await lessCompiler.render(`${text(file!)}\n${rules.join('\n')}`);
      return blocks(css, themes).map(pairs);
    },
  },
  bootstrap: {
    by: 'Bootstrap 5 compiled by Sass; PostCSS',
    holds: 'tokens',
    opaque: true,
    read: (files, themes) =>
      perTheme(files, themes, '.scss').map((file) => {
        const source = `@import 'functions'; ${text(file)} @import 'variables'; @import 'variables-dark';
          $theme-colors: map-merge($theme-colors, $brand-colors); @import 'maps'; @import 'mixins'; @import 'root';
          :root { --the-body: #{$body-bg}; --the-text: #{$body-color}; --the-button: #{$primary}; }`;
        const { css } = compileString(source, {
          loadPaths: ['node_modules/bootstrap/scss'],
          quietDeps: true,
          silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
        });
        // Bootstrap has a black and a white of its own before the brand's: what stands last counts.
        const found = new Map<string, string>();
        postcss.parse(css).walkDecls(/^--bs-/, ({ prop, value }) => void found.set(prop, value));
        const names = [...text(file).matchAll(/^ {2}'([^']+)'/gm)].map(([, name]) => `--bs-${name}`);
        return pairs(names.map((name): [string, string] => [name, found.get(name)!]));
      }),
  },
  chakra: {
    by: 'Chakra UI’s createSystem, its variables',
    holds: 'tokens',
    read([file], themes) {
      type Config = { conditions: Record<string, string>; theme: { semanticTokens: { colors: object } } };
      const config = loaded(file!).config as Config;
      const { tokens } = createSystem(defaultConfig, config as Parameters<typeof createSystem>[1] & object);
      const names = leaves(config.theme.semanticTokens.colors)
        .filter(([path]) => path.includes('.value.'))
        .map(([path]) => path.replace(/(?:\.DEFAULT)?\.value\..*$/, ''));
      return themes.map(({ word }, at) => {
        const name = Object.entries(config.conditions).find(([, selector]) => selector.includes(`='${word}']`))?.[0];
        const variables = tokens.cssVarMap.get(at === 0 ? 'base' : `_${name}`)!;
        return pairs(
          [...new Set(names)].map((path): [string, string] => {
            return [
              path.replace(/^proto$/, '__proto__'),
              variables.get(tokens.getVar(`colors.${path}`)!.slice('var('.length, -1))!,
            ];
          }),
        );
      });
    },
  },
  mui: {
    by: 'MUI’s createTheme',
    holds: 'tokens',
    read: ([file]) =>
      Object.values(loaded(file!).themes as Record<string, object>).map((theme) => {
        const { palette } = createTheme(theme) as unknown as {
          palette: { tokens: Record<string, string>; primary: { main: string } };
        };
        expect(palette.primary.main).toMatch(/^#/);
        return pairs(Object.entries(palette.tokens));
      }),
  },
  javascript: {
    by: 'Node, as a module',
    holds: 'tokens',
    read: ([file]) => Object.values(loaded(file!).themes as Record<string, unknown>).map((theme) => pairs(leaves(theme))),
  },
  typescript: {
    by: 'TypeScript, checked; Node',
    holds: 'tokens',
    read([file]) {
      const { at } = laid([file!]);
      expect(typeErrors(at(file!)).map(({ text }) => text)).toEqual([]);
      return Object.values(loaded(file!).themes as Record<string, unknown>).map((theme) => pairs(leaves(theme)));
    },
  },
  'npm-package': {
    by: 'npm, installed; Node, imported',
    holds: 'tokens',
    read([file]) {
      const { folder, name } = installed(file!);
      const program = `import themes from '${name}'; console.log(JSON.stringify(Object.values(themes)))`;
      const output = execFileSync(process.execPath, ['--input-type=module', '-e', program], { cwd: folder });
      return (JSON.parse(output.toString()) as unknown[]).map((theme) => pairs(leaves(theme)));
    },
  },
};
