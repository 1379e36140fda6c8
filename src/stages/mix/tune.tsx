import { Slider } from '@chakra-ui/react';
import { memo, useCallback, useMemo, type CSSProperties } from 'react';
import type { Swatch } from '@/core/brand/document';
import { oklchText } from '@/core/colour/notations';
import { readColour, type ReadColour } from '@/core/colour/read';
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
        <CommitInput
          value={swatch.name}
          disabled={!mayEdit}
          onCommit={(name) => run(editSwatch(swatch, `Rename ${swatch.name} to ${name}`, { name }))}
        />
      </label>
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
  // Stable, so that a slider draws anew only when its own value changes; the others' tracks are repainted by variable.
  const command = useCallback(
    (at: Channel, value: number) => {
      const { oklch: start, alpha } = readColour(swatch.value)!;
      return editSwatch(swatch, `Tune ${swatch.name}`, { value: oklchText(withChannel(start, at, value), alpha) });
    },
    [swatch],
  );
  const move = useCallback((at: Channel, value: number) => store.getState().tryOut(command(at, value)), [store, command]);
  const settle = useCallback((at: Channel, value: number) => void store.getState().run(command(at, value)), [store, command]);
  const tracks = { '--track-0': useTrack(oklch, 0), '--track-1': useTrack(oklch, 1), '--track-2': useTrack(oklch, 2) };
  return (
    <div className={css.sliders} style={tracks as CSSProperties}>
      {CHANNELS.map((_, at) => (
        <ChannelSlider
          key={at}
          at={at as Channel}
          value={oklch[at as Channel]}
          disabled={disabled}
          onMove={move}
          onSettle={settle}
        />
      ))}
    </div>
  );
}

interface ChannelSliderProps {
  at: Channel;
  value: number;
  disabled: boolean;
  onMove: (at: Channel, value: number) => void;
  onSettle: (at: Channel, value: number) => void;
}

const ChannelSlider = memo(function ChannelSlider({ at, value, disabled, onMove, onSettle }: ChannelSliderProps) {
  const { label, max, step, places } = CHANNELS[at];
  return (
    <Slider.Root
      size="md"
      min={0}
      max={max}
      step={step}
      value={[Math.min(value, max)]}
      disabled={disabled}
      onValueChange={(change) => onMove(at, change.value[0]!)}
      onValueChangeEnd={(change) => onSettle(at, change.value[0]!)}
    >
      <div className={css.sliderHead}>
        <Slider.Label fontSize="12px" fontWeight="400">
          {label}
        </Slider.Label>
        <code>{value.toFixed(places)}</code>
      </div>
      <Slider.Control>
        <Slider.Track height="20px" borderRadius="0" style={{ background: `var(--track-${at})` }} />
        <Slider.Thumb index={0} className={css.thumb}>
          <Slider.HiddenInput />
        </Slider.Thumb>
      </Slider.Control>
    </Slider.Root>
  );
});

/** Enough for the eye; each costs a gamut mapping while another slider moves. */
const STOPS = 14;

/** The colours a slider would give, from its start to its end, as a screen shows them. */
function useTrack(oklch: Oklch, at: Channel): string {
  // A channel's track does not depend on the channel's own value.
  const [fixedL, fixedC, fixedH] = withChannel(oklch, at, 0);
  return useMemo(() => {
    const stops = Array.from({ length: STOPS + 1 }, (_, stop) => {
      const [l, c, h] = withChannel([fixedL, fixedC, fixedH], at, (stop / STOPS) * CHANNELS[at].max);
      return readColour(`oklch(${l} ${c} ${h})`)!.hex;
    });
    return `linear-gradient(90deg, ${stops.join(', ')})`;
  }, [fixedL, fixedC, fixedH, at]);
}

function withChannel(oklch: Oklch, at: Channel, value: number): Oklch {
  const next: [number, number, number] = [...oklch];
  next[at] = value;
  return next;
}
