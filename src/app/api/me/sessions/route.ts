import { signOutEverywhere } from '@/server/people';
import { answer, mustBeSameOrigin, signedIn } from '@/server/request';
import { signOut } from '@/server/session';

/** Signs out everywhere. */
export function DELETE(request: Request): Promise<Response> {
  return answer(async () => {
    mustBeSameOrigin(request);
    await signOutEverywhere(await signedIn());
    await signOut();
    return Response.json({});
  });
}
