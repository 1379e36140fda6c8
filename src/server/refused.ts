import type { z } from 'zod';

/** A request that is not carried out, with the sentence for the person. Anything else thrown is a bug. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 429 | 503,
    sentence: string,
  ) {
    super(sentence);
  }
}

/** The first thing that is wrong, as a sentence. */
export function firstIssue({ issues }: z.ZodError): string {
  const { message, path } = issues[0]!;
  // Sentences of ours say where; Zod's own say only what.
  if (!/^(?:Invalid|Too|Unrecognized) /.test(message)) return message;
  const where = path.length > 0 ? `“${path.join('.')}”` : 'The request';
  return `${where} is not as it should be: ${message[0]!.toLowerCase()}${message.slice(1)}.`;
}
