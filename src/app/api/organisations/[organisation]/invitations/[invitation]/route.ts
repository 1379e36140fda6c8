import { withdrawInvitation } from '@/server/people/invitations';
import { allowedIn, answer, mustBeSameOrigin } from '@/server/http/request';

export function DELETE(
  request: Request,
  { params }: { params: Promise<{ organisation: string; invitation: string }> },
): Promise<Response> {
  return answer(async () => {
    mustBeSameOrigin(request);
    const { organisation, invitation } = await params;
    const { person } = await allowedIn(organisation, 'govern');
    await withdrawInvitation(person, organisation, invitation);
    return Response.json({});
  });
}
