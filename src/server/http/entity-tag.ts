/**
 * Whether whoever asks has a representation already (RFC 9110, section 13.1.2): its tag stands among those that the request names, whether
 * weak or strong, or any will do.
 * @param tag with its quotes
 */
export function isKnown(request: Request, tag: string): boolean {
  const named = request.headers.get('if-none-match');
  if (named === null) return false;
  return named.trim() === '*' || [...named.matchAll(/(?:W\/)?("[^"]*")/g)].some(([, each]) => each === tag);
}
