import { writeDownOwn } from '@/server/people/audit';
import { goOn, orSentence } from '@/server/http/plain-page';
import { whoCameBack } from '@/server/outside/provider';
import { answer } from '@/server/http/request';
import { signIn } from '@/server/people/session';

/**
 * Where the organisation's provider sends people back to. It answers with a page that goes on by itself: whoever comes from another site
 * brings no strict cookie with them, not even through a redirect, and from a page of this one they do.
 */
export function GET(request: Request): Promise<Response> {
  return answer(() =>
    orSentence(async () => {
      const person = await whoCameBack(new URL(request.url).search);
      await signIn(person.id);
      await writeDownOwn(person, 'sign-in');
      return goOn('/');
    }),
  );
}
