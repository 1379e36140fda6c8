import { ApplyButtons } from '@/ui/apply-buttons';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { readColour } from '@/core/colour/read';
import type { Evenness, Parts } from '@/core/palette/evenness';
import { runsOf, type Run } from '@/core/palette/runs';
import { settledShare, SETTLE_LIMIT, type Unsettled } from '@/core/palette/settle';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { useMayEdit } from '@/ui/store/brand-context';
import { Dial } from '@/ui/dial';
import { settleAll } from '@/workers/solver';
import { recolour } from '../swatch-edits';
import { useTrial } from '@/ui/use-trial';
import { ToolFrame, type ToolProps } from './tool';
import { useComputed } from '@/ui/asked/use-computed';
import css from './tools.module.css';

/** More than this many are settled well only in seconds. */
const MOST = 400;

const PARTS: readonly { readonly key: keyof Parts; readonly label: string; readonly about: string }[] = [
  {
    key: 'hues',
    label: 'Hue relations',
    about:
      '100 × (1 − F ÷ chance). F is the mean angle by which hues miss the nearest sector of the best of seven templates (Cohen-Or and others, 2006) or of equal angles, weighted by chroma; chance is what random hues miss it by.',
  },
  {
    key: 'lightness',
    label: 'Lightness balance',
    about:
      '100 × (1 − d ÷ 0.12). d is how far the lightnesses, by rank, are from even steps between the darkest and the lightest.',
  },
  {
    key: 'chroma',
    label: 'Chroma balance',
    about:
      '100 × (1 − d ÷ 0.1). d is how far the chromas are from their median, or from 0.17 where that is less. Greys do not count.',
  },
  {
    key: 'separation',
    label: 'Separation',
    about: '100 × the mean of d ÷ 12. d is ΔE2000 of each colour to its nearest other, counted up to 12.',
  },
  {
    key: 'smoothness',
    label: 'Smoothness',
    about:
      '100 × (1 − d ÷ 0.5), the mean of everything that belongs together as a curve. d is how far each colour is from the middle of its neighbours, in mean steps.',
  },
];

/** Nudges the whole palette so that it hangs together; shows how even it is, before and after. */
export function SettleTool({ palette, chosen }: ToolProps) {
  const mayEdit = useMayEdit();
  const [limit, setLimit] = useState<number>(SETTLE_LIMIT);
  const [share, setShare] = useState(1);
  const [only, setOnly] = useState(false);
  const picked = useMemo(() => new Set(chosen.all.map(({ id }) => id)), [chosen.all]);
  const some = only && picked.size > 1;
  const unsettled = useMemo(
    () =>
      palette.swatches.map((swatch): Unsettled => {
        const origin = originOf(swatch);
        return { value: swatch.value, locked: swatch.locked || (some && !picked.has(swatch.id)), ...(origin && { origin }) };
      }),
    [palette.swatches, some, picked],
  );
  const runs = useMemo(() => runsOf(palette.kind, palette.swatches), [palette.kind, palette.swatches]);
  // Let go, nothing of the way is left; the next way after one that was applied is shown whole.
  const done = useCallback((applied: boolean) => setShare(applied ? 1 : 0), []);
  const tooMany = palette.swatches.length > MOST;
  const { value: whole, current } = useComputed(JSON.stringify([unsettled, limit, runs, tooMany]), async (_, signal) =>
    tooMany ? null : settleAll(unsettled, limit, runs, signal),
  );
  const wanted = useDeferredValue(share);
  // An outcome of another palette than the one shown is not shown.
  const result = useMemo(
    () => (whole && current ? settledShare(unsettled, whole, wanted, runs) : null),
    [whole, current, unsettled, wanted, runs],
  );
  const command = useMemo(
    () =>
      result &&
      recolour(
        palette.swatches.map((swatch, at) => {
          const value = result.values[at]!;
          return { swatch, value, settled: { from: originOf(swatch) ?? swatch.value, to: value } };
        }),
        `Settle ${palette.name}`,
      ),
    [result, palette],
  );
  useTrial(command);
  if (tooMany) return <p className={css.note}>Settling is for palettes of up to {MOST} colours; reduce this one first.</p>;
  const farthest = result ? Math.max(0, ...result.moved) : 0;
  return (
    <ToolFrame
      title="Settle"
      on={
        !current
          ? 'looking for a better place for each …'
          : result && !command
            ? 'nothing is better within this reach'
            : `farthest nudge ΔE ${farthest.toFixed(1)}`
      }
      acts={<ApplyButtons onDone={done} />}
    >
      <div className={css.two}>
        <div>
          {result?.before && result.after && <EvennessFigures before={result.before} after={result.after} />}
          {runs.length > 0 && <p className={css.note}>{togetherWords(palette, runs, unsettled)}</p>}
        </div>
        <div className={css.stack}>
          <Dial
            label="Share of the way"
            shown={`${Math.round(share * 100)} %`}
            value={share}
            min={0}
            max={1}
            step={0.01}
            disabled={!mayEdit}
            onMove={setShare}
          />
          <Dial
            label="No swatch moves more than"
            shown={`ΔE ${limit}`}
            value={limit}
            min={1}
            max={15}
            disabled={!mayEdit}
            onMove={setLimit}
          />
          {picked.size > 1 && (
            <label className={css.check}>
              <input type="checkbox" checked={only} onChange={(event) => setOnly(event.target.checked)} />
              move only the {picked.size} chosen
            </label>
          )}
          <ol className={css.moves} aria-label="How far each moves">
            {result?.moved.map((distance, at) => (
              <li key={palette.swatches[at]!.id}>
                <i style={{ background: halves(palette.swatches[at]!.value, result.values[at]!) }} />
                <code>{palette.swatches[at]!.locked ? 'locked' : `ΔE ${distance.toFixed(1)}`}</code>
              </li>
            ))}
          </ol>
        </div>
      </div>
    </ToolFrame>
  );
}

/** What is moved as one, and what of it stays. */
function togetherWords({ kind, swatches }: Palette, runs: readonly Run[], unsettled: readonly Unsettled[]): string {
  const isHeld = ({ members }: Run) => members.some((at) => unsettled[at]!.locked);
  if (runs[0]!.members.length === swatches.length && (kind === 'sequential' || kind === 'diverging'))
    return isHeld(runs[0]!)
      ? `A ${kind} palette moves as one or not at all. This one stays, for a colour of it is locked or not chosen.`
      : `A ${kind} palette moves as one, so that its curve stays smooth and in order.`;
  const named = (some: readonly Run[]) => some.map(({ members }) => swatches[members[0]!]!.row).join(', ');
  const [held, free] = [runs.filter(isHeld), runs.filter((run) => !isHeld(run))];
  return [
    free.length > 0 && `Each of these rows moves as one, so that its curve stays smooth and in order: ${named(free)}.`,
    held.length > 0 && `These stay, for a colour of each is locked or not chosen: ${named(held)}.`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** Where settling started from, as long as nothing else has changed the colour since. */
function originOf({ value, settled }: Swatch): string | undefined {
  return settled?.to === value ? settled.from : undefined;
}

function halves(before: string, after: string): string {
  return `linear-gradient(90deg, ${readColour(before)!.hex} 50%, ${readColour(after)!.hex} 50%)`;
}

function EvennessFigures({ before, after }: { before: Evenness; after: Evenness }) {
  return (
    <>
      <p className={css.score} aria-label="Evenness">
        <b>{after.score.toFixed(0)}</b> evenness of 100, before {before.score.toFixed(0)}
      </p>
      <div className={css.parts}>
        {PARTS.map(({ key, label, about }) => {
          const [then, now] = [before.parts[key], after.parts[key]];
          return then !== null && now !== null && <Part key={key} label={label} about={about} before={then} after={now} />;
        })}
      </div>
    </>
  );
}

function Part({ label, about, before, after }: { label: string; about: string; before: number; after: number }) {
  return (
    <>
      <details>
        <summary>{label}</summary>
        <p className={css.note}>{about}</p>
      </details>
      <i style={{ '--before': `${before}%`, '--after': `${after}%` } as React.CSSProperties} />
      <code>
        {before.toFixed(0)} → {after.toFixed(0)}
      </code>
    </>
  );
}
