import { Combobox, createListCollection, Portal } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { resolveTheme, tokensOf } from '@/core/brand/reading/resolve';
import { useBrand } from '../store/brand-context';
import { tokenOptions } from './value-options';
import css from './token-field.module.css';

interface TokenFieldProps {
  label: string;
  /** Id of the token chosen; undefined when none is. */
  value: string | undefined;
  disabled?: boolean;
  /** Given, the field may be emptied; says what an empty one means. */
  none?: string;
  onChoose: (token: string | undefined) => void;
}

/** A field for one of the brand's tokens, completed as one types. */
export function TokenField({ label, value, disabled = false, none, onChoose }: TokenFieldProps) {
  const { brand, theme } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme }));
  const [typed, setTyped] = useState<string | null>(null);
  const chosen = value === undefined ? undefined : tokensOf(brand).get(value);
  const collection = useMemo(
    () =>
      createListCollection({
        // Also while it is closed: what was clicked is looked up after the field has closed.
        items: tokenOptions(brand, theme, typed ?? ''),
        itemToString: (item) => item.label,
        itemToValue: (item) => item.key,
      }),
    [brand, theme, typed],
  );
  const hex = chosen && resolveTheme(brand, theme).get(chosen.id)?.colour?.hex;
  return (
    <Combobox.Root
      size="xs"
      collection={collection}
      inputValue={typed ?? chosen?.path ?? ''}
      onInputValueChange={(change) => setTyped(change.inputValue)}
      onValueChange={(change) => {
        const [item] = change.items;
        if (item) onChoose(item.key);
        setTyped(null);
      }}
      onOpenChange={({ open }) => setTyped(open ? '' : null)}
      value={[]}
      disabled={disabled}
      selectionBehavior="preserve"
      inputBehavior="autohighlight"
      openOnClick
      lazyMount
      unmountOnExit
      positioning={{ sameWidth: false, placement: 'bottom-start' }}
    >
      <Combobox.Control>
        <span className={css.tokenField}>
          <i style={{ background: hex ?? 'transparent' }} />
          <Combobox.Input aria-label={label} placeholder={none ?? 'Token'} />
          {none !== undefined && chosen && !disabled && (
            <button type="button" aria-label={`${label}: ${none}`} onClick={() => onChoose(undefined)}>
              ×
            </button>
          )}
        </span>
      </Combobox.Control>
      <Portal>
        <Combobox.Positioner>
          <Combobox.Content minWidth="260px" maxHeight="260px">
            <Combobox.Empty>No token fits.</Combobox.Empty>
            {collection.items.map((item) => (
              <Combobox.Item key={item.key} item={item} className={css.option}>
                <i style={item.colour ? { background: item.colour.hex } : {}} />
                <span>{item.label}</span>
              </Combobox.Item>
            ))}
          </Combobox.Content>
        </Combobox.Positioner>
      </Portal>
    </Combobox.Root>
  );
}
