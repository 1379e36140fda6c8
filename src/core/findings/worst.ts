import { finding, type Finding, type Known } from './finding';

/** So many findings of a rule are told one by one: nobody goes through more, and a page that holds them all is slow. */
export const MOST_TOLD = 500;

/** How many are told one by one of those that are asked for. */
export function mostOf({ most = MOST_TOLD }: Known): number {
  return most;
}

/**
 * The findings made of the worst candidates, and one that says how many more there are.
 * @param candidates the worst first
 * @param beyond how many there are besides them
 */
export function worst<T>(candidates: readonly T[], tell: (candidate: T) => Finding, known: Known, beyond = 0): Finding[] {
  const told = candidates.slice(0, mostOf(known)).map(tell);
  const [first] = told;
  const more = beyond + candidates.length - told.length;
  if (!first || more === 0) return told;
  const words = `There are ${more.toLocaleString('en')} more of these, less far off.`;
  return [...told, finding(first.rule, first.severity, words, {}, { more })];
}

/** Whether it only says how many more there are, and is nothing that was found itself. */
export function saysMore({ data }: Finding): boolean {
  return 'more' in data;
}
