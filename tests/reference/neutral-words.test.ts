/** The invented company of the demo stands in the demo only: whoever works elsewhere reads neutral words. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

test('no part of the application speaks of the demo’s company, but for its sign-in', () => {
  const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).filter((file) => /(?<!\.test)\.tsx?$/.test(file));
  const speaking = files.filter((file) => /quillhaven|ferries|sailing to/i.test(readFileSync(join('src', file), 'utf8')));
  expect(speaking.sort()).toEqual(['server/brands/demo.ts', 'ui/entrance/entrance.tsx']);
});
