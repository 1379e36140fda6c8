import { words } from './identifiers';

/** ECMAScript, 12.7.2 Reserved Words, and what a module may not declare. */
export const SCRIPT_WORDS = words(
  'await break case catch class const continue debugger default delete do else enum export extends false finally for function if import in instanceof new null return super switch this throw true try typeof var void while with yield let static implements interface package private protected public arguments eval themes undefined NaN Infinity',
);
