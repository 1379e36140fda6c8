import { useMemo } from 'react';
import type { DataField } from '@/core/brand/document';
import { extendField, lackOf } from '@/core/brand/extend-field';
import { newId } from '@/core/brand/identity';
import { resolveTheme } from '@/core/brand/resolve';
import { CATEGORICAL_COUNT, hardPairs } from '@/core/palette/categorical';
import { useBrand } from '@/ui/brand-context';
import { Strip } from '@/ui/strip';
import { useComputed } from '@/ui/use-computed';
import { VISION_WORDS } from '@/ui/vision-words';
import { findCategories } from '@/workers/solver';
import css from './values.module.css';
import { FormDialog } from '@/ui/form-dialog';

/** ΔE2000 below which two colours of a chart are not told apart at a glance (common practice: 10). */
const APART = 10;
/** Pairs that are told one by one. */
const TOLD = 5;
const VISIONS = ['protan', 'deutan', 'tritan'] as const;

/** Further colours for the values that have none, told apart from those there are as well as can be, taken in one step. */
export function ExtendValues({ field, onClose }: { field: DataField; onClose: () => void }) {
  const { brand, theme, run } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme, run: state.run }));
  const { given, bare } = useMemo(() => lackOf(brand, field, theme), [brand, field, theme]);
  const surface = [...resolveTheme(brand, theme).values()].find(
    ({ token, colour }) => token.role === 'surface' && colour,
  )?.colour;
  const count = Math.min(CATEGORICAL_COUNT.most, given.length + bare.length);
  const wish = {
    count,
    given: given.map(({ hex }) => hex),
    ground: surface?.hex ?? '#ffffff',
    contrast: 1.5,
    visions: VISIONS,
    lightness: [0.3, 0.88] as const,
    liveliness: 0.35,
  };
  const { value: set, progress } = useComputed(JSON.stringify(wish), (onProgress, signal) =>
    findCategories(wish, onProgress, signal),
  );
  const pairs = useMemo(() => (set ? hardPairs(set.colours, VISIONS, APART) : []), [set]);
  const added = set?.colours.slice(given.length) ?? [];
  const nameOf = (at: number) => given[at]?.name ?? bare[at - given.length];
  const take = () => run(extendField(brand, field, theme, added, newId)) && onClose();
  return (
    <FormDialog
      title={`Extend ${field.name} from ${given.length} to ${count} colours`}
      act={`Extend to ${given.length + added.length}`}
      disabled={added.length === 0}
      size="lg"
      body={css.importing}
      onAct={take}
      onClose={onClose}
    >
      <Strip label="Colours in all" values={set?.colours ?? wish.given} />
      <p role="status">
        {!set
          ? `Comparing, ${Math.round((progress ?? 0) * 100)} %`
          : pairs.length === 0
            ? `All ${set.colours.length} are told apart, also by people who lack a kind of cone: every pair is ΔE ${APART} apart or more.`
            : `${pairs.length} of ${(set.colours.length * (set.colours.length - 1)) / 2} pairs are not told apart at a glance by everybody (below ΔE ${APART}); label those:`}
      </p>
      {pairs.length > 0 && (
        <ul className={css.pairs}>
          {pairs.slice(0, TOLD).map(({ one, two, distance, vision }) => (
            <li key={`${one} ${two}`}>
              <i style={{ background: set!.colours[one] }} />
              <i style={{ background: set!.colours[two] }} />
              {nameOf(one)} and {nameOf(two)}: ΔE {distance.toFixed(1)}
              {vision !== 'normal' && ` to people ${VISION_WORDS[vision]}`}
            </li>
          ))}
          {pairs.length > TOLD && <li>and {pairs.length - TOLD} more</li>}
        </ul>
      )}
      <p className={css.more}>
        Adds {added.length} swatches, a token of {field.group} for each in every theme, and gives every value its own.
        {set && added.length < bare.length && ` For ${bare.length - added.length} values there is no colour left.`}
      </p>
    </FormDialog>
  );
}
