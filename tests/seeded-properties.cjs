/**
 * fast-check with a seed that stays the same from run to run, so that a check that passed here passes on another machine
 * too. SEED=random (or a number) looks elsewhere: npm run test:anew. Where it only counts that a check fails, NO_SHRINKING=1
 * spares the search for the smallest example: npm run mutate.
 */
// eslint-disable-next-line @typescript-eslint/no-require-imports -- stands in for the package by its file, which an import by name could not
const fc = require('../node_modules/fast-check/lib/cjs/fast-check.js');

const { SEED = '20261126', NO_SHRINKING } = process.env;
fc.configureGlobal({
  seed: SEED === 'random' ? Date.now() % 2 ** 31 : Number(SEED),
  endOnFailure: NO_SHRINKING !== undefined,
});
module.exports = fc;
