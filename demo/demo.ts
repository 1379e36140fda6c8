import { readdirSync, readFileSync } from 'node:fs';

/** The demo brand as its file says it, and the files that its grafts are written onto. */
export function demoSource(): { readonly document: unknown; readonly hosts: readonly Uint8Array[] } {
  return {
    document: JSON.parse(readFileSync('demo/quillhaven.breakwater.json', 'utf8')),
    hosts: readdirSync('demo/hosts')
      .sort()
      .map((name) => readFileSync(`demo/hosts/${name}`)),
  };
}
