import { openApi } from '@/server/openapi';
import { answerAnywhere } from '@/server/request';

/** What consumers may ask, for programs and those who write them; it holds nothing of a brand. */
export function GET(): Promise<Response> {
  return answerAnywhere(() => Promise.resolve(Response.json(openApi())));
}
