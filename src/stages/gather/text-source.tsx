import { Button } from '@chakra-ui/react';
import { isAddress } from '@/core/intake/web/web-page';
import { useCatch } from '@/ui/store/catch-store';
import css from './gather.module.css';

const EXAMPLE = `Night blue    #1f2a44
Amber: f2b63c
rgb(196 74 58)  Brick
| Sand | #c9b08a |
--mist: #e8ecef;
Sand again #c9b08a
Moss C 70 M 20 Y 60 K 30
Veil 0x801f6f78
Signal #12e4f`;

/** The text area is a view of the text and takes no more than this; the whole is read all the same. */
const SHOWN = 60_000;

interface Props {
  onText: (text: string) => void;
  /** A page of the web is to be read. */
  onAddress: (address: string) => void;
}

/** Any text, pasted or typed; the address of a page is read when that is asked for. */
export function TextSource({ onText, onAddress }: Props) {
  const text = useCatch((state) => state.text);
  const long = text.length > SHOWN;
  return (
    <>
      {!text && (
        <Button size="xs" variant="outline" marginBottom="8px" flexShrink={0} onClick={() => onText(EXAMPLE)}>
          Try it with an example
        </Button>
      )}
      <textarea
        className={css.text}
        aria-label="Text with colours"
        value={long ? text.slice(0, SHOWN) : text}
        readOnly={long}
        spellCheck={false}
        placeholder="Paste here: a list, a table, a style guide, code, or the address of a page"
        onChange={(event) => onText(event.target.value)}
        onPaste={(event) => {
          const pasted = event.clipboardData.getData('text/plain');
          if (pasted.length < SHOWN) return;
          // A long text is read whole, without the field having to lay it out.
          event.preventDefault();
          onText(pasted);
        }}
      />
      {isAddress(text) && (
        <Button size="xs" flexShrink={0} marginBottom="10px" onClick={() => onAddress(text.trim())}>
          Read the colours of this page
        </Button>
      )}
      {long && <p className={css.note}>The first {SHOWN.toLocaleString('en')} characters are shown; all are read.</p>}
    </>
  );
}
