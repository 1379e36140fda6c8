import { openApi } from '@/server/releases/openapi';
import { answerAnywhere } from '@/server/http/request';

/** What consumers may ask, for programs and those who write them; it holds nothing of a brand. */
export function GET(): Promise<Response> {
  return answerAnywhere(() => Promise.resolve(Response.json(openApi())));
}
