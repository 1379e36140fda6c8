import { useMemo } from 'react';
import type { ChartField } from '@/core/data/chart-field';
import { extendField, lackOf } from '@/core/brand/tools/extend-field';
import { newId } from '@/core/brand/document/identity';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { TOLD_APART } from '@/core/findings/categories';
import { CATEGORICAL_COUNT, hardPairs } from '@/core/palette/categorical';
import { findCategories } from '@/workers/solver';
import { useBrand } from './store/brand-context';
import { Strip } from './strip';
import { useComputed } from './asked/use-computed';
import { VISION_WORDS } from './vision-words';
import { FormDialog } from './form-dialog';
import css from './extend-values.module.css';

/** Pairs that are told one by one. */
const TOLD = 5;
const VISIONS = ['protan', 'deutan', 'tritan'] as const;

/** Further colours for the values that have none, told apart from those there are as well as can be, taken in one step. */
/** @param extended the field, the brand that has it, and the steps that make it so, which are taken with the colours */
export function ExtendValues({ extended, onClose }: { extended: ChartField; onClose: () => void }) {
  const { field, brand, steps } = extended;
  const { theme, run } = useBrand((state) => ({ theme: state.theme, run: state.run }));
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
  const pairs = useMemo(() => (set ? hardPairs(set.colours, VISIONS, TOLD_APART) : []), [set]);
  const added = set?.colours.slice(given.length) ?? [];
  const nameOf = (at: number) => given[at]?.name ?? bare[at - given.length];
  const take = () => {
    const command = extendField(brand, field, theme, added, newId);
    return run({ ...command, steps: [...steps, ...command.steps] }) && onClose();
  };
  return (
    <FormDialog
      title={`Extend ${field.name} from ${given.length} to ${count} colours`}
      act={`Extend to ${given.length + added.length}`}
      disabled={added.length === 0}
      size="lg"
      body={css.body}
      onAct={take}
      onClose={onClose}
    >
      <Strip label="Colours in all" values={set?.colours ?? wish.given} />
      <p role="status">
        {!set
          ? `Comparing, ${Math.round((progress ?? 0) * 100)} %`
          : pairs.length === 0
            ? `All ${set.colours.length} are told apart, also by people who lack a kind of cone: every pair is ΔE ${TOLD_APART} apart or more.`
            : `${pairs.length} of ${(set.colours.length * (set.colours.length - 1)) / 2} pairs are not told apart at a glance by everybody (below ΔE ${TOLD_APART}); label those:`}
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
