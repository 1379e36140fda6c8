import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { answer, signedIn } from '@/server/request';
import { Refused } from '@/server/refused';

const MEDIA: Record<string, string> = {
  '.html': 'text/html; charset=utf-8',
  '.css': 'text/css; charset=utf-8',
  '.js': 'text/javascript; charset=utf-8',
};

/** The one library a simulated screen uses, as its maker ships it. */
const CHARTS = { request: 'charts.js', file: 'node_modules/echarts/dist/echarts.esm.min.mjs' };

const POLICY =
  "default-src 'none'; script-src 'self'; style-src 'self'; style-src-attr 'unsafe-inline'; img-src 'self' blob:; " +
  "connect-src 'self'; frame-ancestors 'self'; base-uri 'none'; form-action 'none'";

/** The simulated screens: plain files, served as they are from their own folder. */
export function GET(_request: Request, { params }: { params: Promise<{ path: string[] }> }): Promise<Response> {
  return answer(async () => {
    await signedIn();
    const { path } = await params;
    const name = path.join('/');
    const extension = /^[a-z]+(?:\/[a-z-]+)?(\.html|\.css|\.js)$/.exec(name)?.[1];
    if (!extension) throw new Refused(404, 'There is no such screen.');
    const file = name === CHARTS.request ? CHARTS.file : join('stand-ins', name);
    try {
      const bytes = await readFile(join(/* turbopackIgnore: true */ process.cwd(), file));
      return new Response(new Uint8Array(bytes), {
        headers: {
          'content-type': MEDIA[extension]!,
          'content-security-policy': POLICY,
          'cache-control': 'no-cache',
        },
      });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') throw new Refused(404, 'There is no such screen.');
      throw error;
    }
  });
}
