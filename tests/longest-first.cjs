/**
 * Files that start a browser, a server or foreign programs take longest, and jest cannot know that on a machine it has not
 * run on before: they come first, so that at the end no process waits for another's long file.
 */
// eslint-disable-next-line @typescript-eslint/no-require-imports -- jest loads its sequencer as CommonJS
const { default: Sequencer } = require('@jest/test-sequencer');

const LONG = ['/tests/browser/', '/tests/reference/', '/tests/server/'];

module.exports = class extends Sequencer {
  sort(tests) {
    const rank = ({ path }) => (LONG.some((folder) => path.includes(folder)) ? 0 : 1);
    return [...super.sort(tests)].sort((one, two) => rank(one) - rank(two));
  }
};
