/** Where tests of a fault run: once one of them has failed the fault is noticed, and the others are passed over. */
// eslint-disable-next-line @typescript-eslint/no-require-imports -- jest loads its environments as CommonJS
const { TestEnvironment } = require('jest-environment-node');

/** The fault that was noticed last; the tester tries one at a time in a process. */
let noticed;

module.exports = class extends TestEnvironment {
  async handleTestEvent({ name, test }) {
    const fault = process.env.__STRYKER_ACTIVE_MUTANT__;
    if (fault === undefined) return;
    if (name === 'test_done' && test.errors.length > 0) noticed = fault;
    if (name === 'test_start' && noticed === fault) test.mode = 'skip';
  }
};
