import { NewScreen } from '@/core/screens/screen';
import { allowed, answer, body } from '@/server/http/request';
import { addScreen, figuresOf, screensOf } from '@/server/releases/screens';

type Context = { params: Promise<{ brand: string }> };

/** The screens of a brand, and how the figure of the match report went from release to release. */
export function GET(_request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    await allowed(brand, 'read');
    return Response.json({ screens: await screensOf(brand), figures: await figuresOf(brand) });
  });
}

export function POST(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand } = await params;
    const { person } = await allowed(brand, 'edit');
    await addScreen(person, brand, await body(request, NewScreen));
    return Response.json({});
  });
}
