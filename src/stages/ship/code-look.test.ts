import { FORMATS } from '../../core/formats/registry';
import { languageOf } from './code-look';

/** Endings of files that are no text, or a text without a syntax of its own. */
const WITHOUT = new Set('png xresources vtrgb qmldir ase pal gpl xlsx thmx pptx docx aco hex csv tsv liquid tgz'.split(' '));

test.each(FORMATS.flatMap(({ id, extensions }) => extensions.map((ending) => [id, ending] as const)))(
  '%s: a file that ends in %s is shown in its language',
  (_id, ending) => {
    const known = languageOf(`a${ending}`);
    expect(Array.isArray(known) && known.length === 0).toBe(WITHOUT.has(ending.split('.').at(-1)!.toLowerCase()));
  },
);
