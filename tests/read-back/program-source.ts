import { readFileSync } from 'node:fs';
import { Language, Parser, type Node } from 'web-tree-sitter';

/** One colour of a program's source: what it is called, and the number that stands there. */
export interface SourceConstant {
  readonly group: string;
  readonly name: string;
  /** As it is written: `0x1f6f78ff`, or the call that makes it. */
  readonly value: string;
}

/** Where each grammar keeps the name of a group, a constant and its value. Grammars of tree-sitter, as its registry packages have them. */
const GRAMMARS = {
  c: { constant: 'preproc_def', group: '', name: 'identifier', value: 'preproc_arg' },
  c_sharp: { constant: 'variable_declarator', group: 'class_declaration', name: 'identifier', value: 'equals_value_clause' },
  rust: { constant: 'const_item', group: 'mod_item', name: 'identifier', value: 'integer_literal' },
  kotlin: { constant: 'property_declaration', group: 'object_declaration', name: 'variable_declaration', value: 'hex_literal' },
  swift: { constant: 'property_declaration', group: 'class_declaration', name: 'pattern', value: 'call_expression' },
  dart: { constant: 'static_final_declaration', group: 'class_definition', name: 'identifier', value: 'selector' },
} as const;

/** Reads a source by a grammar of its language. @throws when the grammar finds an error in it */
export async function constantsOf(language: keyof typeof GRAMMARS, source: string): Promise<SourceConstant[]> {
  await Parser.init();
  const parser = new Parser();
  parser.setLanguage(await Language.load(readFileSync(`node_modules/tree-sitter-wasms/out/tree-sitter-${language}.wasm`)));
  const tree = parser.parse(source)!;
  if (tree.rootNode.hasError) throw new Error(`The grammar of ${language} finds an error in ${source.slice(0, 200)}`);
  const { constant, group, name, value } = GRAMMARS[language];
  return tree.rootNode.descendantsOfType(constant).flatMap((node) => {
    const [named] = node!.descendantsOfType(name);
    const [text] = node!.descendantsOfType(value);
    return named && text
      ? [{ group: groupOf(node!, group), name: named.text.split(':')[0]!, value: text.text.replace(/^= /, '') }]
      : [];
  });
}

function groupOf(node: Node, type: string): string {
  let at: Node | null = node;
  while (at && at.type !== type) at = at.parent;
  return at?.childForFieldName('name')?.text ?? at?.descendantsOfType('type_identifier')[0]?.text ?? '';
}
