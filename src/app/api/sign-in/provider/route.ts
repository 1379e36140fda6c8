import { orSentence } from '@/server/plain-page';
import { wayThere } from '@/server/provider';
import { answer } from '@/server/request';

/** Sends somebody to where their organisation signs people in. */
export function GET(): Promise<Response> {
  return answer(() =>
    orSentence(async () => new Response(null, { status: 302, headers: { location: (await wayThere()).href } })),
  );
}
