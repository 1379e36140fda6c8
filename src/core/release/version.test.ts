import type { Difference } from '../brand/history/compare';
import { nextVersion, proposedStep } from './version';

const difference = (kind: Difference['kind'], what: Difference['what'], name: string, was?: string): Difference => ({
  id: name,
  kind,
  what,
  name,
  ...(was !== undefined && { was }),
});

test.each([
  [[difference('removed', 'token', 'text.soft')], 'major', 'token text.soft is gone'],
  [
    [difference('added', 'token', 'a'), difference('renamed', 'token', 'text.quiet', 'text.soft')],
    'major',
    'token text.soft is called text.quiet',
  ],
  [[difference('changed', 'theme', 'Dusk', 'Evening')], 'major', 'theme Evening is called Dusk'],
  [[difference('changed', 'swatch', 'Foam'), difference('added', 'palette', 'Deck')], 'minor', 'palette Deck is new'],
  // Swatches and accepted findings are known by name to nobody outside.
  [
    [difference('renamed', 'swatch', 'Foam', 'Fog'), difference('added', 'acceptance', 'It may stand')],
    'patch',
    'nothing is gone, renamed or new',
  ],
  [[], 'patch', 'nothing is gone, renamed or new'],
] as const)('the step follows from what consumers would miss (%#)', (differences, step, why) => {
  expect(proposedStep(differences)).toEqual({ step, why });
});

test('a version is counted on as Semantic Versioning says', () => {
  expect((['major', 'minor', 'patch'] as const).map((step) => nextVersion('1.9.4', step))).toEqual(['2.0.0', '1.10.0', '1.9.5']);
  expect(nextVersion(null, 'minor')).toBe('1.0.0');
});
