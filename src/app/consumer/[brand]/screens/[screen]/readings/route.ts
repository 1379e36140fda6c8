import { Readings } from '@/core/screens/screen';
import { mayReport } from '@/server/people/build-tokens';
import { answerAnywhere, body, mayAsk } from '@/server/http/request';
import { keepReadings } from '@/server/releases/screens';

/** Keeps what a screen was found to show: told by the screen itself, or by the command that looked at it. */
export function POST(request: Request, { params }: { params: Promise<{ brand: string; screen: string }> }): Promise<Response> {
  return answerAnywhere(async () => {
    const { brand, screen } = await params;
    const from = await mayReport(request, brand, screen);
    await keepReadings(brand, screen, await body(request, Readings, from));
    return Response.json({});
  });
}

/** Browsers ask first whether a page of elsewhere may. */
export function OPTIONS(): Response {
  return mayAsk();
}
