export const ROLES = ['owner', 'editor', 'reviewer', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

export type Deed = 'read' | 'edit' | 'release';

const ALLOWED: Record<Deed, readonly Role[]> = {
  read: ROLES,
  edit: ['owner', 'editor'],
  release: ['owner', 'editor'],
};

export function may(role: Role, deed: Deed): boolean {
  return ALLOWED[deed].includes(role);
}

/** The sentence for somebody whose role does not allow a deed. */
export function refusalFor(role: Role, deed: Deed): string {
  const what = { read: 'see this brand', edit: 'change this brand', release: 'make releases' }[deed];
  return `You are here as ${role} and cannot ${what}; ask an owner for the role of ${ALLOWED[deed].slice(0, 2).join(' or ')}.`;
}
