import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** The small module by which a page of others tells which colours it shows. It is for anybody: it holds nothing of a brand. */
export async function GET(): Promise<Response> {
  const bytes = await readFile(join(/* turbopackIgnore: true */ process.cwd(), '.next/reader.js'));
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'cross-origin-resource-policy': 'cross-origin',
      'access-control-allow-origin': '*',
      'cache-control': 'public, max-age=300',
    },
  });
}
