import type { ShippedToken } from './material';
import { commentText } from '../../base/plain-text';

/** What is known of a token, safe in a comment: its description, and that it is deprecated. Empty where nothing is. */
export function tokenNote({ token }: ShippedToken): string {
  const parts = [token.description, token.deprecated && `Deprecated. ${token.deprecated.note}`];
  return commentText(parts.filter(Boolean).join(' '));
}
