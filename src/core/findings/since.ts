import type { Brand } from '../brand/document/document';
import { findingKey, openFindings } from './accept';
import type { Finding, Known } from './finding';
import { findingsOf, RULES } from './rules';
import { saysMore } from './worst';

/** So many findings of a rule are compared: with more, memory would know no bound. */
const MOST_COMPARED = 100_000;

/**
 * What the rules find in a later state of a brand and did not find in an earlier one, and what they no longer find; what was accepted counts in
 * neither. Of a rule that finds more than are told everything is compared, so that what moves up among the told ones is not new.
 */
export function findingsSince(before: Brand, now: Brand, known: Known): { readonly came: Finding[]; readonly went: Finding[] } {
  const pairs = RULES.map((rule) => {
    const told = [before, now].map((brand) => findingsOf(brand, [rule], known));
    const isCut = told.flat().some(saysMore);
    return isCut ? [before, now].map((brand) => findingsOf(brand, [rule], { ...known, most: MOST_COMPARED })) : told;
  });
  const [then, today] = [before, now].map((brand, at) =>
    openFindings(
      brand,
      pairs.flatMap((pair) => pair[at]!),
    ),
  );
  return { came: without(today!, then!), went: without(then!, today!) };
}

function without(list: readonly Finding[], others: readonly Finding[]): Finding[] {
  const known = new Set(others.map(findingKey));
  return list.filter((finding) => !saysMore(finding) && !known.has(findingKey(finding)));
}
