import { escapeXml } from '@/core/base/escape-xml';
import { Refused } from './refused';

/** A page of one sentence, for whoever comes by an address that no page of ours leads to by itself. @param onward where it leads */
function plainPage(sentence: string, onward: string, status = 200, goesOn = false): Response {
  const refresh = goesOn ? `<meta http-equiv="refresh" content="0;url=${onward}">` : '';
  const html = `<!doctype html><html lang="en"><meta charset="utf-8"><title>Breakwater</title>${refresh}<p>${escapeXml(sentence)} <a href="${onward}">Go on</a></p>`;
  const policy = "default-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'none'";
  return new Response(html, {
    status,
    headers: { 'content-type': 'text/html; charset=utf-8', 'content-security-policy': policy },
  });
}

/** A page that goes on by itself. */
export function goOn(onward: string): Response {
  return plainPage('', onward, 200, true);
}

/** Answers as pages do: a refusal is a sentence to read, with the way back to signing in. */
export async function orSentence(handler: () => Promise<Response>): Promise<Response> {
  try {
    return await handler();
  } catch (error) {
    if (error instanceof Refused) return plainPage(error.message, '/sign-in', error.status);
    throw error;
  }
}
