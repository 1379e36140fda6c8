import { apply } from '../../brand/commands/apply';
import { emptyBrand, type Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import { problem, type Problem } from '../../source/problem';
import type { SourceFile } from '../reader';
import { tidyName } from '../intake';
import { compareTokens } from './compare-tokens';
import { takeTokens } from './take-tokens';
import { readTokenFiles } from './token-files';

/**
 * A brand made of token files, so that they can be shipped at once: a theme for each context, each token under its path,
 * aliases as aliases. Deterministic: ids count up in the files' order.
 * @returns a brand without tokens when there are none; `problems` in both cases
 */
export function brandFromTokens(name: string, files: readonly SourceFile[]): { brand: Brand; problems: readonly Problem[] } {
  const { contexts, problems } = readTokenFiles(files);
  const themes = contexts.map((context, at): Theme => ({
    id: `theme${at + 1}`,
    name: tidyName(context.name) || `Theme ${at + 1}`,
  }));
  const empty = { ...emptyBrand('file', name), ...(themes.length > 0 && { themes }) };
  const mapped = contexts.map((context, at) => ({ theme: themes[at]!, context }));
  let count = 0;
  const command = takeTokens(empty, mapped, compareTokens(empty, mapped), true, () => `t${++count}`);
  if (!command) return { brand: empty, problems };
  const result = apply(empty, command);
  if (result.ok) return { brand: result.brand, problems };
  return { brand: empty, problems: [...problems, problem(result.refusal)] };
}
