import { Button, Input } from '@chakra-ui/react';
import { useState, type Ref } from 'react';
import { TokenPath, type TokenValue } from '@/core/brand/document';
import { readColour } from '@/core/colour/read';
import { resolveTheme, swatchesOf } from '@/core/brand/resolve';
import { useBrand } from '@/ui/brand-context';
import { tell } from '@/ui/notices';
import { newToken } from './token-edits';
import { ValuePicker } from '@/ui/token-field/value-picker';
import css from './tokens.module.css';

interface NewTokenProps {
  ref: Ref<HTMLInputElement>;
  path: string;
  onPath: (path: string) => void;
}

/** Names a new token: a path, and the value it starts with in every theme. */
export function NewToken({ ref, path, onPath }: NewTokenProps) {
  const { brand, theme, run, select, selection } = useBrand((state) => ({
    brand: state.brand,
    theme: state.theme,
    run: state.run,
    select: state.select,
    selection: state.selection,
  }));
  const [picked, setPicked] = useState<TokenValue | null>(null);
  // The swatch in the readout is the likeliest value of the next token.
  const value =
    picked ??
    (selection && 'swatch' in selection && swatchesOf(brand).has(selection.swatch) ? { swatch: selection.swatch } : null);
  const shown = value && describe();
  function describe(): { hex: string | undefined; label: string } {
    if ('colour' in value!) return { hex: readColour(value.colour)?.hex, label: value.colour };
    if ('swatch' in value!) {
      const found = swatchesOf(brand).get(value.swatch);
      return { hex: found && readColour(found.swatch.value)?.hex, label: found?.swatch.name ?? '' };
    }
    const resolved = resolveTheme(brand, theme).get(value!.token);
    return { hex: resolved?.colour?.hex, label: resolved?.token.path ?? '' };
  }
  const add = () => {
    const parsed = TokenPath.safeParse(path.trim());
    if (!parsed.success) return tell(parsed.error.issues[0]!.message);
    if (!value) return tell('Choose what the token stands for: a swatch, another token, or a colour of its own.');
    const { command, id } = newToken(brand, parsed.data, value);
    if (!run(command)) return;
    select({ token: id });
    // The next one most likely goes beside it.
    onPath(path.slice(0, path.lastIndexOf('.') + 1));
    setPicked(null);
  };
  return (
    <form
      className={css.newToken}
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <Input
        ref={ref}
        size="xs"
        width="200px"
        fontFamily="mono"
        fontStretch="75%"
        aria-label="Path of the new token"
        placeholder="new.token.path"
        value={path}
        maxLength={200}
        onChange={(event) => onPath(event.target.value)}
      />
      <div className={css.pick}>
        <ValuePicker theme={theme} label="Value of the new token" onPick={setPicked} />
      </div>
      {shown && (
        <span className={css.picked}>
          <i style={{ background: shown.hex }} /> {shown.label}
        </span>
      )}
      <Button size="xs" type="submit" variant="outline">
        Add token
      </Button>
    </form>
  );
}
