import 'server-only';
import { z } from 'zod';
import { parseJson, TooDeep } from '@/core/base/json-text';
import { isStorable, UNSTORABLE } from '@/core/base/storable';
import type { Permission, PersonRole } from '@/core/brand/roles';
import { authorise } from '../brands/brands';
import { ADDRESS_HEADER } from './client-address';
import type { PersonRow } from '../database/rows';
import { log } from './log';
import { isOwnOrigin } from './origin';
import { authoriseIn, type OrganisationPermission } from '../people/organisations';
import { isPassing } from '../database/passing';
import { firstIssue, sayWhere } from '@/core/base/say-where';
import { Refused } from './refused';
import { currentPerson, whyNobody } from '../people/session';

/** The largest body of any request, in bytes: a brand's most swatches in one command, with room. */
const BODY_LIMIT = 8 * 1024 * 1024;

/** When a request may be tried again that found no database, or too many before it, in seconds. */
const COME_AGAIN = { 'retry-after': '5' };

/** How programs say who they are (RFC 6750, section 3); pages have their cookie. */
const BY_TOKEN = { 'www-authenticate': 'Bearer realm="Breakwater"' };

/** Runs a handler and turns what it throws into an answer: a refusal into its sentence, a bug into a logged 500. */
export async function answer(handler: () => Promise<Response>): Promise<Response> {
  const response = await answered(handler);
  // What an answer does not say of itself is for the one who asked, now, and kept by nobody.
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', "default-src 'none'; frame-ancestors 'none'");
  return response;
}

/** Pages of any origin may ask, and read the answer: what they ask for takes a token, and no browser sends one or a cookie by itself. */
const ANYWHERE = { 'access-control-allow-origin': '*' };

/** As `answer`, for pages of others too (Fetch Standard, section 3.3). */
export async function answerAnywhere(handler: () => Promise<Response>): Promise<Response> {
  const response = await answer(handler);
  for (const [name, value] of Object.entries(ANYWHERE)) response.headers.set(name, value);
  return response;
}

/** The answer to a browser that asks whether a page of elsewhere may send a request. */
export function mayAsk(): Response {
  const allowed = {
    'access-control-allow-methods': 'GET, POST',
    'access-control-allow-headers': 'authorization, content-type',
    'access-control-max-age': '600',
  };
  return new Response(null, { status: 204, headers: { ...ANYWHERE, ...allowed } });
}

async function answered(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (error instanceof Refused) {
      const headers = error.status === 503 ? COME_AGAIN : error.status === 401 ? BY_TOKEN : {};
      return Response.json({ error: error.message }, { status: error.status, headers });
    }
    log.error({ error }, 'a request failed');
    if (isPassing(error)) {
      return Response.json(
        { error: 'The database cannot be reached just now, or its disk is full; nothing was changed. Try again in a moment.' },
        { status: 503, headers: COME_AGAIN },
      );
    }
    return Response.json(
      { error: 'Something failed on the server; nothing was changed. Try again in a moment.' },
      { status: 500 },
    );
  }
}

/** The network address a request came from, as the server's own program found it. */
export function addressOf(request: Request): string {
  return request.headers.get(ADDRESS_HEADER) ?? '';
}

/** The signed-in person; refused when there is none. */
export async function signedIn(): Promise<PersonRow> {
  const person = await currentPerson();
  if (!person) throw new Refused(401, await whyNobody());
  return person;
}

/** The signed-in person with a role for the brand that allows the permission. */
export async function allowed(brand: string, permission: Permission): Promise<{ person: PersonRow; role: PersonRole }> {
  const person = await signedIn();
  return { person, role: await authorise(person, brand, permission) };
}

/** The signed-in person with a role for the organisation that allows the permission. */
export async function allowedIn(
  organisation: string,
  permission: OrganisationPermission,
): Promise<{ person: PersonRow; role: PersonRole }> {
  const person = await signedIn();
  return { person, role: await authoriseIn(person, organisation, permission) };
}

/** A password that somebody chooses. */
export const newPassword = z.string().min(10, 'A password needs at least 10 characters.').max(500);

/** A write's body, checked; nothing in it is text that cannot be kept. @param from where it may have been sent from */
export async function body<T extends z.ZodType>(
  request: Request,
  schema: T,
  from: 'anywhere' | 'own pages' = 'own pages',
): Promise<z.output<T>> {
  const data = await json(request, from);
  if (!isStorable(data)) throw new Refused(400, UNSTORABLE);
  return checked(data, schema);
}

/**
 * A write's body as it was sent. Only a page of this same origin may write: browsers say where a request comes from, and a
 * request that does not say is refused.
 */
export async function json(request: Request, from: 'anywhere' | 'own pages' = 'own pages'): Promise<unknown> {
  if (from === 'own pages') mustBeSameOrigin(request);
  if (!request.headers.get('content-type')?.startsWith('application/json')) {
    throw new Refused(400, 'The request must be JSON.');
  }
  try {
    return parseJson(await limitedText(request));
  } catch (error) {
    if (error instanceof TooDeep) throw new Refused(400, error.message);
    if (error instanceof SyntaxError) throw new Refused(400, 'The request is not readable JSON.');
    throw error;
  }
}

/** What a request said, once it is known to be of a schema; refused with the first thing that is wrong. */
export function checked<T extends z.ZodType>(data: unknown, schema: T): z.output<T> {
  const parsed = schema.safeParse(data, { error: sayWhere('The request is') });
  if (!parsed.success) throw new Refused(400, firstIssue(parsed.error));
  return parsed.data;
}

/** Refuses a write that does not come from a page of this same origin. */
export function mustBeSameOrigin(request: Request): void {
  if (!isOwnOrigin(request.headers.get('origin'))) {
    throw new Refused(403, 'Changes are only taken from Breakwater’s own pages.');
  }
}

/** A write's body as bytes. @param most how many are taken; those of files may be more than of anything else */
export async function bytes(request: Request, most = BODY_LIMIT): Promise<Uint8Array> {
  mustBeSameOrigin(request);
  const chunks: Uint8Array[] = [];
  for await (const chunk of limited(request, most)) chunks.push(chunk);
  return Buffer.concat(chunks);
}

async function limitedText(request: Request): Promise<string> {
  const decoder = new TextDecoder();
  let text = '';
  for await (const chunk of limited(request)) text += decoder.decode(chunk, { stream: true });
  return text + decoder.decode();
}

async function* limited(request: Request, most = BODY_LIMIT): AsyncGenerator<Uint8Array> {
  const tooLarge = new Refused(413, `This is more than ${Math.floor(most / 1_048_576)} MB at once; send it in parts.`);
  if (Number(request.headers.get('content-length') ?? 0) > most) throw tooLarge;
  let size = 0;
  const reader = request.body?.getReader();
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader?.read()) {
    size += chunk.value.length;
    if (size > most) throw tooLarge;
    yield chunk.value;
  }
}
