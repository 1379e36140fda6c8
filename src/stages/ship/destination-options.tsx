import { useId, useMemo } from 'react';
import type { Destination } from '@/core/brand/document/destination-shape';
import type { Format } from '@/core/formats/kit/format';
import { optionKinds } from '@/core/formats/kit/option-kinds';
import { useBrand } from '@/ui/store/brand-context';
import { tell } from '@/ui/notices';
import { OptionField } from './option-field';
import css from './ship.module.css';

type Options = Destination['options'];

/** A format's options, each in the field that suits it, checked by the format's own schema. */
export function DestinationOptions({
  format,
  options,
  disabled,
  onChange,
}: {
  format: Format;
  options: Options;
  disabled: boolean;
  onChange: (options: Options, what: string) => boolean;
}) {
  const paths = useId();
  const tokens = useBrand((state) => state.replica.brand.tokens);
  const proposed = useMemo(() => pathsOf(tokens.map(({ path }) => path)), [tokens]);
  const kinds = optionKinds(format);
  if (kinds.length === 0) return <p className={css.soft}>There is nothing to choose: the file is always the same.</p>;
  const set = (name: string, title: string, value: unknown) => {
    const next = { ...options, [name]: value } as Options;
    const checked = format.options.safeParse(next);
    if (!checked.success) {
      tell(checked.error.issues[0]!.message);
      return false;
    }
    return onChange(next, title);
  };
  return (
    <div className={css.options} role="group" aria-label="Options">
      {kinds.map((kind) => (
        <OptionField
          key={kind.name}
          kind={kind}
          value={options[kind.name] ?? kind.usual}
          disabled={disabled}
          paths={paths}
          onSet={(value) => set(kind.name, kind.title, value)}
        />
      ))}
      <datalist id={paths}>
        {proposed.map((path) => (
          <option key={path} value={path} />
        ))}
      </datalist>
    </div>
  );
}

/** Groups, then tokens; as many as a list of proposals can carry. */
function pathsOf(paths: readonly string[]): string[] {
  const groups = new Set(paths.flatMap((path) => path.split('.').map((_, at, steps) => steps.slice(0, at).join('.'))));
  return [...groups].filter(Boolean).concat(paths).slice(0, 1_000);
}
