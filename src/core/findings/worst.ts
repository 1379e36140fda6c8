import { finding, type Finding } from './finding';

/** So many findings of a rule are told one by one: nobody goes through more, and a page that holds them all is slow. */
export const MOST_TOLD = 500;

/** The findings made of the worst candidates, and one that says how many more there are. @param candidates the worst first @param beyond how many there are besides them */
export function worst<T>(candidates: readonly T[], tell: (candidate: T) => Finding, beyond = 0): Finding[] {
  const told = candidates.slice(0, MOST_TOLD).map(tell);
  const [first] = told;
  const more = beyond + candidates.length - told.length;
  if (!first || more === 0) return told;
  return [...told, finding(first.rule, first.severity, `There are ${more.toLocaleString('en')} more of these, less far off.`)];
}
