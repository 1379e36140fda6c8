import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { readColour } from '@/core/colour/read';
import {
  EASINGS,
  farEnd,
  ramp,
  RAMP_COUNT,
  RAMP_SPACES,
  type Easing,
  type FarEnd,
  type Ramp,
  type RampSpace,
} from '@/core/palette/ramp';
import { CommitInput } from '@/ui/commit-input';
import { Choice, Dial } from '@/ui/dial';
import { tell } from '@/ui/notices';
import { Strip } from '@/ui/strip';
import { isTyping } from '@/ui/keys/typing';
import { numberedNames, PlaceButtons, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

type Follow = Extract<FarEnd, { towards: string }>;

/** From the chosen colour to another in even steps; the far end follows by itself until it is pinned. */
export function RampTool({ palette, chosen }: ToolProps) {
  const [follow, setFollow] = useState<Follow>({ towards: 'white', way: 0.75, chroma: 0.25 });
  const [pinned, setPinned] = useState<string | null>(null);
  const [count, setCount] = useState(8);
  const [space, setSpace] = useState<RampSpace>('oklch');
  const [hue, setHue] = useState<Ramp['hue']>('shorter');
  const [easing, setEasing] = useState<Easing>('even');
  const [perceived, setPerceived] = useState(true);
  const start = chosen.lead ?? palette.swatches[0];
  const other = chosen.all.find((swatch) => swatch !== start);
  const to: FarEnd = useMemo(() => (pinned === null ? follow : { pinned }), [pinned, follow]);
  const values = useMemo(
    () => (start ? ramp({ from: start.value, to, count, space, hue, easing, perceived }) : []),
    [start, to, count, space, hue, easing, perceived],
  );
  const quick = useEffectEvent((key: string) => {
    if (key === 'f') setCount(4);
    if (key === 'e') setCount(8);
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!isTyping(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey) quick(event.key.toLowerCase());
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  if (!start) return <p className={css.note}>A ramp starts from a swatch; there is none yet.</p>;
  const pin = (text: string) => {
    if (readColour(text)) setPinned(text);
    else tell(`“${text}” is not a CSS colour. Try #1f6f78, teal or oklch(0.5 0.1 200).`);
    return true;
  };
  return (
    <ToolFrame
      title={`Ramp from ${start.name}`}
      on={pinned === null ? 'the far end follows the start' : 'the far end is pinned'}
      acts={
        <PlaceButtons
          palette={palette}
          label={`${start.name} ramp`}
          kind="sequential"
          colours={numberedNames(start.name, values)}
        />
      }
    >
      <Strip label="Ramp" values={values} />
      <div className={css.dials}>
        <Dial label="Colours" shown={count} value={count} min={RAMP_COUNT.least} max={RAMP_COUNT.most} onMove={setCount} />
        <Dial
          label={`Far end towards ${follow.towards}`}
          shown={`${Math.round(follow.way * 100)} %`}
          value={follow.way}
          min={0}
          max={1}
          step={0.01}
          disabled={pinned !== null}
          onMove={(way) => setFollow({ ...follow, way })}
        />
        <Dial
          label="Chroma kept"
          shown={`${Math.round(follow.chroma * 100)} %`}
          value={follow.chroma}
          min={0}
          max={1}
          step={0.01}
          disabled={pinned !== null}
          onMove={(chroma) => setFollow({ ...follow, chroma })}
        />
        <label className={css.field}>
          Far end
          <CommitInput mono value={pinned ?? farEnd(readColour(start.value)!, follow)} onCommit={pin} />
        </label>
        <div className={css.field}>
          <span>
            <button className={css.plain} onClick={() => setCount(4)}>
              4 colours
            </button>{' '}
            <kbd>F</kbd>{' '}
            <button className={css.plain} onClick={() => setCount(8)}>
              8 colours
            </button>{' '}
            <kbd>E</kbd>
          </span>
          <button
            className={css.plain}
            onClick={() => setFollow({ ...follow, towards: follow.towards === 'white' ? 'black' : 'white' })}
          >
            Towards {follow.towards === 'white' ? 'black' : 'white'} instead
          </button>
          {pinned !== null && (
            <button className={css.plain} onClick={() => setPinned(null)}>
              Let the far end follow
            </button>
          )}
          {other && pinned !== other.value && (
            <button className={css.plain} onClick={() => setPinned(other.value)}>
              Pin it at {other.name}
            </button>
          )}
        </div>
        <Choice label="Through" options={RAMP_SPACES} value={space} onChoose={setSpace} />
        <Choice label="Steps" options={EASINGS} value={easing} onChoose={setEasing} />
        <div className={css.field}>
          {space === 'oklch' && <Choice label="Round the hues" options={['shorter', 'longer']} value={hue} onChoose={setHue} />}
          <label className={css.check}>
            <input type="checkbox" checked={perceived} onChange={(event) => setPerceived(event.target.checked)} />
            equal to the eye
          </label>
        </div>
      </div>
    </ToolFrame>
  );
}
