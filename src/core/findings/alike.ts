import { apartMend } from './apart';
import { alikePairs, TOLD_APART, categorySets, subjectOf } from './categories';
import { finding, type Rule } from './finding';
import { worst } from './worst';

/** Categories that are hardly told apart by anybody. */
export const alike: Rule = {
  id: 'alike',
  title: 'Categories that look alike',
  looksAt: ['palettes', 'tokens', 'themes', 'fields'],
  find(brand, known) {
    const pairs = categorySets(brand).flatMap((set) => alikePairs(set, ['normal'], TOLD_APART, known));
    pairs.sort((one, two) => one.distance - two.distance);
    return worst(
      pairs,
      (pair) => {
        const { set, one, two, distance } = pair;
        const value = Math.floor(distance * 10) / 10;
        return finding(
          'alike',
          'warning',
          `${set.words}: ${one.name} and ${two.name} are ΔE ${value.toFixed(1)} apart, and a chart wants ${TOLD_APART}.`,
          subjectOf(pair),
          { value, limit: TOLD_APART, moved: two.name },
        );
      },
      known,
    );
  },
  mend: apartMend('Move all apart'),
};
