import type { Brand } from '@/core/brand/document/document';
import { isBrandFile, parseBrandFile } from '@/core/intake/brand-file';
import { fail } from './failure';
import { load } from './input';

/** The brand of a brand file, or the end of the command with the reason. */
export function brandFileAt(path: string): Brand {
  const text = new TextDecoder().decode(load(path).bytes);
  if (!isBrandFile(text)) fail(`${path} is no brand file; give one that Breakwater wrote.`);
  const parsed = parseBrandFile(text);
  return 'brand' in parsed ? parsed.brand : fail(`${path}: ${parsed.problems[0]!.message}`);
}
