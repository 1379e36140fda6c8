import { parseJson, TooDeep } from '../base/json-text';
import type { z } from 'zod';
import { problem, type Problem } from '../source/problem';

/** JSON that has to be whole. */
export function parsedJson(text: string): { json: unknown } | { problems: Problem[] } {
  try {
    return { json: parseJson(text) };
  } catch (error) {
    if (error instanceof TooDeep) return { problems: [problem(error.message)] };
    return { problems: [problem(`This is not JSON: ${(error as Error).message}.`)] };
  }
}

/** What a schema found wrong, a sentence each with its place in the document. */
export function issuesAsProblems({ issues }: z.ZodError): Problem[] {
  return issues.slice(0, 50).map(({ path, message }) => problem(path.length > 0 ? `At ${path.join('.')}: ${message}` : message));
}
