/**
 * Two columns of the colour itself, by the terminal's 24-bit escape codes; nothing where the output is no terminal.
 * FORCE_COLOR (0 for none) and NO_COLOR say otherwise, as they do to many programs (common practice).
 */
export function patch(hex: string): string {
  const { FORCE_COLOR, NO_COLOR } = process.env;
  const shown = FORCE_COLOR === undefined ? process.stdout.isTTY && !NO_COLOR : FORCE_COLOR !== '0';
  if (!shown) return '';
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
  return `\u001b[48;2;${r};${g};${b}m    \u001b[0m `;
}

/** A name from a file, safe to print: control characters, which could move the cursor or recolour the screen, are shown as ·. */
export function printable(text: string): string {
  return text.replace(/\p{Cc}/gu, '·');
}
