import { buildTokensOf, makeBuildToken, NewToken } from '@/server/people/build-tokens';
import { allowed, answer, body } from '@/server/http/request';

type Params = { params: Promise<{ brand: string }> };

/** The brand's tokens for builds, without their secrets. */
export function GET(_request: Request, { params }: Params): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'release');
    return Response.json({ tokens: await buildTokensOf(brand) });
  });
}

/** Makes one; its secret is in this answer and in no other. */
export function POST(request: Request, { params }: Params): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'release');
    const wanted = await body(request, NewToken);
    return Response.json({ secret: await makeBuildToken(person, brand, wanted) });
  });
}
