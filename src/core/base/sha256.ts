import { hexDigits } from './hex';

/** SHA-256 (FIPS 180-4) as lower-case hex. */
export async function sha256(bytes: Uint8Array): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>);
  return hexDigits(new Uint8Array(digest));
}
