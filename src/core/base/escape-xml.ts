/** A text as it stands in an attribute or an element. The two characters that XML 1.0 forbids, control characters aside, are replaced. */
export function escapeXml(text: string): string {
  return text.replace(/[\ufffe\uffff]/g, '\ufffd').replace(/[<>&"']/g, (character) => `&#${character.charCodeAt(0)};`);
}
