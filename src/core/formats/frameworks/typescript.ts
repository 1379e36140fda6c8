import { slug } from '../../base/words';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';
import { indexText, moduleOptions, moduleThemes } from './script-module';

/** TypeScript: the values are their own types, and every theme has the shape of the first. */
export const typescript = defineFormat({
  id: 'typescript',
  title: 'TypeScript module',
  family: 'style framework',
  extensions: ['.ts'],
  purpose: 'For applications in TypeScript: import the file; a name that is not there is found when the product is built.',
  readBy: 'Applications and configurations in TypeScript',
  reload: 'build',
  options: moduleOptions,
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { modules, findings } = moduleThemes(brand, themes, options);
    const constants = modules.map(({ name, object }) => `export const ${name} = ${object} as const;\n`);
    const types = `/** The shape of every theme. */
export type Colours<Group = typeof ${modules[0]?.name ?? 'themes'}> = { readonly [Name in keyof Group]: Group[Name] extends string ? string : Colours<Group[Name]> };
export type ThemeName = keyof typeof themes;
export const themes = ${indexText(modules)} satisfies Record<string, Colours>;
export default themes;
`;
    return {
      files: [textFile(`modules/${slug(brand.name)}.ts`, 'text/typescript', `${constants.join('\n')}\n${types}`)],
      findings,
    };
  },
});
