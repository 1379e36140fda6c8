import { parseJson } from '@/core/base/json-text';
import { z } from 'zod';
import { sha256 } from '@/core/base/sha256';
import { compare } from './export';
import { fail, Failure, tell } from './failure';
import { listFiles } from './list-files';
import { placedIn, placeFiles } from './place-files';

export interface PullOptions {
  release: string;
  out: string;
  check?: boolean;
  watch?: boolean;
  json?: boolean;
}

/** What a release may weigh, in bytes, and how long one request may take, in milliseconds. */
const LIMITS = { file: 32 * 1024 * 1024, all: 256 * 1024 * 1024, files: 50_000, wait: 30_000 } as const;
/** How often a watched server is asked for a newer release, in milliseconds. */
const ASK_MS = 5_000;
/** Files fetched side by side. */
const ABREAST = 6;

const Manifest = z.object({
  files: z
    .array(
      z.object({
        path: z.string().min(1).max(500),
        format: z.string().max(40),
        mediaType: z.string().max(200),
        bytes: z.number().int().min(0).max(LIMITS.file),
        sha256: z.string().regex(/^[0-9a-f]{64}$/),
      }),
    )
    .max(LIMITS.files),
});

/** Fetches the files of a release from a server, checks each against the manifest, and puts them into a folder. */
export async function pull(address: string, options: PullOptions): Promise<void> {
  if (!/^(latest|[1-9]\d{0,6})$/.test(options.release)) fail(`“${options.release}” is no release; give its number, or latest.`);
  if (!URL.canParse(address) || !/^https?:$/.test(new URL(address).protocol))
    fail(`“${address}” is no address; it looks like https://colours.example/deliver/BRAND.`);
  const base = address.replace(/\/+$/, '');
  const token = process.env.BREAKWATER_TOKEN;
  if (!token) fail('set BREAKWATER_TOKEN to a token for builds; one is made under Ship.', 3);
  let had = '';
  const once = async () => {
    const { release, files } = await fetched(base, options, token, had);
    if (release === had) return;
    if (options.check) return compare(options.out, files);
    placeFiles(
      options.out,
      files.map(({ file }) => file),
    );
    had = release;
    tell(`release ${release}`);
    listFiles(
      files.map(({ entry }) => entry),
      options.json ?? false,
    );
  };
  await once();
  while (options.watch) {
    await new Promise((resolve) => setTimeout(resolve, ASK_MS));
    try {
      await once();
    } catch (error) {
      // The server may be away for a while; the next question may find it.
      if (!(error instanceof Failure)) throw error;
      tell(error.message);
    }
  }
}

async function fetched(base: string, { release: wanted, out }: PullOptions, token: string, had: string) {
  const manifest = await ask(`${base}/${wanted}/manifest.json`, token);
  const { release } = manifest;
  if (release === '') fail(`${base} answers, but not as Breakwater does; look at the address.`, 1);
  if (release === had) return { release, files: [] };
  let json: unknown;
  try {
    json = parseJson(new TextDecoder().decode(manifest.bytes));
  } catch {
    fail(`${base} answers, but not as Breakwater does; look at the address.`, 1);
  }
  const parsed = Manifest.safeParse(json);
  if (!parsed.success) fail(`${base} answers, but its list of files is not as it should be.`, 1);
  const entries = parsed.data.files;
  if (entries.reduce((sum, { bytes }) => sum + bytes, 0) > LIMITS.all) fail('the release is larger than 256 MB.', 1);
  for (const { path } of entries) placedIn(out, path);
  const files: { file: { path: string; bytes: Uint8Array }; entry: (typeof entries)[number] }[] = [];
  for (let at = 0; at < entries.length; at += ABREAST) {
    const some = entries.slice(at, at + ABREAST).map(async (entry) => {
      const path = entry.path.split('/').map(encodeURIComponent).join('/');
      // By its number, or a release in between would mix two.
      const { bytes } = await ask(`${base}/${release}/${path}`, token);
      if ((await sha256(bytes)) !== entry.sha256)
        fail(`${entry.path} is not what the release says it is; nothing was written.`, 1);
      return { file: { path: entry.path, bytes }, entry };
    });
    files.push(...(await Promise.all(some)));
  }
  return { release, files };
}

async function ask(url: string, token: string): Promise<{ release: string; bytes: Uint8Array }> {
  let response: Response;
  try {
    response = await fetch(url, {
      headers: { authorization: `Bearer ${token}` },
      // Elsewhere nobody is handed the token.
      redirect: 'manual',
      signal: AbortSignal.timeout(LIMITS.wait),
    });
  } catch (error) {
    const cause = (error as Error).cause as { code?: string } | undefined;
    fail(`${new URL(url).host} cannot be reached (${cause?.code ?? (error as Error).name}); nothing was written.`, 1);
  }
  if (response.status === 401 || response.status === 403)
    fail('the server does not take this token; make a new one under Ship.', 3);
  if (response.status === 404) fail(`${url} is not there: no such brand or release for this token.`, 3);
  if (!response.ok) fail(`${new URL(url).host} answered ${response.status}; nothing was written.`, 1);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > LIMITS.file) fail(`${url} is larger than 32 MB; nothing was written.`, 1);
    chunks.push(chunk);
  }
  return { release: response.headers.get('x-breakwater-release') ?? '', bytes: Buffer.concat(chunks) };
}
