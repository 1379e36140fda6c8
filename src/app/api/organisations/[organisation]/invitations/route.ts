import { makeInvitation, NewInvitation } from '@/server/people/invitations';
import { allowedIn, answer, body } from '@/server/http/request';

/** Makes an invitation, and answers with the secret of its link: this once. */
export function POST(request: Request, { params }: { params: Promise<{ organisation: string }> }): Promise<Response> {
  return answer(async () => {
    const { organisation } = await params;
    const { person } = await allowedIn(organisation, 'govern');
    return Response.json({ secret: await makeInvitation(person, organisation, await body(request, NewInvitation)) });
  });
}
