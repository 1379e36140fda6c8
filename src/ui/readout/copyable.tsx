import { tell } from '../notices';

/** Copies a text and says so. */
export async function copy(text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text);
    tell(`Copied ${text.length > 60 ? `${text.length} characters` : text}`);
  } catch {
    tell('The browser did not allow copying; select the text and copy it by hand.');
  }
}

/** A text that is copied with a click or Enter. */
export function Copyable({ text }: { text: string }) {
  return (
    <button title="Copy" onClick={() => void copy(text)}>
      <code>{text}</code>
    </button>
  );
}
