import { Button, Input } from '@chakra-ui/react';
import { useId, useState, type ClipboardEvent, type RefObject } from 'react';
import { TokenPath, type TokenValue } from '@/core/brand/document/token-shape';
import { newId } from '@/core/brand/document/identity';
import { swatchesOf } from '@/core/brand/reading/resolve';
import { pathsOffered, tokensFromLines } from '@/core/brand/tools/token-lines';
import { readColour } from '@/core/colour/read';
import { useBrand } from '@/ui/store/brand-context';
import { ValuePicker } from '@/ui/token-field/value-picker';
import { newToken } from './token-edits';
import css from './tokens.module.css';

interface NewTokenProps {
  ref: RefObject<HTMLInputElement | null>;
  path: string;
  onPath: (path: string) => void;
}

/**
 * Names new tokens: a path, and the value it starts with in every theme. Picking the value adds the token, and the next one is typed in the same
 * group. The path may bring its value along (`text.link {brand.teal}`), and lines of both, pasted, are that many tokens.
 */
export function NewToken({ ref, path, onPath }: NewTokenProps) {
  const { brand, theme, run, select, selection } = useBrand((state) => ({
    brand: state.brand,
    theme: state.theme,
    run: state.run,
    select: state.select,
    selection: state.selection,
  }));
  const [refused, setRefused] = useState<readonly string[]>([]);
  const offeredId = useId();
  // The swatch in the readout is the likeliest value of the next token.
  const chosen = selection && 'swatch' in selection ? swatchesOf(brand).get(selection.swatch)?.swatch : undefined;
  const likely = chosen ? { swatch: chosen.id } : null;

  /** The next one most likely goes beside it. */
  const done = (id: string, added: string) => {
    select({ token: id });
    setRefused([]);
    onPath(added.slice(0, added.lastIndexOf('.') + 1));
    // After the list has closed, which gives the focus back to its own field; and not from where somebody has gone meanwhile.
    requestAnimationFrame(() =>
      requestAnimationFrame(() => {
        const { activeElement, body } = document;
        if (activeElement === body || ref.current?.form?.contains(activeElement)) ref.current?.focus();
      }),
    );
  };
  const addLines = (text: string) => {
    const { command, added, refused: sentences } = tokensFromLines(brand, text, newId);
    if (command && run(command)) done(added.at(-1)!.id, added.at(-1)!.path);
    setRefused(sentences);
  };
  const add = (value: TokenValue | null) => {
    const parsed = TokenPath.safeParse(path.trim());
    // A path with something behind it: perhaps its value.
    if (!parsed.success && /[\s=:,]\S/.test(path.trim())) return addLines(path);
    if (!parsed.success) return setRefused([parsed.error.issues[0]!.message]);
    if (!value) return setRefused(['Choose what the token stands for: a swatch, another token, or a colour of its own.']);
    if (brand.tokens.some((token) => token.path === parsed.data)) return setRefused([`${parsed.data} is there already.`]);
    const { command, id } = newToken(brand, parsed.data, value);
    if (run(command)) done(id, parsed.data);
  };
  const onPaste = (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain');
    if (!/[\t\n]/.test(text.trim())) return;
    event.preventDefault();
    addLines(text);
  };
  return (
    <form
      className={css.newToken}
      onSubmit={(event) => {
        event.preventDefault();
        add(likely);
      }}
    >
      <Input
        ref={ref}
        size="xs"
        width="220px"
        className={css.pathInput}
        aria-label="Path of the new token"
        placeholder="new.token.path"
        autoComplete="off"
        list={offeredId}
        value={path}
        maxLength={400}
        onChange={(event) => onPath(event.target.value)}
        onPaste={onPaste}
      />
      <datalist id={offeredId}>
        {pathsOffered(brand, path).map((offered) => (
          <option key={offered} value={offered} />
        ))}
      </datalist>
      <div className={css.pick}>
        <ValuePicker
          theme={theme}
          label="Value of the new token"
          onPick={add}
          {...(chosen && { placeholder: `${chosen.name}, as chosen` })}
        />
      </div>
      {chosen && <i className={css.picked} style={{ background: readColour(chosen.value)?.hex }} />}
      <Button size="xs" type="submit" variant="outline">
        Add token
      </Button>
      {refused.length > 0 && (
        <div className={css.refused} role="alert">
          {refused.map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
        </div>
      )}
    </form>
  );
}
