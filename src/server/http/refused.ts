/** A request that is not carried out, with the sentence for the person. Anything else thrown is a bug. */
export class Refused extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 429 | 503,
    sentence: string,
  ) {
    super(sentence);
  }
}
