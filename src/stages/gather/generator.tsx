import { Button } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { catchOf } from '@/core/intake/catch';
import { readingOf, certain, taken } from '@/core/intake/reading';
import { generate, midway, type Mood, type Roll } from '@/core/palette/generate';
import { useCatch } from '@/ui/catch-store';
import { isTyping } from '@/ui/typing';
import css from './gather.module.css';

const PLACES = { least: 2, most: 16, first: 5 };

const DIALS: readonly { readonly key: keyof Mood; readonly label: string; readonly far: string }[] = [
  { key: 'lightness', label: 'Dark', far: 'light' },
  { key: 'chroma', label: 'Grey', far: 'lively' },
  { key: 'spread', label: 'One hue', far: 'all hues' },
];

/** One roll, and which of its places the next one keeps. */
interface Entry {
  readonly roll: Roll;
  readonly kept: readonly boolean[];
}

const FIRST: Entry = {
  roll: { seed: 1, mood: { lightness: 0.62, chroma: 0.7, spread: 0.8 }, places: Array<null>(PLACES.first).fill(null) },
  kept: Array<boolean>(PLACES.first).fill(false),
};

/** Sets rolled from a seed and a mood: what is good is kept, the rest rolled again; every roll can be gone back to. */
export function Generator() {
  const [entries, setEntries] = useState<readonly Entry[]>([FIRST]);
  const [rollShown, setRollShown] = useState(0);
  const replace = useCatch((state) => state.replace);
  const { roll, kept } = entries[rollShown]!;
  const colours = useMemo(() => generate(roll), [roll]);
  const keptPlaces = () => colours.map((colour, place) => (kept[place] ? colour : null));
  /** A further roll; what had been gone back over is let go. */
  const go = (entry: Entry) => {
    setEntries([...entries.slice(0, rollShown + 1), entry]);
    setRollShown(rollShown + 1);
  };
  /** Changes the roll that is shown, so that going back does not stop at every step of a slider. */
  const turn = (entry: Entry) => setEntries(entries.map((known, n) => (n === rollShown ? entry : known)));
  const again = () => go({ kept, roll: { ...roll, seed: roll.seed + 1, places: keptPlaces() } });
  const step = (by: number) => setRollShown(Math.min(entries.length - 1, Math.max(0, rollShown + by)));
  const keep = (place: number) => turn({ roll, kept: kept.map((isKept, n) => (n === place ? !isKept : isKept)) });
  const insert = (place: number) => {
    const put = <T,>(list: readonly T[], item: T) => [...list.slice(0, place), item, ...list.slice(place)];
    go({ kept: put(kept, false), roll: { ...roll, places: put(colours, midway(colours[place - 1]!, colours[place]!)) } });
  };
  const resize = (count: number) => {
    const sized = <T,>(list: readonly T[], filler: T) => Array.from({ length: count }, (_, place) => list[place] ?? filler);
    turn({ kept: sized(kept, false), roll: { ...roll, places: sized<string | null>(colours, null) } });
  };

  const list = colours.join(' ');
  useEffect(() => {
    const entries = list.split(' ').map((colour, n) => taken(certain(colour), { line: n + 1, text: `place ${n + 1}` }));
    replace(`roll ${roll.seed}`, {
      lines: catchOf(readingOf('generated', [{ name: 'Rolled', kind: 'loose', entries }])),
      problems: [],
    });
  }, [list, roll.seed, replace]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey || event.key.toLowerCase() !== 'r') return;
      event.preventDefault();
      if (event.shiftKey) step(-1);
      else again();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <>
      <ol className={css.rolled}>
        {colours.map((colour, place) => {
          const ink = inkOn(readColour(colour)!);
          return (
            <li key={place} style={{ background: colour, color: ink }}>
              <code>{readColour(colour)!.hex}</code>
              {place > 0 && colours.length < PLACES.most && (
                <button
                  aria-label={`Insert between ${place} and ${place + 1}`}
                  className={css.between}
                  onClick={() => insert(place)}
                >
                  +
                </button>
              )}
              <button aria-pressed={kept[place]!} aria-label={`Keep ${place + 1}`} onClick={() => keep(place)}>
                {kept[place] ? 'kept' : 'keep'}
              </button>
            </li>
          );
        })}
      </ol>
      <div className={css.under}>
        <Button size="xs" onClick={again}>
          Roll again <kbd>R</kbd>
        </Button>
        <Button size="xs" variant="outline" disabled={rollShown === 0} onClick={() => step(-1)}>
          Earlier <kbd>Shift R</kbd>
        </Button>
        <Button size="xs" variant="outline" disabled={rollShown === entries.length - 1} onClick={() => step(1)}>
          Later
        </Button>
        <code>seed {roll.seed}</code>
      </div>
      <div className={css.dials}>
        <label>
          Colours <code>{roll.places.length}</code>
          <input
            type="range"
            min={PLACES.least}
            max={PLACES.most}
            value={roll.places.length}
            onChange={(event) => resize(event.target.valueAsNumber)}
          />
        </label>
        {DIALS.map(({ key, label, far }) => (
          <label key={key}>
            {label} <span>{far}</span>
            <input
              type="range"
              min={0}
              max={1}
              step={0.01}
              aria-label={`${label} to ${far}`}
              value={roll.mood[key]}
              onChange={(event) =>
                turn({ kept, roll: { ...roll, places: keptPlaces(), mood: { ...roll.mood, [key]: event.target.valueAsNumber } } })
              }
            />
          </label>
        ))}
      </div>
    </>
  );
}
