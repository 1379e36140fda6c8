import { inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import css from './strip.module.css';

interface StripProps {
  /** CSS. */
  values: readonly string[];
  /** Words under or on each; the code otherwise. */
  labels?: readonly string[];
  height?: number;
  label: string;
}

/** Colours side by side as they would be, each with its code where there is room. */
export function Strip({ values, labels, height = 60, label }: StripProps) {
  const worded = values.length <= 12;
  return (
    <ol className={css.strip} style={{ height }} aria-label={label}>
      {values.map((value, at) => {
        const colour = readColour(value)!;
        return (
          <li
            key={at}
            style={{ background: colour.hex, color: inkOn(colour) }}
            data-value={value}
            title={`${labels?.[at] ?? ''} ${colour.hex}`}
          >
            {worded && (
              <>
                {labels && <span>{labels[at]}</span>}
                <code>{colour.hex.slice(1)}</code>
              </>
            )}
          </li>
        );
      })}
    </ol>
  );
}
