import { customAlphabet } from 'nanoid';

/** A new id for an entity or a command: 14 letters and digits, so that a brand of any size never sees one twice. */
export const newId: () => string = customAlphabet('0123456789abcdefghijklmnopqrstuvwxyz', 14);
