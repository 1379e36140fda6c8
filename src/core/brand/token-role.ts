import type { Token } from './document';

/** What a first word of a path usually means; the person can say otherwise in the readout. */
const ROLE_OF = new Map<string, Token['role']>(
  Object.entries({
    surface: 'surface',
    background: 'surface',
    text: 'text',
    border: 'border',
    accent: 'accent',
    brand: 'accent',
    action: 'state',
    state: 'state',
    status: 'status',
    data: 'data',
    route: 'data',
    series: 'data',
  }),
);

export function likelyRole(path: string): Token['role'] {
  return ROLE_OF.get(path.split('.')[0]!.toLowerCase()) ?? 'other';
}
