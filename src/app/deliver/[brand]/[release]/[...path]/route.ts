import { z } from 'zod';
import { Refused } from '@/server/refused';
import { latestRelease, releasedFile } from '@/server/releases';
import { mayFetch } from '@/server/build-tokens';
import { answer } from '@/server/request';

const Params = z.object({
  brand: z.string().max(40),
  release: z.union([z.literal('latest'), z.coerce.number().int().min(1).max(1_000_000)]),
  path: z
    .array(
      z
        .string()
        .max(200)
        .regex(/^[^\0]*$/),
    )
    .max(10),
});

/**
 * A released file, exactly as it was written: what consumers fetch, signed in or with a token for builds. `latest` is the
 * newest release.
 */
export function GET(request: Request, { params }: { params: Promise<Record<string, unknown>> }): Promise<Response> {
  return answer(async () => {
    const parsed = Params.safeParse(await params);
    if (!parsed.success) throw new Refused(404, 'There is no such file.');
    const { brand, release, path } = parsed.data;
    await mayFetch(request, brand);
    const number = release === 'latest' ? (await latestRelease(brand))?.number : release;
    const file = number === undefined ? null : await releasedFile(brand, number, path.join('/'));
    if (!file) throw new Refused(404, 'There is no such file in this release.');
    return new Response(new Uint8Array(file.bytes), {
      headers: {
        'content-type': file.mediaType,
        'content-disposition': 'attachment',
        'x-breakwater-release': String(number),
        'x-breakwater-sha256': file.sha256,
        'cache-control': 'no-cache',
      },
    });
  });
}
