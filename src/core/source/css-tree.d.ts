/** The tokenizer of css-tree by itself: its main entry also loads the dictionary of all CSS, which nothing here needs. */
declare module 'css-tree/tokenizer' {
  export { tokenize, tokenTypes } from 'css-tree';
}
