/** Two columns of the colour itself, by the terminal's 24-bit escape codes; nothing where the output is no terminal. */
export function patch(hex: string): string {
  if (!process.stdout.isTTY && process.env.FORCE_COLOR === undefined) return '';
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
  return `\u001b[48;2;${r};${g};${b}m    \u001b[0m `;
}

/** A name from a file, safe to print: control characters, which could move the cursor or recolour the screen, are shown as ·. */
export function printable(text: string): string {
  return text.replace(/\p{Cc}/gu, '·');
}
