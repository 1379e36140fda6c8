import { css as cssLanguage } from '@codemirror/lang-css';
import { json } from '@codemirror/lang-json';
import { sass } from '@codemirror/lang-sass';
import { xml } from '@codemirror/lang-xml';
import { HighlightStyle, StreamLanguage, syntaxHighlighting } from '@codemirror/language';
import { csharp, dart, kotlin, c } from '@codemirror/legacy-modes/mode/clike';
import { javascript, typescript } from '@codemirror/legacy-modes/mode/javascript';
import { lua } from '@codemirror/legacy-modes/mode/lua';
import { properties } from '@codemirror/legacy-modes/mode/properties';
import { python } from '@codemirror/legacy-modes/mode/python';
import { rust } from '@codemirror/legacy-modes/mode/rust';
import { swift } from '@codemirror/legacy-modes/mode/swift';
import { toml } from '@codemirror/legacy-modes/mode/toml';
import { yaml } from '@codemirror/legacy-modes/mode/yaml';
import { tags } from '@lezer/highlight';
import { EditorView, type Extension } from '@uiw/react-codemirror';

/** Syntax told apart by weight and grey: the only hues on the page are the colours in the file. */
const greyLook = HighlightStyle.define([
  {
    tag: [
      tags.propertyName,
      tags.tagName,
      tags.variableName,
      tags.definition(tags.variableName),
      tags.className,
      tags.standard(tags.variableName),
    ],
    fontWeight: '700',
  },
  { tag: [tags.comment, tags.punctuation, tags.separator, tags.bracket, tags.angleBracket], color: 'var(--soft)' },
  { tag: [tags.attributeName, tags.keyword, tags.labelName], fontStyle: 'italic' },
]);

const theme = EditorView.theme({
  '&': { fontSize: '11px', height: '100%', background: 'var(--raise)', color: 'var(--ink)' },
  '.cm-scroller': { fontFamily: "'Martian Mono Variable', monospace", fontStretch: '75%', lineHeight: '1.75' },
  '.cm-gutters': { background: 'var(--raise)', color: 'var(--soft)', border: '0' },
  '.cm-activeLine, .cm-activeLineGutter': { background: 'transparent' },
  '.cm-patches .patches': { display: 'flex', justifyContent: 'end', gap: '1px', padding: '3px 6px 3px 2px', height: '100%' },
  '.cm-patches i': { width: '14px', height: '13px', boxShadow: '0 0 0 1px var(--line)' },
  '.cm-code': { cursor: 'pointer', textDecoration: 'underline dotted var(--soft) 1px', textUnderlineOffset: '3px' },
  '.cm-code:hover': { background: 'var(--hover)' },
  '&.cm-merge-b .cm-changedLine, .cm-insertedLine': { background: 'var(--hover)' },
  '&.cm-merge-b .cm-changedText, .cm-changedText': {
    background: 'none',
    fontWeight: '700',
    textDecoration: 'underline',
    textUnderlineOffset: '3px',
  },
  '& .cm-deletedChunk': { background: 'none', color: 'var(--soft)', paddingLeft: '6px' },
  '& .cm-deletedChunk .cm-deletedLine, & .cm-deletedChunk .cm-deletedText': {
    background: 'none',
    textDecoration: 'line-through',
  },
  '& .cm-deletedLineGutter, & .cm-changedLineGutter, &.cm-merge-b .cm-changedLineGutter': { background: 'var(--ink)' },
  '& .cm-collapsedLines, & .cm-collapsedLines:hover': {
    background: 'var(--hover)',
    color: 'var(--soft)',
    padding: '2px 8px',
  },
});

/** How every text of a file is set here. */
export const codeLook: Extension = [syntaxHighlighting(greyLook), theme, EditorView.lineWrapping];

const LANGUAGES: Record<string, () => Extension> = {
  css: cssLanguage,
  qss: cssLanguage,
  less: cssLanguage,
  scss: () => sass(),
  json,
  gltf: json,
  tokens: json,
  xml: () => xml(),
  xsd: () => xml(),
  soc: () => xml(),
  svg: () => xml(),
  js: () => StreamLanguage.define(javascript),
  cjs: () => StreamLanguage.define(javascript),
  qml: () => StreamLanguage.define(javascript),
  ts: () => StreamLanguage.define(typescript),
  cs: () => StreamLanguage.define(csharp),
  h: () => StreamLanguage.define(c),
  kt: () => StreamLanguage.define(kotlin),
  dart: () => StreamLanguage.define(dart),
  swift: () => StreamLanguage.define(swift),
  rs: () => StreamLanguage.define(rust),
  lua: () => StreamLanguage.define(lua),
  gd: () => StreamLanguage.define(python),
  toml: () => StreamLanguage.define(toml),
  yaml: () => StreamLanguage.define(yaml),
  ini: () => StreamLanguage.define(properties),
  properties: () => StreamLanguage.define(properties),
  mplstyle: () => StreamLanguage.define(properties),
};

/** The language of a file, by its ending; none where it is not known. */
export function languageOf(path: string): Extension {
  return LANGUAGES[path.split('.').at(-1)!]?.() ?? [];
}
