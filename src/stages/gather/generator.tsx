import { Button } from '@chakra-ui/react';
import { useEffect } from 'react';
import { uniqueNames } from '@/core/base/unique-names';
import { inkOn } from '@/core/colour/contrast';
import { readColour } from '@/core/colour/read';
import { catchOf } from '@/core/intake/catch';
import { certain, intakeOf, taken } from '@/core/intake/intake';
import type { Mood } from '@/core/palette/generate';
import { inMood, insertAt, keepAt, PLACES, resize, rollAgain, type RollSheet, type Strip } from '@/core/palette/roll-sheet';
import { earlierIn, useCatch } from '@/ui/store/catch-store';
import { ROLL_KEY } from '@/ui/keys/keys';
import { isTyping } from '@/ui/keys/typing';
import { useRollSheets } from './roll-sheets';
import css from './generator.module.css';
import gather from './gather.module.css';

const DIALS: readonly { readonly key: keyof Mood; readonly label: string; readonly far: string }[] = [
  { key: 'lightness', label: 'Dark', far: 'light' },
  { key: 'chroma', label: 'Grey', far: 'lively' },
  { key: 'spread', label: 'One hue', far: 'all hues' },
];

/** Where single colours go in the catch; a strip is a group of its own. */
const SINGLES = 'Single colours';

/** Sets rolled several at once, to be compared: what is good is kept in all of them, or taken into the catch. */
export function Generator() {
  const { sheets, at, go, turn, step } = useRollSheets();
  const lines = useCatch((state) => state.lines);
  const sheet = sheets[at]!;
  const { kept, strips, mood } = sheet;
  const again = () => go(rollAgain(sheet));
  const groups = new Map<string, string[]>();
  for (const { palette, colour } of lines) if (colour) groups.set(palette, [...(groups.get(palette) ?? []), colour.hex]);
  const sets = new Set([...groups].filter(([name]) => name !== SINGLES).map(([, colours]) => colours.join()));
  const singles = new Set(groups.get(SINGLES));
  const take = (source: string, name: string, colours: readonly string[]) => {
    const entries = colours.map((colour, n) => taken(certain(colour), { line: n + 1, text: `place ${n + 1}` }));
    useCatch.getState().append(source, {
      lines: catchOf(intakeOf('generated', [{ name, kind: 'loose', entries }]), earlierIn(lines)),
      problems: [],
    });
  };
  const takeStrip = ({ seed, colours }: Strip) => {
    const name = uniqueNames([...groups.keys()])(`Strip ${seed}`);
    take(name, name, colours);
  };

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key.toUpperCase() !== ROLL_KEY) return;
      event.preventDefault();
      if (event.shiftKey) step(-1);
      else again();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <>
      <KeptHead
        sheet={sheet}
        onKept={(place) => turn(keepAt(sheet, place, null))}
        onInsert={(place) => go(insertAt(sheet, place))}
      />
      <ol className={css.sheet}>
        {strips.map((strip) => (
          <li key={strip.seed} aria-label={`Strip ${strip.seed}`}>
            {strip.colours.map((colour, place) => {
              const read = readColour(colour)!;
              return (
                <span key={place} className={css.colour} title={read.hex} style={{ background: colour, color: inkOn(read) }}>
                  <code>{read.hex}</code>
                  <button
                    aria-pressed={kept[place] !== null}
                    aria-label={`${kept[place] === null ? 'keep' : 'kept'} ${read.hex}, place ${place + 1} of strip ${strip.seed}`}
                    onClick={() => turn(keepAt(sheet, place, kept[place] === null ? colour : null))}
                  >
                    {kept[place] === null ? 'keep' : 'kept'}
                  </button>
                  <button
                    disabled={singles.has(read.hex)}
                    aria-label={`${singles.has(read.hex) ? 'taken' : 'take'} ${read.hex}, place ${place + 1} of strip ${strip.seed}`}
                    onClick={() => take(SINGLES, SINGLES, [colour])}
                  >
                    {singles.has(read.hex) ? 'taken' : 'take'}
                  </button>
                </span>
              );
            })}
            <Button
              size="2xs"
              variant="outline"
              disabled={sets.has(strip.colours.map((colour) => readColour(colour)!.hex).join())}
              aria-label={`Take all of strip ${strip.seed}`}
              onClick={() => takeStrip(strip)}
            >
              Take all
            </Button>
          </li>
        ))}
      </ol>
      <div className={gather.under}>
        <Button size="xs" onClick={again}>
          Roll again <kbd>{ROLL_KEY}</kbd>
        </Button>
        <Button size="xs" variant="outline" disabled={at === 0} onClick={() => step(-1)}>
          Earlier <kbd>Shift {ROLL_KEY}</kbd>
        </Button>
        <Button size="xs" variant="outline" disabled={at === sheets.length - 1} onClick={() => step(1)}>
          Later
        </Button>
      </div>
      <div className={gather.dials} data-pairs>
        <label>
          Colours <code>{kept.length}</code>
          <input
            type="range"
            min={PLACES.least}
            max={PLACES.most}
            value={kept.length}
            onChange={(event) => turn(resize(sheet, event.target.valueAsNumber))}
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
              value={mood[key]}
              onChange={(event) => turn(inMood(sheet, { ...mood, [key]: event.target.valueAsNumber }))}
            />
          </label>
        ))}
      </div>
    </>
  );
}

interface KeptHeadProps {
  sheet: RollSheet;
  onKept: (place: number) => void;
  onInsert: (place: number) => void;
}

/** Over the strips: what all of them keep, and where a place can be put between two. */
function KeptHead({ sheet: { kept }, onKept, onInsert }: KeptHeadProps) {
  return (
    <div className={css.head}>
      {kept.map((colour, place) => (
        <span key={place}>
          {place > 0 && kept.length < PLACES.most && (
            <button
              className={css.between}
              title="A place between"
              aria-label={`Insert between ${place} and ${place + 1}`}
              onClick={() => onInsert(place)}
            >
              +
            </button>
          )}
          {colour !== null && (
            <button
              className={css.kept}
              title="Let it go, so that this place is rolled again"
              aria-label={`kept in all: ${readColour(colour)!.hex}; let it go`}
              onClick={() => onKept(place)}
            >
              kept
            </button>
          )}
        </span>
      ))}
    </div>
  );
}
