import type { Brand } from '../brand/document/document';
import { findingKey, openFindings } from './accept';
import type { Finding } from './finding';

interface Found {
  readonly brand: Pick<Brand, 'acceptances'>;
  readonly findings: readonly Finding[];
}

/** What is found in a later state of a brand and was not in an earlier one, and what is no longer found; what was accepted counts in neither. */
export function findingsSince(before: Found, now: Found): { readonly came: Finding[]; readonly went: Finding[] } {
  const [then, today] = [openFindings(before.brand, before.findings), openFindings(now.brand, now.findings)];
  return { came: without(today, then), went: without(then, today) };
}

function without(list: readonly Finding[], others: readonly Finding[]): Finding[] {
  const known = new Set(others.map(findingKey));
  return list.filter((finding) => !known.has(findingKey(finding)));
}
