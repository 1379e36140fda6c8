import { ScreenEdit } from '@/core/screens/screen';
import { allowed, answer, body, mustBeSameOrigin } from '@/server/http/request';
import { editScreen, removeScreen } from '@/server/releases/screens';

type Context = { params: Promise<{ brand: string; screen: string }> };

export function PATCH(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    const { brand, screen } = await params;
    await allowed(brand, 'edit');
    await editScreen(brand, screen, await body(request, ScreenEdit));
    return Response.json({});
  });
}

export function DELETE(request: Request, { params }: Context): Promise<Response> {
  return answer(async () => {
    mustBeSameOrigin(request);
    const { brand, screen } = await params;
    await allowed(brand, 'edit');
    await removeScreen(brand, screen);
    return Response.json({});
  });
}
