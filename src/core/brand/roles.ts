export const ROLES = ['owner', 'editor', 'reviewer', 'viewer'] as const;
export type PersonRole = (typeof ROLES)[number];

/** What people do with a brand. To review is to comment, to approve and to ask for changes; to govern is to say who may do what. */
export type Permission = 'read' | 'review' | 'edit' | 'release' | 'govern';

const ALLOWED: Record<Permission, readonly PersonRole[]> = {
  read: ROLES,
  review: ['owner', 'editor', 'reviewer'],
  edit: ['owner', 'editor'],
  release: ['owner', 'editor'],
  govern: ['owner'],
};

const WORDS: Record<Permission, string> = {
  read: 'see this brand',
  review: 'review this brand',
  edit: 'change this brand',
  release: 'make releases',
  govern: 'decide who may do what',
};

export function may(role: PersonRole, permission: Permission): boolean {
  return ALLOWED[permission].includes(role);
}

/** The sentence for somebody whose role does not allow a permission. */
export function refusalFor(role: PersonRole, permission: Permission): string {
  const asked = ALLOWED[permission].slice(0, 2).join(' or ');
  return `You are here as ${role} and cannot ${WORDS[permission]}; ask an owner for the role of ${asked}.`;
}
