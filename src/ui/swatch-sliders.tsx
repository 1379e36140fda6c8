import { useEffect, useEffectEvent, useMemo, useRef } from 'react';
import type { Command } from '@/core/brand/commands/commands';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { showOklch } from '@/core/colour/gamut';
import { oklchText } from '@/core/colour/notations';
import { hexOf, readColour, type ReadColour } from '@/core/colour/read';
import { useBrandStore, useLiveSwatch } from './store/brand-context';
import css from './swatch-sliders.module.css';

type Oklch = ReadColour['oklch'];
type Channel = 0 | 1 | 2;

/** OKLCH channels: lightness 0..1, chroma up to the most sRGB has, hue in degrees. */
const CHANNELS = [
  { label: 'Lightness', max: 1, step: 0.002, places: 3 },
  { label: 'Chroma', max: 0.33, step: 0.001, places: 3 },
  { label: 'Hue', max: 360, step: 0.5, places: 1 },
] as const;

/** Lightness, chroma and hue of a swatch, given without the trial. One that moves shows what it gives, and counts once it is let go. */
export function SwatchSliders({ swatch, disabled }: { swatch: Swatch; disabled: boolean }) {
  const store = useBrandStore();
  const { oklch } = readColour(useLiveSwatch(swatch).value)!;
  const command = (channel: Channel, moved: number): Command => {
    const { oklch: start, alpha } = readColour(swatch.value)!;
    const value = oklchText(withChannel(start, channel, moved), alpha);
    return { label: `Tune ${swatch.name}`, steps: [{ do: 'swatch.edit', id: swatch.id, set: { value } }] };
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
