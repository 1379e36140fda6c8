import { Button } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import { catchOf } from '@/core/intake/catch';
import { extractedEntry, FIRST_LOOK } from '@/core/intake/pictures/picture';
import { certain, nameOfFile, intakeOf, taken, type EntryParts } from '@/core/intake/intake';
import type { Area } from '@/core/image/pixels';
import { relatedSets } from '@/core/palette/related';
import { useCatch } from '@/ui/store/catch-store';
import { ribbon } from '@/ui/ribbon';
import { PictureView, type Sample } from './picture-view';
import { useFinder } from './use-finder';
import type { OpenedPicture } from './use-intake';
import { Working } from './working';
import css from './gather.module.css';

const COUNT = { least: 2, most: 64 };
const FOUND = 'found';

/** A picture whose colours are being chosen: found by the two sliders, in the area drawn, and moved by hand. */
export function PictureSource({ picture }: { picture: OpenedPicture }) {
  const [count, setCount] = useState(FIRST_LOOK.count);
  const [lively, setLively] = useState(FIRST_LOOK.liveliness);
  const [area, setArea] = useState<Area | null>(null);
  const [radius, setRadius] = useState(0);
  const [samples, setSamples] = useState<readonly Sample[]>([]);
  const [set, setSet] = useState(FOUND);
  const [exact, setExact] = useState<readonly EntryParts[] | null>(null);
  const { preview, around, problem, progress, find, stop } = useFinder(picture.file, setExact);
  const replace = useCatch((state) => state.replace);
  const title = nameOfFile(picture.file.name);

  useEffect(() => {
    if (exact) return;
    void find({ count, liveliness: lively, ...(area && { area }) }).then((found) => {
      if (!found) return;
      setSamples(
        found.map((sample, at) => {
          const { colour, text } = extractedEntry(sample, at);
          return { x: sample.x, y: sample.y, colour: colour!, text };
        }),
      );
    });
  }, [find, exact, count, lively, area]);

  const sets = useMemo(() => relatedSets(samples.map(({ colour }) => colour.css)), [samples]);
  useEffect(() => {
    const chosen = sets.find(({ id }) => id === set);
    const entries =
      exact ??
      (set === FOUND || !chosen
        ? samples.map(({ colour, text }, at) => taken(colour, { line: at + 1, text }))
        : chosen.colours.map((colour, at) => taken(certain(colour), { line: at + 1, text: `${chosen.label}: ${colour}` })));
    const reading = intakeOf('picture', [{ name: title, kind: 'loose', entries }]);
    replace(picture.file.name, { lines: catchOf(reading), problems: [], picture: picture.file });
  }, [exact, samples, sets, set, title, picture, replace]);

  const moveSample = (at: number, x: number, y: number, colour: string) =>
    setSamples((known) =>
      known.map((sample, n) =>
        n === at
          ? {
              x,
              y,
              colour: certain(colour),
              text: radius ? `mean of ${radius * 2 + 1} × ${radius * 2 + 1} at ${x}, ${y}` : `pixel at ${x}, ${y}`,
            }
          : sample,
      ),
    );
  return (
    <>
      {preview && (
        <PictureView
          preview={preview}
          around={around}
          samples={exact ? [] : samples}
          area={area}
          radius={radius}
          onArea={setArea}
          onMove={moveSample}
        />
      )}
      {problem && <p role="alert">{problem}</p>}
      {progress !== null && <Working label="Finding colours" share={progress} onStop={stop} />}
      {exact ? (
        <div className={css.under}>
          <p>Read exactly, as a palette of {exact.length}.</p>
          <Button size="2xs" variant="outline" onClick={() => setExact(null)}>
            Find colours instead
          </Button>
        </div>
      ) : (
        <div className={css.dials}>
          <label>
            Colours <code>{count}</code>
            <input
              type="range"
              min={COUNT.least}
              max={COUNT.most}
              value={count}
              onChange={(event) => setCount(event.target.valueAsNumber)}
            />
          </label>
          <label>
            By area <span>by liveliness</span>
            <input
              type="range"
              min={0}
              max={1}
              step={0.05}
              value={lively}
              aria-label="Liveliness"
              onChange={(event) => setLively(event.target.valueAsNumber)}
            />
          </label>
          <label>
            A point takes <span>{radius === 0 ? 'its pixel' : `the mean of ${radius * 2 + 1} × ${radius * 2 + 1}`}</span>
            <input
              type="range"
              min={0}
              max={12}
              value={radius}
              aria-label="Pixels a point takes"
              onChange={(event) => setRadius(event.target.valueAsNumber)}
            />
          </label>
        </div>
      )}
      {!exact && samples.length > 0 && (
        <div className={css.sets} role="radiogroup" aria-label="Related sets">
          {sets.map(({ id, label, colours }) => (
            <button key={id} role="radio" aria-checked={id === set} onClick={() => setSet(id)}>
              <i style={{ background: ribbon(colours) }} />
              {label}
            </button>
          ))}
        </div>
      )}
      {area && (
        <div className={css.under}>
          <Button size="2xs" variant="outline" onClick={() => setArea(null)}>
            Whole picture
          </Button>
        </div>
      )}
    </>
  );
}
