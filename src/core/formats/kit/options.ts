import { z } from 'zod';
import { LIMITS } from '../../brand/document/fields';
import type { GroupsOption, TokenOption } from '../../brand/tools/token-options';

/** What a person needs to know of an option. */
export interface OptionMeta {
  readonly title: string;
  /** What it means to leave it as it is. */
  readonly description: string;
  /** For one of several words, or several of them: what each says. */
  readonly says?: Readonly<Record<string, string>>;
  /** What a text or list holds: the path of a token or group, several of them, ids of themes, class names, a template. */
  readonly names?: 'tokens' | 'groups' | 'themes' | 'theme' | 'classes' | 'source';
}

/** An option's meta, with its words held by their type: a plain object would let a misspelt one pass. */
export function about(meta: OptionMeta): OptionMeta & { readonly [other: string]: unknown } {
  return { ...meta };
}

/** An option that holds the path of a token or group. Its name is one that renaming follows. @param empty what an empty one means */
export function tokenOption<Name extends TokenOption>(name: Name, title: string, empty: string, usual = '') {
  const schema = z
    .string()
    .max(LIMITS.path)
    .default(usual)
    .meta(about({ title, description: empty, names: 'tokens' }));
  return { [name]: schema } as Record<Name, typeof schema>;
}

/** An option that holds paths of groups. */
export function groupsOption<Name extends GroupsOption>(name: Name, title: string, empty: string) {
  const schema = z
    .array(z.string().max(LIMITS.path))
    .max(2_000)
    .default([])
    .meta(about({ title, description: empty, names: 'groups' }));
  return { [name]: schema } as Record<Name, typeof schema>;
}
