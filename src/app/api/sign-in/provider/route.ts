import { orSentence } from '@/server/http/plain-page';
import { signInAddress } from '@/server/outside/provider';
import { answer } from '@/server/http/request';

/** Sends somebody to where their organisation signs people in. */
export function GET(): Promise<Response> {
  return answer(() =>
    orSentence(async () => new Response(null, { status: 302, headers: { location: (await signInAddress()).href } })),
  );
}
