import { deleteSwatches, recolour } from '../swatch-edits';
import { useDeferredValue, useMemo, useState } from 'react';
import { spokenOf } from '@/core/brand/reading/where-used';
import { mergeSwatches } from '@/core/brand/tools/merge-swatches';
import { readColour } from '@/core/colour/read';
import { DEPTHS, mergeNear, reduceTo } from '@/core/palette/reduce';
import { ApplyButtons } from '@/ui/apply-buttons';
import { useBrand } from '@/ui/store/brand-context';
import { Choice, Dial } from '@/ui/dial';
import { Strip } from '@/ui/strip';
import { useTrial } from '@/ui/use-trial';
import { ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

const WAYS = ['to a number', 'near duplicates', 'unused'] as const;
/** Merges listed one by one; of more only the number is told. */
const MOST_SHOWN = 60;

/** Fewer colours: to a depth, without near duplicates, or without what no token uses. Shows what merges, and by how much. */
export function ReduceTool({ palette }: ToolProps) {
  const brand = useBrand((state) => state.replica.brand);
  const total = palette.swatches.length;
  const [way, setWay] = useState<(typeof WAYS)[number]>('to a number');
  const [count, setCount] = useState<number>(() => DEPTHS.findLast((depth) => depth < total) ?? Math.max(1, total - 1));
  const [within, setWithin] = useState(1);
  const used = useMemo(() => spokenOf(brand, 'swatch'), [brand]);
  const wanted = useDeferredValue(count);
  const groups = useMemo(() => {
    const isUsed = (id: string) => used.has(id);
    if (way === 'near duplicates') return mergeNear(palette.swatches, within, isUsed);
    if (way === 'to a number') return reduceTo(palette.swatches, wanted, isUsed);
    return palette.swatches.filter(({ id, locked }) => locked || used.has(id)).map(({ id }) => ({ keep: id, merge: [] }));
  }, [palette.swatches, way, wanted, within, used]);
  const byId = useMemo(() => new Map(palette.swatches.map((swatch) => [swatch.id, swatch])), [palette.swatches]);
  const command = useMemo(() => {
    if (groups.length === total) return null;
    const label = `Reduce ${palette.name} to ${groups.length}`;
    const kept = new Set(groups.map(({ keep }) => keep));
    if (way === 'unused')
      return {
        ...deleteSwatches(
          brand,
          palette.swatches.filter(({ id }) => !kept.has(id)),
        ),
        label,
      };
    const into = new Map(groups.flatMap(({ keep, merge }) => merge.map(({ id }) => [id, keep] as const)));
    return { label, steps: mergeSwatches(brand, into) };
  }, [groups, total, palette, way, brand]);
  /** In the grid each looks like what it becomes. */
  const trial = useMemo(() => {
    const stays = new Map(groups.flatMap(({ keep, merge }) => merge.map(({ id }) => [id, byId.get(keep)] as const)));
    return recolour(
      palette.swatches.map((swatch) => ({ swatch, value: stays.get(swatch.id)?.value ?? swatch.value })),
      'Reduce',
    );
  }, [groups, byId, palette.swatches]);
  useTrial(trial);
  const nothing = () => {
    setWay('to a number');
    setCount(total);
  };
  const merges = groups.flatMap(({ keep, merge }) => merge.map((merged) => ({ ...merged, keep })));
  const farthest = merges.reduce((most, { distance }) => Math.max(most, distance), 0);
  return (
    <ToolFrame title="Reduce" on={outcome()} acts={<ApplyButtons command={command} onDone={nothing} />}>
      <Strip label="What stays" values={groups.map(({ keep }) => byId.get(keep)?.value ?? '#000000')} height={34} />
      <div className={css.dials}>
        <div className={css.wide}>
          <Choice label="Reduce" options={WAYS} value={way} onChoose={setWay} />
        </div>
        {way === 'to a number' && (
          <>
            <Dial label="Colours" shown={count} value={count} min={1} max={Math.max(1, Math.min(total, 256))} onMove={setCount} />
            <Choice
              label="Depth"
              options={DEPTHS.map(String)}
              value={String(count)}
              onChoose={(depth) => setCount(Number(depth))}
            />
          </>
        )}
        {way === 'near duplicates' && (
          <Dial
            label="Nearer than"
            shown={`ΔE ${within.toFixed(1)}`}
            value={within}
            min={0.1}
            max={10}
            step={0.1}
            onMove={setWithin}
          />
        )}
      </div>
      <ul className={css.merges} aria-label="What merges">
        {merges.slice(0, MOST_SHOWN).map(({ id, keep, distance }) => {
          const [gone, stays] = [byId.get(id), byId.get(keep)];
          return (
            gone &&
            stays && (
              <li key={id}>
                <i style={{ background: readColour(gone.value)!.hex }} />
                <i style={{ background: readColour(stays.value)!.hex }} />
                <span>
                  {gone.name} into {stays.name}
                </span>
                <code>ΔE {distance.toFixed(1)}</code>
              </li>
            )
          );
        })}
      </ul>
    </ToolFrame>
  );

  function outcome(): string {
    if (way === 'unused') return `${total - groups.length} of ${total} are used by no token`;
    const left = way === 'to a number' && groups.length > Math.min(wanted, total) ? '; locked ones all stay' : '';
    if (merges.length === 0) return `nothing merges${left}`;
    return `${total} become ${groups.length}, the farthest by ΔE ${farthest.toFixed(1)}; tokens go with them${left}`;
  }
}
