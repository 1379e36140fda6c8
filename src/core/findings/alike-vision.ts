import { apartMend } from './apart';
import { alike } from './alike';
import { alikePairs, TOLD_APART, TOLD_BY_ALL, categorySets, subjectOf } from './categories';
import { finding, type Rule } from './finding';
import { worst } from './worst';
import type { Vision } from '../colour/vision';

const DICHROMATS: readonly Vision[] = ['protan', 'deutan', 'tritan'];
const WHO: Partial<Record<Vision, string>> = {
  protan: 'somebody without red cones',
  deutan: 'somebody without green cones',
  tritan: 'somebody without blue cones',
};

/** Categories that most people tell apart, and people who lack a kind of cone do not. */
export const alikeVision: Rule = {
  id: 'alike-vision',
  title: 'Categories that some eyes do not tell apart',
  looksAt: alike.looksAt,
  find(brand, known) {
    const pairs = categorySets(brand).flatMap((set) => {
      // What is alike to everybody is said once.
      const said = new Set(alikePairs(set, ['normal'], TOLD_APART, known).map(({ one, two }) => `${one.id} ${two.id}`));
      return alikePairs(set, DICHROMATS, TOLD_BY_ALL, known).filter(({ one, two }) => !said.has(`${one.id} ${two.id}`));
    });
    pairs.sort((one, two) => one.distance - two.distance);
    return worst(
      pairs,
      (pair) => {
        const { set, one, two, distance, vision } = pair;
        const value = Math.floor(distance * 10) / 10;
        return finding(
          'alike-vision',
          'warning',
          `${set.words}: to ${WHO[vision]} ${one.name} and ${two.name} are ΔE ${value.toFixed(1)} apart, and ${TOLD_BY_ALL} tell them.`,
          subjectOf(pair),
          { value, limit: TOLD_BY_ALL, moved: two.name, vision },
        );
      },
      known,
    );
  },
  mend: apartMend('Move all apart'),
};
