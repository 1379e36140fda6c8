import { NativeSelect, Textarea } from '@chakra-ui/react';
import type { OptionKind } from '@/core/formats/kit/option-kinds';
import { useBrand } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import css from './ship.module.css';

interface OptionFieldProps {
  kind: OptionKind;
  value: unknown;
  disabled: boolean;
  /** Id of the list of paths to propose. */
  paths: string;
  onSet: (value: unknown) => boolean;
}

/** One option of a destination, in the field that its kind asks for. */
export function OptionField(props: OptionFieldProps) {
  const { kind, value, disabled, onSet } = props;
  const { title, untouched } = kind;
  switch (kind.value.kind) {
    case 'flag':
      return (
        <label className={css.flag}>
          <input type="checkbox" checked={value === true} disabled={disabled} onChange={({ target }) => onSet(target.checked)} />
          {title}
        </label>
      );
    case 'one':
      return <Choice {...props} words={kind.value.words} />;
    case 'theme':
      return <ThemeChoice {...props} />;
    case 'several':
      return <Several {...props} words={kind.value.words} />;
    case 'themes':
      return <ThemesChoice {...props} />;
    case 'source':
      // Edited where its outcome is seen.
      return null;
    case 'classes':
      return (
        <label>
          {title}
          <Textarea
            size="xs"
            rows={3}
            key={String(value)}
            defaultValue={String(value)}
            placeholder={untouched}
            disabled={disabled}
            fontFamily="mono"
            onBlur={({ target }) => target.value !== value && onSet(target.value)}
          />
        </label>
      );
    case 'groups':
      // Switched off and on where it is seen what they weigh.
      return (value as string[]).length === 0 ? null : (
        <div className={css.left}>
          <span>{title}</span>
          {(value as string[]).map((path) => (
            <button
              key={path}
              disabled={disabled}
              title="Take it in again"
              onClick={() => onSet((value as string[]).filter((other) => other !== path))}
            >
              {path} <span aria-hidden>×</span>
            </button>
          ))}
        </div>
      );
    default: {
      const number = kind.value.kind === 'number';
      return (
        <label>
          {title}
          <CommitInput
            value={number && value === kind.usual ? '' : String(value)}
            placeholder={untouched}
            disabled={disabled}
            mono
            {...(kind.value.kind === 'tokens' && { list: props.paths })}
            onCommit={(text) => onSet(number ? (text === '' ? kind.usual : Number(text)) : text)}
          />
        </label>
      );
    }
  }
}

function Choice({
  kind,
  value,
  disabled,
  words,
  onSet,
}: OptionFieldProps & { words: readonly (readonly [word: string, says: string])[] }) {
  return (
    <label>
      {kind.title}
      <NativeSelect.Root size="xs" disabled={disabled}>
        <NativeSelect.Field value={String(value)} onChange={({ target }) => onSet(target.value)}>
          {words.map(([word, says]) => (
            <option key={word} value={word}>
              {says}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </label>
  );
}

function ThemeChoice(props: OptionFieldProps) {
  const themes = useBrand((state) => state.replica.brand.themes);
  const words = themes.map(({ id, name }) => [id, name] as const);
  return <Choice {...props} words={[['', props.kind.untouched], ...words]} />;
}

function Several({
  kind,
  value,
  disabled,
  words,
  onSet,
}: OptionFieldProps & { words: readonly (readonly [word: string, says: string])[] }) {
  const chosen = value as readonly string[];
  return (
    <fieldset className={css.several} disabled={disabled}>
      <legend>{kind.title}</legend>
      {words.map(([word, says]) => (
        <label key={word} className={css.flag}>
          <input
            type="checkbox"
            checked={chosen.includes(word)}
            onChange={({ target }) =>
              onSet(
                words
                  .map(([offered]) => offered)
                  .filter((offered) => (offered === word ? target.checked : chosen.includes(offered))),
              )
            }
          />
          {says}
        </label>
      ))}
    </fieldset>
  );
}

/** Every theme has a tick as long as none is chosen: that means all, also those made later. */
function ThemesChoice(props: OptionFieldProps) {
  const themes = useBrand((state) => state.replica.brand.themes);
  const ids = themes.map(({ id }) => id);
  const chosen = (props.value as readonly string[]).filter((id) => ids.includes(id));
  const set = (value: unknown) => {
    const list = value as string[];
    return list.length === 0 ? false : props.onSet(list.length === ids.length ? [] : list);
  };
  const words = themes.map(({ id, name }) => [id, name] as const);
  return <Several {...props} words={words} value={chosen.length === 0 ? ids : chosen} onSet={set} />;
}
