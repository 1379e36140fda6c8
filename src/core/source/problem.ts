/** Something a reader has to say about a source. Lines and columns count from 1. */
export interface Problem {
  readonly severity: 'error' | 'warning';
  readonly line: number;
  readonly column: number;
  /** One sentence: what, and what to do. */
  readonly message: string;
  /** How many of the source's entries it stands for; none when it is about the source itself. */
  readonly entries?: number;
}

export function problem(
  message: string,
  { line = 1, column = 1 }: { readonly line?: number; readonly column?: number } = {},
  severity: Problem['severity'] = 'error',
  entries?: number,
): Problem {
  return { severity, line, column, message, ...(entries !== undefined && { entries }) };
}
