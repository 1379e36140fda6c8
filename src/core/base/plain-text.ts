/**
 * A text as one line that no language takes for more: line breaks, control characters and marks that turn the direction
 * of writing become spaces, and lone surrogates, which UTF-8 cannot hold, are replaced.
 */
export function oneLine(text: string): string {
  return text
    .replace(/\p{Cs}/gu, '\ufffd')
    .replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\s]+/gu, ' ')
    .trim();
}

/** For within a comment of any language: what would end one (C, XML, CDATA) is broken up, and no line is continued. */
export function commentText(text: string): string {
  return oneLine(text)
    .replace(/\*(?=\/)/g, '* ')
    .replace(/-(?=-)/g, '- ')
    .replace(/\](?=\])/g, '] ')
    .replace(/\\/g, '/');
}

/** A text between double quotes, as JSON and the languages that follow C write it; `$` too where it would begin an insertion. */
export function quoted(text: string, insertion = false): string {
  const json = JSON.stringify(oneLine(text));
  return insertion ? json.replace(/\$/g, '\\$') : json;
}
