import { spelt, wordsOf } from '../../base/words';
import type { Casing } from './choices';

/** What a language allows as a name. */
export interface NameRules {
  /** Letters a–z, digits and underscores only; other letters are spelt out. Otherwise letters of any script stay. */
  readonly ascii?: boolean;
  /** Words that mean something else in the language, in the casing they are written in. */
  readonly reserved?: ReadonlySet<string>;
  /** Names that the file itself has where the names of its themes stand, each with what it is. */
  readonly themeNames?: Readonly<Record<string, string>>;
}

/**
 * A token's path as one name: its words, cut at dots, hyphens, underscores and before capitals, joined as asked. A name
 * that would begin with a digit, or be a word of the language, has `colour` added, so that it is always allowed.
 * @param prefix words with hyphens between, put first
 */
export function identifier(path: string, casing: Casing, prefix = '', { ascii = false, reserved }: NameRules = {}): string {
  if (casing === 'path') return prefix + path;
  const words = [...prefix.split('-').filter(Boolean), ...path.split('.').flatMap(wordsOf)].map((word) =>
    ascii ? inAscii(word) : word,
  );
  if (/^\P{L}/u.test(words[0]!)) words.unshift('colour');
  const name = joined(words, casing);
  return reserved?.has(name) ? joined([...words, 'colour'], casing) : name;
}

function joined(words: readonly string[], casing: Exclude<Casing, 'path'>): string {
  switch (casing) {
    case 'kebab':
      return words.join('-');
    case 'snake':
      return words.join('_');
    case 'capitals':
      return words.map(upper).join('_');
    case 'camel':
    case 'pascal':
      return words
        .map((word, at) => {
          // Two numbers side by side would read as one.
          const apart = at > 0 && /\d$/.test(words[at - 1]!) && /^\d/.test(word) ? '_' : '';
          return apart + (at === 0 && casing === 'camel' ? word : upper(word.charAt(0)) + word.slice(1));
        })
        .join('');
  }
}

/** Capitals of ordinary letters; a letter whose capital is longer, such as ß, stays. */
function upper(text: string): string {
  return text.replace(/\p{Ll}/gu, (letter) => {
    const raised = letter.toUpperCase();
    return raised.length === letter.length ? raised : letter;
  });
}

/** A word in letters a to z and digits alone, different for different words. */
function inAscii(word: string): string {
  return word
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]/gu, spelt);
}

/** Words of a list, for `reserved`. */
export function words(list: string): ReadonlySet<string> {
  return new Set(list.split(/\s+/));
}
