import { signOutEverywhere } from '@/server/people/people';
import { answer, mustBeSameOrigin, signedIn } from '@/server/http/request';
import { signOut } from '@/server/people/session';

/** Signs out everywhere. */
export function DELETE(request: Request): Promise<Response> {
  return answer(async () => {
    mustBeSameOrigin(request);
    await signOutEverywhere(await signedIn());
    await signOut();
    return Response.json({});
  });
}
