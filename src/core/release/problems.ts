import type { Brand } from '../brand/document/document';
import type { Finding, RuleId } from '../findings/finding';
import { writeDestination } from '../formats/registry';

/** What rules of the brand say better: with its theme and its way, and once. */
const SAID_BY_RULES: ReadonlySet<RuleId> = new Set(['no-colour', 'gamut']);

/**
 * What writing each destination finds that no rule of the brand does, with the destination it is about. The same about several is said once, of
 * the first.
 */
export function destinationFindings(brand: Brand): Finding[] {
  const said = new Set<string>();
  return brand.destinations.flatMap((destination) =>
    writeDestination(brand, destination).findings.flatMap((found): Finding[] => {
      if (SAID_BY_RULES.has(found.rule) || said.has(found.message)) return [];
      said.add(found.message);
      const message = found.message.startsWith(`${destination.name}: `) ? found.message : `${destination.name}: ${found.message}`;
      return [{ ...found, message, subject: { ...found.subject, destination: destination.id } }];
    }),
  );
}
