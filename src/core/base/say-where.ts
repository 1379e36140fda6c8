import { z } from 'zod';

const { localeError: wordsOfZod } = z.locales.en();

/**
 * Where a schema has no sentence of its own: what Zod says, and of which part of what was given. Passed to each parsing whose complaint a person reads.
 * @param whole what the whole is called, with its verb, where nothing in it is to blame alone: “The request is”
 */
export function sayWhere(whole: string): z.core.$ZodErrorMap {
  return (issue) => {
    const said = wordsOfZod(issue) ?? 'invalid';
    const words = typeof said === 'string' ? said : said.message;
    const where = issue.path?.length ? `“${issue.path.join('.')}” is` : whole;
    return `${where} not as it should be: ${words[0]!.toLowerCase()}${words.slice(1)}.`;
  };
}

/** The first thing that is wrong, as a sentence. */
export function firstIssue({ issues }: z.ZodError): string {
  return issues[0]!.message;
}
