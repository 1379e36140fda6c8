const shared = globalThis as { breakwater?: Map<string, unknown> };

/**
 * What there is one of in the process. Next.js bundles a module once for pages and once for routes, and the server's own program is
 * a bundle too; a variable of a module would be there three times.
 */
export function onePerProcess<T>(name: string, make: () => T): T {
  const all = (shared.breakwater ??= new Map());
  if (!all.has(name)) all.set(name, make());
  return all.get(name) as T;
}

/** Takes it out, to be made anew. @returns what it was, if it was made */
export function forgotten<T>(name: string): T | undefined {
  const was = shared.breakwater?.get(name) as T | undefined;
  shared.breakwater?.delete(name);
  return was;
}
