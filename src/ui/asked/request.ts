/** What the server said no to, in its own sentence. */
export class Declined extends Error {
  constructor(
    readonly status: number,
    sentence: string,
  ) {
    super(sentence);
  }
}

/**
 * Calls the server. Bytes are sent as they are, anything else as JSON.
 * @throws Declined with its sentence, or TypeError when it cannot be reached
 */
export async function request<T>(path: string, method: 'GET' | 'POST' | 'PATCH' | 'DELETE' = 'GET', body?: unknown): Promise<T> {
  const bytes = body instanceof Blob;
  const response = await fetch(path, {
    method,
    // A preference is small and kept nowhere else, so it is sent even when the page is left at once.
    keepalive: method === 'PATCH',
    ...(body !== undefined && {
      headers: { 'content-type': bytes ? 'application/octet-stream' : 'application/json' },
      body: bytes ? body : JSON.stringify(body),
    }),
  });
  const data: unknown = await response.json();
  if (response.ok) return data as T;
  const { error } = data as { error?: string };
  throw new Declined(response.status, error ?? 'The server refused without saying why.');
}
