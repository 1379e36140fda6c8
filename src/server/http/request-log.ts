import { AsyncLocalStorage } from 'node:async_hooks';
import { onePerProcess } from '../database/one-per-process';

/** The request that is being answered, wherever in the code that is done. */
const current = () => onePerProcess('request', () => new AsyncLocalStorage<{ readonly id: string; sender?: string }>());

/** Answers a request, known to everything that is logged meanwhile. */
export function asRequest<T>(id: string, answer: () => T): T {
  return current().run({ id }, answer);
}

/** Its id; nothing outside a request. */
export function requestId(): string | undefined {
  return current().getStore()?.id;
}

/** Notes who sent the request, once that is known: the id of a person or of a token. */
export function noteSender(id: string): void {
  const request = current().getStore();
  if (request) request.sender = id;
}

/** Who sent it; nothing outside a request, and before it is known. */
export function sender(): string | undefined {
  return current().getStore()?.sender;
}
