import { invitationsOf } from '@/server/invitations';
import { membersOf } from '@/server/members';
import { allowedIn, answer } from '@/server/request';

/** Everybody with a part in an organisation, and the invitations that are open: for its owners. */
export function GET(_request: Request, { params }: { params: Promise<{ organisation: string }> }): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    await allowedIn(organisation, 'govern');
    return Response.json({ people: await membersOf(organisation), invitations: await invitationsOf(organisation) });
  });
}
