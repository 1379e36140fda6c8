/** Of the files of tests jest finds, those that reach the fault which is being tried (plugins.ts writes them down). */
/* eslint-disable @typescript-eslint/no-require-imports -- jest loads its filter as CommonJS */
const { existsSync, readFileSync } = require('node:fs');
const { resolve } = require('node:path');

module.exports = async (found) => {
  const { MUTANT_REACH: path, __STRYKER_ACTIVE_MUTANT__: fault } = process.env;
  const reaching = fault && existsSync(path) ? JSON.parse(readFileSync(path, 'utf8'))[fault] : undefined;
  // The faults are planted in a copy of the project, where the tester works.
  return { filtered: reaching?.map((file) => resolve(file)) ?? found };
};
