import { Slider } from '@chakra-ui/react';
import { useMemo } from 'react';
import type { Palette, Swatch } from '@/core/brand/document';
import { oklchText } from '@/core/colour/notations';
import { readColour, type ReadColour } from '@/core/colour/read';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { editSwatch } from './swatch-edits';
import css from './mix.module.css';

type Oklch = ReadColour['oklch'];

/** OKLCH channels: lightness 0..1, chroma up to the most sRGB has, hue in degrees. */
const CHANNELS = [
  { label: 'Lightness', at: 0, max: 1, step: 0.002, places: 3 },
  { label: 'Chroma', at: 1, max: 0.33, step: 0.001, places: 3 },
  { label: 'Hue', at: 2, max: 360, step: 0.5, places: 1 },
] as const;

/** Name, value and OKLCH sliders of one swatch. A slider shows what it gives while it moves, and counts once let go. */
export function Tune({ palette, swatch }: { palette: Palette; swatch: Swatch | undefined }) {
  const { run, tryOut, kept } = useBrand((state) => ({
    run: state.run,
    tryOut: state.tryOut,
    // What the swatch was before the slider moved; the shown one is on trial.
    kept: state.replica.brand.palettes.find((one) => one.id === palette.id)?.swatches.find((one) => one.id === swatch?.id),
  }));
  const mayEdit = useMayEdit();
  if (!swatch || !kept) return <p className={css.note}>No swatch is chosen.</p>;
  const colour = readColour(swatch.value)!;
  const command = (oklch: Oklch) => editSwatch(kept, `Tune ${kept.name}`, { value: oklchText(oklch, colour.alpha) });
  const commitValue = (value: string) => {
    if (readColour(value)) return run(editSwatch(kept, `Set ${kept.name} to ${value}`, { value }));
    const bare = readColour(`#${value}`);
    tell(
      bare
        ? `“${value}” lacks its #; type #${value}.`
        : `“${value}” is not a CSS colour. Try #1f6f78, teal or oklch(0.5 0.1 200).`,
    );
    return false;
  };
  const locked = kept.locked || !mayEdit;
  return (
    <section className={css.tune} aria-label="Tune">
      <h2>Tune {kept.name}</h2>
      <div className={css.fields}>
        <label>
          Name
          <CommitInput
            value={kept.name}
            disabled={!mayEdit}
            onCommit={(name) => run(editSwatch(kept, `Rename ${kept.name} to ${name}`, { name }))}
          />
        </label>
        <label>
          Colour, as any CSS text
          <CommitInput value={swatch.value} disabled={locked} mono onCommit={commitValue} />
        </label>
        {kept.locked && <p>Locked: press L to change it.</p>}
      </div>
      <div className={css.sliders}>
        {CHANNELS.map((channel) => (
          <ChannelSlider
            key={channel.label}
            channel={channel}
            oklch={colour.oklch}
            disabled={locked}
            onMove={(oklch) => tryOut(command(oklch))}
            onSettle={(oklch) => run(command(oklch))}
          />
        ))}
      </div>
    </section>
  );
}

interface ChannelSliderProps {
  channel: (typeof CHANNELS)[number];
  oklch: Oklch;
  disabled: boolean;
  onMove: (oklch: Oklch) => void;
  onSettle: (oklch: Oklch) => void;
}

function ChannelSlider({ channel: { label, at, max, step, places }, oklch, disabled, onMove, onSettle }: ChannelSliderProps) {
  const track = useTrack(oklch, at, max);
  const value = oklch[at];
  return (
    <Slider.Root
      size="md"
      min={0}
      max={max}
      step={step}
      value={[Math.min(value, max)]}
      disabled={disabled}
      onValueChange={(change) => onMove(withChannel(oklch, at, change.value[0]!))}
      onValueChangeEnd={(change) => onSettle(withChannel(oklch, at, change.value[0]!))}
    >
      <div className={css.sliderHead}>
        <Slider.Label fontSize="12px" fontWeight="400">
          {label}
        </Slider.Label>
        <code>{value.toFixed(places)}</code>
      </div>
      <Slider.Control>
        <Slider.Track height="20px" borderRadius="0" style={{ background: track }} />
        <Slider.Thumb index={0} className={css.thumb}>
          <Slider.HiddenInput />
        </Slider.Thumb>
      </Slider.Control>
    </Slider.Root>
  );
}

const STOPS = 20;

/** The colours a slider would give, from its start to its end, as a screen shows them. */
function useTrack(oklch: Oklch, at: 0 | 1 | 2, max: number): string {
  // A channel's track does not depend on the channel's own value.
  const key = withChannel(oklch, at, 0).join(' ');
  return useMemo(() => {
    const base = key.split(' ').map(Number) as unknown as Oklch;
    const stops = Array.from({ length: STOPS + 1 }, (_, stop) => {
      const [l, c, h] = withChannel(base, at, (stop / STOPS) * max);
      return readColour(`oklch(${l} ${c} ${h})`)!.hex;
    });
    return `linear-gradient(90deg, ${stops.join(', ')})`;
  }, [key, at, max]);
}

function withChannel(oklch: Oklch, at: 0 | 1 | 2, value: number): Oklch {
  const next: [number, number, number] = [...oklch];
  next[at] = value;
  return next;
}
