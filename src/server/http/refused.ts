import { z } from 'zod';

/** A request that is not carried out, with the sentence for the person. Anything else thrown is a bug. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 429 | 503,
    sentence: string,
  ) {
    super(sentence);
  }
}

const { localeError: wordsOfZod } = z.locales.en();

/** Where a schema has no sentence of its own: what Zod says, and of which part of what was sent. Given to each parsing of what a request carries. */
export const sayWhere: z.core.$ZodErrorMap = (issue) => {
  const said = wordsOfZod(issue) ?? 'invalid';
  const words = typeof said === 'string' ? said : said.message;
  const where = issue.path?.length ? `“${issue.path.join('.')}”` : 'The request';
  return `${where} is not as it should be: ${words[0]!.toLowerCase()}${words.slice(1)}.`;
};

/** The first thing that is wrong, as a sentence. */
export function firstIssue({ issues }: z.ZodError): string {
  return issues[0]!.message;
}
