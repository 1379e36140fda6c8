import { NativeSelect } from '@chakra-ui/react';

/** One of a few, chosen from a list. */
export function Choice({
  label,
  width,
  value,
  options,
  disabled,
  onChange,
}: {
  label: string;
  width: string;
  value: string;
  options: readonly (readonly [value: string, words: string])[];
  disabled: boolean;
  onChange: (value: string) => void;
}) {
  return (
    <NativeSelect.Root size="xs" width={width} disabled={disabled}>
      <NativeSelect.Field aria-label={label} value={value} onChange={({ target }) => onChange(target.value)}>
        {options.map(([each, words]) => (
          <option key={each} value={each}>
            {words}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
