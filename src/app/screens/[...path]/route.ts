import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { answer, signedIn } from '@/server/http/request';
import { Refused } from '@/server/http/refused';

const MEDIA: Record<string, string> = {
  '.html': 'text/html; charset=utf-8',
  '.css': 'text/css; charset=utf-8',
  '.js': 'text/javascript; charset=utf-8',
};

/** The libraries that simulated screens use, as their makers ship them. */
const LIBRARIES: Record<string, string> = {
  'charts.js': 'echarts/dist/echarts.esm.min.mjs',
  'unzip.js': 'fflate/esm/browser.js',
  'terminal-emulator.js': '@xterm/xterm/lib/xterm.mjs',
  'terminal-emulator.css': '@xterm/xterm/css/xterm.css',
};

/** @param sheets where style sheets may come from; the terminal's emulator writes its own */
const policy = (sheets: string) =>
  `default-src 'none'; script-src 'self'; style-src ${sheets}; style-src-attr 'unsafe-inline'; img-src 'self' blob:; ` +
  "connect-src 'self'; frame-ancestors 'self'; base-uri 'none'; form-action 'none'";

/** The simulated screens: plain files, served as they are from their own folder. */
export function GET(_request: Request, { params }: { params: Promise<{ path: string[] }> }): Promise<Response> {
  return answer(async () => {
    await signedIn();
    const { path } = await params;
    const name = path.join('/');
    const extension = /^[a-z-]+(?:\/[a-z-]+)?(\.html|\.css|\.js)$/.exec(name)?.[1];
    if (!extension) throw new Refused(404, 'There is no such screen.');
    const library = Object.hasOwn(LIBRARIES, name) ? LIBRARIES[name] : undefined;
    const file = library ? join('node_modules', library) : join('stand-ins', name);
    try {
      const bytes = await readFile(join(/* turbopackIgnore: true */ process.cwd(), file));
      return new Response(new Uint8Array(bytes), {
        headers: {
          'content-type': MEDIA[extension]!,
          'content-security-policy': policy(name === 'terminal/index.html' ? "'self' 'unsafe-inline'" : "'self'"),
          'cache-control': 'no-cache',
        },
      });
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') throw new Refused(404, 'There is no such screen.');
      throw error;
    }
  });
}
