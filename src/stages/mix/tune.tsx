import { memo, useEffect, useEffectEvent, useMemo, useRef } from 'react';
import type { Swatch } from '@/core/brand/document';
import { showOklch } from '@/core/colour/gamut';
import { oklchText } from '@/core/colour/notations';
import { plainTitle } from '@/core/colour/plain-name';
import { hexOf, readColour, type ReadColour } from '@/core/colour/read';
import { useBrand, useBrandStore, useLiveSwatch, useMayEdit } from '@/ui/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { editSwatch } from './swatch-edits';
import css from './mix.module.css';

type Oklch = ReadColour['oklch'];
type Channel = 0 | 1 | 2;

/** OKLCH channels: lightness 0..1, chroma up to the most sRGB has, hue in degrees. */
const CHANNELS = [
  { label: 'Lightness', max: 1, step: 0.002, places: 3 },
  { label: 'Chroma', max: 0.33, step: 0.001, places: 3 },
  { label: 'Hue', max: 360, step: 0.5, places: 1 },
] as const;

/** Name, value and OKLCH sliders of one swatch, given as it is settled. */
export function Tune({ swatch }: { swatch: Swatch }) {
  const mayEdit = useMayEdit();
  return (
    <section className={css.tune} aria-label="Tune">
      <h2>Tune {swatch.name}</h2>
      <Fields swatch={swatch} mayEdit={mayEdit} />
      <Sliders swatch={swatch} disabled={swatch.locked || !mayEdit} />
    </section>
  );
}

const Fields = memo(function Fields({ swatch, mayEdit }: { swatch: Swatch; mayEdit: boolean }) {
  const run = useBrand((state) => state.run);
  const suggested = plainTitle(readColour(swatch.value)!);
  const rename = (name: string) => run(editSwatch(swatch, `Rename ${swatch.name} to ${name}`, { name }));
  const commitValue = (value: string) => {
    if (readColour(value)) return run(editSwatch(swatch, `Set ${swatch.name} to ${value}`, { value }));
    const bare = readColour(`#${value}`);
    tell(
      bare
        ? `“${value}” lacks its #; type #${value}.`
        : `“${value}” is not a CSS colour. Try #1f6f78, teal or oklch(0.5 0.1 200).`,
    );
    return false;
  };
  return (
    <div className={css.fields}>
      <label>
        Name
        <CommitInput value={swatch.name} disabled={!mayEdit} onCommit={rename} />
      </label>
      {mayEdit && suggested.toLowerCase() !== swatch.name.toLowerCase() && (
        <button className={css.suggested} onClick={() => rename(suggested)}>
          Call it {suggested}
        </button>
      )}
      <label>
        Colour, as any CSS text
        <CommitInput value={swatch.value} disabled={swatch.locked || !mayEdit} mono onCommit={commitValue} />
      </label>
      {swatch.locked && <p>Locked: press L to change it.</p>}
    </div>
  );
});

/** The three sliders. One that moves shows what it gives, and counts once it is let go. */
function Sliders({ swatch, disabled }: { swatch: Swatch; disabled: boolean }) {
  const store = useBrandStore();
  const { oklch } = readColour(useLiveSwatch(swatch).value)!;
  const command = (channel: Channel, value: number) => {
    const { oklch: start, alpha } = readColour(swatch.value)!;
    return editSwatch(swatch, `Tune ${swatch.name}`, { value: oklchText(withChannel(start, channel, value), alpha) });
  };
  return (
    <div className={css.sliders}>
      {CHANNELS.map((_, at) => (
        <ChannelSlider
          key={at}
          at={at as Channel}
          oklch={oklch}
          disabled={disabled}
          onMove={(value) => store.getState().tryOut(command(at as Channel, value))}
          onSettle={(value) => store.getState().run(command(at as Channel, value))}
        />
      ))}
    </div>
  );
}

interface ChannelSliderProps {
  at: Channel;
  oklch: Oklch;
  disabled: boolean;
  onMove: (value: number) => void;
  onSettle: (value: number) => void;
}

/** The browser's own slider: it moves without a script's help, so a frame of dragging costs only what shows its colour. */
function ChannelSlider({ at: channel, oklch, disabled, onMove, onSettle }: ChannelSliderProps) {
  const { label, max, step, places } = CHANNELS[channel];
  const input = useRef<HTMLInputElement>(null);
  // React's onChange is the browser's "input", at every movement; the browser's "change" comes once, at the end.
  const settle = useEffectEvent(() => onSettle(input.current!.valueAsNumber));
  useEffect(() => {
    const slider = input.current!;
    const onEnd = () => settle();
    slider.addEventListener('change', onEnd);
    return () => slider.removeEventListener('change', onEnd);
  }, []);
  return (
    <label className={css.channel}>
      {label}
      <code>{oklch[channel].toFixed(places)}</code>
      <input
        ref={input}
        type="range"
        min={0}
        max={max}
        step={step}
        value={oklch[channel]}
        disabled={disabled}
        style={{ background: useTrack(oklch, channel) }}
        onChange={(event) => onMove(event.target.valueAsNumber)}
      />
    </label>
  );
}

/** Enough for the eye. */
const STOPS = 24;

/** The colours a slider would give, from its start to its end, as a screen shows them. */
function useTrack(oklch: Oklch, channel: Channel): string {
  // A channel's track does not depend on the channel's own value.
  const [fixedL, fixedC, fixedH] = withChannel(oklch, channel, 0);
  return useMemo(() => {
    const stops = Array.from({ length: STOPS + 1 }, (_, stop) => {
      const [l, c, h] = withChannel([fixedL, fixedC, fixedH], channel, (stop / STOPS) * CHANNELS[channel].max);
      return hexOf(showOklch(l, c, h).rgb);
    });
    return `linear-gradient(90deg, ${stops.join(', ')})`;
  }, [fixedL, fixedC, fixedH, channel]);
}

function withChannel(oklch: Oklch, channel: Channel, value: number): Oklch {
  const next: [number, number, number] = [...oklch];
  next[channel] = value;
  return next;
}
