import { about } from '../kit/options';
import { indexText, moduleOptions, moduleThemes } from './script-module';
import { slug } from '../../base/words';
import { z } from 'zod';
import { defineFormat, textFile } from '../kit/format';
import { chosenTokens } from '../kit/material';

/** ECMAScript 2015 modules, or the older CommonJS that configuration files of build tools still ask for. */
export const javascript = defineFormat({
  id: 'javascript',
  title: 'JavaScript module',
  family: 'style framework',
  extensions: ['.js', '.cjs'],
  purpose: 'For the configuration of any framework of styles or scripts: import the file and hand its objects over.',
  readBy: 'Configurations and scripts in JavaScript',
  reload: 'build',
  options: z.strictObject({
    ...moduleOptions.shape,
    modules: z
      .enum(['esm', 'commonjs'])
      .default('esm')
      .meta(about({ title: 'Kind of module', description: 'import', says: { esm: 'import', commonjs: 'require' } })),
  }),
  tokensWritten: chosenTokens,
  write(brand, themes, options) {
    const { modules, findings } = moduleThemes(brand, themes, options);
    const esm = options.modules === 'esm';
    const constants = modules.map(({ name, object }) => `${esm ? 'export ' : ''}const ${name} = ${object};\n`);
    const end = esm
      ? `export const themes = ${indexText(modules)};\nexport default themes;\n`
      : `const themes = ${indexText(modules)};\nmodule.exports = { ${modules.map(({ name }) => name).join(', ')}, themes };\n`;
    const path = `modules/${slug(brand.name)}.${esm ? 'js' : 'cjs'}`;
    return { files: [textFile(path, 'text/javascript', `${constants.join('\n')}\n${end}`)], findings };
  },
});
