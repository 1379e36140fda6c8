import { z } from 'zod';
import type { Format } from './format';
import type { OptionMeta } from './options';

/** One option of a format, as an interface, a page of documentation or a command line can offer it. */
export interface OptionKind {
  readonly name: string;
  readonly title: string;
  /** What it means to leave it as it is. */
  readonly untouched: string;
  readonly value:
    | { readonly kind: 'text' | 'number' | 'flag' }
    /** One of several words, or several of them; each with what it says. */
    | { readonly kind: 'one' | 'several'; readonly words: readonly (readonly [word: string, says: string])[] }
    /** A theme's id, several of them; the path of a token or group, several of them; class names out of pages; a template. */
    | { readonly kind: 'theme' | 'themes' | 'tokens' | 'groups' | 'classes' | 'source' };
  readonly usual: unknown;
}

/** A format's options in their order, out of its schema: there is no other list of them. */
export function optionKinds({ options }: Pick<Format, 'options'>): OptionKind[] {
  return Object.entries(options.shape).map(([name, schema]) => {
    const { title = name, description = '', names, says = {} } = (schema.meta() ?? {}) as Partial<OptionMeta>;
    const inner = schema instanceof z.ZodDefault ? (schema.unwrap() as z.ZodType) : schema;
    const word = (choice: string) => [choice, says[choice] ?? choice] as const;
    const value = ((): OptionKind['value'] => {
      if (names) return { kind: names };
      if (inner instanceof z.ZodEnum) return { kind: 'one', words: inner.options.map(String).map(word) };
      if (inner instanceof z.ZodArray && inner.element instanceof z.ZodEnum)
        return { kind: 'several', words: inner.element.options.map(String).map(word) };
      if (inner instanceof z.ZodBoolean) return { kind: 'flag' };
      return { kind: inner instanceof z.ZodNumber ? 'number' : 'text' };
    })();
    return { name, title, untouched: description, value, usual: schema.parse(undefined) };
  });
}
