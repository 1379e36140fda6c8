import type { ReactNode } from 'react';
import css from './dial.module.css';

interface DialProps {
  label: string;
  /** What stands at the right: the value in its unit. */
  shown: ReactNode;
  value: number;
  min: number;
  max: number;
  step?: number;
  disabled?: boolean;
  onMove: (value: number) => void;
}

/** A slider with its name and value above it. */
export function Dial({ label, shown, value, min, max, step = 1, disabled = false, onMove }: DialProps) {
  return (
    <label className={css.dial}>
      {label}
      <code>{shown}</code>
      <input
        type="range"
        aria-label={label}
        min={min}
        max={max}
        step={step}
        value={value}
        disabled={disabled}
        onChange={(event) => onMove(event.target.valueAsNumber)}
      />
    </label>
  );
}

interface ChoiceProps<T extends string> {
  label: string;
  options: readonly T[];
  value: T;
  /** The label is for screen readers only. */
  plain?: boolean;
  onChoose: (value: T) => void;
}

/** A few words to choose one of, side by side. */
export function Choice<T extends string>({ label, options, value, plain = false, onChoose }: ChoiceProps<T>) {
  return (
    <div className={css.choice} role="radiogroup" aria-label={label}>
      {!plain && <span>{label}</span>}
      <div>
        {options.map((option) => (
          <button key={option} type="button" role="radio" aria-checked={option === value} onClick={() => onChoose(option)}>
            {option}
          </button>
        ))}
      </div>
    </div>
  );
}
