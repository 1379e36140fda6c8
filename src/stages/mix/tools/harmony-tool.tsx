import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { oklchHex, readColour } from '@/core/colour/read';
import { angleOn, HARMONIES, hueAt, oneHue, turned, WHEELS, type Wheel } from '@/core/palette/harmony';
import { Choice } from '@/ui/dial';
import { Strip } from '@/ui/strip';
import { numberedNames, PlaceButtons, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

const SETS = [...HARMONIES.map(({ label }) => label), 'One hue'] as const;
const RADIUS = 80;
const CENTRE = 95;

/** Colours that belong to the chosen one by the angles between their hues, which can be dragged on the wheel. */
export function HarmonyTool({ palette, chosen }: ToolProps) {
  const [set, setSet] = useState<(typeof SETS)[number]>('Complement');
  const [wheel, setWheel] = useState<Wheel>('perceptual');
  /** Angles after the first that somebody has drawn out of the set. */
  const [turns, setTurns] = useState<readonly number[] | null>(null);
  const lead = chosen.lead ?? palette.swatches[0];
  if (!lead) return <p className={css.note}>A harmony is built about a swatch; there is none yet.</p>;
  const base = readColour(lead.value)!.oklch;
  const chosenTurns = turns ?? HARMONIES.find(({ label }) => label === set)?.turns ?? null;
  const values = chosenTurns
    ? chosenTurns.map((turn) => (turn === 0 ? lead.value : oklchHex(turned(base, turn, wheel))))
    : oneHue(base).map((colour, at) => (at === 2 ? lead.value : oklchHex(colour)));
  return (
    <ToolFrame
      title={`Harmony about ${lead.name}`}
      on={turns ? 'with angles of your own' : base[1] === 0 ? 'a grey has no hue to turn' : 'drag the dots to other angles'}
      acts={
        <PlaceButtons palette={palette} label={`${lead.name} ${set.toLowerCase()}`} colours={numberedNames(lead.name, values)} />
      }
    >
      <div className={css.harmony}>
        <HarmonyWheel
          wheel={wheel}
          start={angleOn(wheel, base[2])}
          turns={chosenTurns ?? [0]}
          values={values}
          chroma={base[1]}
          onTurn={(at, turn) => setTurns((chosenTurns ?? []).map((known, n) => (n === at ? turn : known)))}
        />
        <div>
          <Strip label="Harmony" values={values} height={84} />
          <div className={css.field} style={{ marginTop: 12, gap: 10 }}>
            <Choice
              label="Set"
              options={SETS}
              value={set}
              onChoose={(label) => {
                setSet(label);
                setTurns(null);
              }}
            />
            <Choice
              label="Wheel"
              options={WHEELS}
              value={wheel}
              onChoose={(chosen) => {
                setWheel(chosen);
                setTurns(null);
              }}
            />
          </div>
        </div>
      </div>
    </ToolFrame>
  );
}

interface HarmonyWheelProps {
  wheel: Wheel;
  /** Angle of the leading colour on the wheel, in degrees. */
  start: number;
  turns: readonly number[];
  values: readonly string[];
  chroma: number;
  onTurn: (at: number, turn: number) => void;
}

/** The hues round a circle, and a dot for each colour of the set; all but the first can be drawn along it. */
function HarmonyWheel({ wheel, start, turns, values, chroma, onTurn }: HarmonyWheelProps) {
  const svg = useRef<SVGSVGElement>(null);
  const place = (angle: number, radius = RADIUS) => {
    const turn = (angle * Math.PI) / 180;
    return { x: CENTRE + radius * Math.cos(turn), y: CENTRE - radius * Math.sin(turn) };
  };
  const drag = (at: number) => (event: PointerEvent) => {
    if (event.type === 'pointerdown') (event.target as Element).setPointerCapture(event.pointerId);
    else if (event.buttons === 0) return;
    const box = svg.current!.getBoundingClientRect();
    const scale = (2 * CENTRE) / box.width;
    const [x, y] = [(event.clientX - box.left) * scale - CENTRE, CENTRE - (event.clientY - box.top) * scale];
    const angle = (Math.atan2(y, x) * 180) / Math.PI;
    if (event.type === 'pointermove') onTurn(at, short(Math.round(angle - start)));
  };
  const key = (at: number) => (event: KeyboardEvent) => {
    const by = { ArrowLeft: 1, ArrowUp: 1, ArrowRight: -1, ArrowDown: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onTurn(at, short(turns[at]! + by * (event.shiftKey ? 10 : 1)));
  };
  return (
    <svg
      ref={svg}
      className={css.wheel}
      width={2 * CENTRE}
      height={2 * CENTRE}
      viewBox={`0 0 ${2 * CENTRE} ${2 * CENTRE}`}
      aria-label="Wheel of hues"
    >
      {Array.from({ length: 72 }, (_, at) => {
        const [from, to] = [place(at * 5), place(at * 5 + 5.4)];
        const colour = oklchHex([0.72, 0.11, hueAt(wheel, at * 5 + 2.5)]);
        return (
          <path
            key={at}
            d={`M${from.x} ${from.y}A${RADIUS} ${RADIUS} 0 0 0 ${to.x} ${to.y}`}
            stroke={colour}
            strokeWidth={7}
            fill="none"
          />
        );
      })}
      {turns.map((turn, at) => {
        const { x, y } = place(start + turn, 62);
        return (
          <g key={at}>
            <line x1={CENTRE} y1={CENTRE} x2={x} y2={y} stroke="var(--line)" />
            {at === 0 || chroma === 0 ? (
              <circle cx={x} cy={y} r={9} fill={readColour(values[at]!)!.hex} stroke="var(--ink)" strokeWidth={2.5} />
            ) : (
              <circle
                cx={x}
                cy={y}
                r={9}
                fill={readColour(values[at]!)!.hex}
                stroke="var(--ground)"
                strokeWidth={1.5}
                role="slider"
                tabIndex={0}
                aria-label={`Angle of colour ${at + 1}`}
                aria-valuemin={-180}
                aria-valuemax={180}
                aria-valuenow={turn}
                onPointerDown={drag(at)}
                onPointerMove={drag(at)}
                onKeyDown={key(at)}
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** An angle as -180..180. */
function short(angle: number): number {
  return ((((angle + 180) % 360) + 360) % 360) - 180;
}
