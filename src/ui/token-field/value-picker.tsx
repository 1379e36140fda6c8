import { Combobox, createListCollection, Portal } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { TokenValue } from '@/core/brand/document/token-shape';
import { useBrand } from '../store/brand-context';
import { valueOptions } from './value-options';
import css from './token-field.module.css';

interface ValuePickerProps {
  theme: string;
  label: string;
  autoFocus?: boolean;
  placeholder?: string;
  /** Whether any CSS colour may be typed; else only swatches and tokens are offered. */
  ownColours?: boolean;
  onPick: (value: TokenValue) => void;
  onClose?: () => void;
}

/** A field that completes swatches and tokens as one types, and takes any CSS colour as it is. */
export function ValuePicker({
  theme,
  label,
  autoFocus = false,
  placeholder,
  ownColours = true,
  onPick,
  onClose,
}: ValuePickerProps) {
  const brand = useBrand((state) => state.brand);
  const [typed, setTyped] = useState('');
  const collection = useMemo(
    () =>
      createListCollection({
        items: valueOptions(brand, theme, typed).filter(({ kind }) => ownColours || kind !== 'own colour'),
        itemToString: (item) => item.label,
        itemToValue: (item) => item.key,
      }),
    [brand, theme, typed, ownColours],
  );
  return (
    <Combobox.Root
      size="xs"
      collection={collection}
      inputValue={typed}
      onInputValueChange={(change) => setTyped(change.inputValue)}
      onValueChange={(change) => {
        const [item] = change.items;
        if (item) onPick(item.value);
      }}
      onOpenChange={(change) => !change.open && onClose?.()}
      value={[]}
      selectionBehavior="clear"
      inputBehavior="autohighlight"
      openOnClick
      lazyMount
      unmountOnExit
      defaultOpen={autoFocus}
      positioning={{ sameWidth: false, placement: 'bottom-start' }}
    >
      <Combobox.Control>
        <Combobox.Input
          aria-label={label}
          placeholder={placeholder ?? 'Swatch, token or colour'}
          autoFocus={autoFocus}
          onKeyDown={(event) => event.key === 'Escape' && onClose?.()}
        />
      </Combobox.Control>
      <Portal>
        <Combobox.Positioner>
          <Combobox.Content minWidth="300px" maxHeight="260px">
            <Combobox.Empty>
              {ownColours ? 'Nothing fits; type a colour such as #1f6f78.' : 'No swatch or token fits.'}
            </Combobox.Empty>
            {collection.items.map((item) => (
              <Combobox.Item key={item.key} item={item} className={css.option}>
                <i style={item.colour ? { background: item.colour.hex } : {}} />
                <span>{item.label}</span>
                <small>{item.kind}</small>
              </Combobox.Item>
            ))}
          </Combobox.Content>
        </Combobox.Positioner>
      </Portal>
    </Combobox.Root>
  );
}
