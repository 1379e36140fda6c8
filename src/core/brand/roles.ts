export const ROLES = ['owner', 'editor', 'reviewer', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

/** What people do with a brand. To review is to comment, to approve and to ask for changes; to govern is to say who may do what. */
export type Deed = 'read' | 'review' | 'edit' | 'release' | 'govern';

const ALLOWED: Record<Deed, readonly Role[]> = {
  read: ROLES,
  review: ['owner', 'editor', 'reviewer'],
  edit: ['owner', 'editor'],
  release: ['owner', 'editor'],
  govern: ['owner'],
};

const WORDS: Record<Deed, string> = {
  read: 'see this brand',
  review: 'review this brand',
  edit: 'change this brand',
  release: 'make releases',
  govern: 'decide who may do what',
};

export function may(role: Role, deed: Deed): boolean {
  return ALLOWED[deed].includes(role);
}

/** The sentence for somebody whose role does not allow a deed. */
export function refusalFor(role: Role, deed: Deed): string {
  const asked = ALLOWED[deed].slice(0, 2).join(' or ');
  return `You are here as ${role} and cannot ${WORDS[deed]}; ask an owner for the role of ${asked}.`;
}
