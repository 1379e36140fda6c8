import { resolveTheme } from '@/core/brand/reading/resolve';
import { useState, type ReactNode } from 'react';
import { readColour } from '@/core/colour/read';
import type { Vision } from '@/core/colour/vision';
import { CATEGORICAL_COUNT, type CategoricalSet } from '@/core/palette/categorical';
import { useBrand } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { Dial } from '@/ui/dial';
import { tell } from '@/ui/notices';
import { Strip } from '@/ui/strip';
import { findCategories } from '@/workers/solver';
import { PlaceButtons, ToolFrame, type ToolProps } from './tool';
import { useComputed } from '@/ui/asked/use-computed';
import { VISION_WORDS } from '@/ui/vision-words';
import css from './tools.module.css';

const VISIONS = ['protan', 'deutan', 'tritan'] as const satisfies readonly Vision[];

/** Colours for categories, as far apart as can be for everybody; the palette's own may come first and stay. */
export function CategoricalSeries({ palette, choice }: ToolProps & { choice: ReactNode }) {
  const { brand, theme } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme }));
  const surface = [...resolveTheme(brand, theme).values()].find(
    ({ token, colour }) => token.role === 'surface' && colour,
  )?.colour;
  const [extend, setExtend] = useState(palette.kind === 'categorical');
  const given = extend ? palette.swatches.map(({ value }) => value) : [];
  const [count, setCount] = useState(
    palette.kind === 'categorical' ? Math.min(CATEGORICAL_COUNT.most, palette.swatches.length + 3) : 8,
  );
  const [ground, setGround] = useState<string | null>(null);
  const [contrast, setContrast] = useState(3);
  const [target, setTarget] = useState(10);
  const [visions, setVisions] = useState<readonly Vision[]>(VISIONS);
  const [least, setLeast] = useState(0.42);
  const [most, setMost] = useState(0.82);
  const [liveliness, setLiveliness] = useState(0.5);
  const under = ground ?? surface?.hex ?? '#ffffff';
  const wish = { count, given, ground: under, contrast, visions, lightness: [least, Math.max(least, most)] as const, liveliness };
  const { value: set, progress } = useComputed(JSON.stringify(wish), (onProgress, signal) =>
    findCategories(wish, onProgress, signal),
  );
  const added = set?.colours.slice(extend ? palette.swatches.length : 0) ?? [];
  const names = added.map((value, at) => ({ name: `Category ${given.length + at + 1}`, value }));
  const toggle = (id: Vision) => setVisions(visions.includes(id) ? visions.filter((vision) => vision !== id) : [...visions, id]);
  return (
    <ToolFrame
      title="Series"
      choice={choice}
      on={progress === null ? undefined : `comparing, ${Math.round(progress * 100)} %`}
      acts={
        <PlaceButtons
          palette={palette}
          label={extend ? `${palette.name} more` : 'Categories'}
          kind="categorical"
          colours={names}
        />
      }
    >
      <Strip label="Series" values={set?.colours ?? given} />
      <p className={css.said} role="status">
        {set && reached(set, count, target, contrast)}
      </p>
      <div className={css.dials}>
        <div className={css.field}>
          <label className={css.check}>
            <input type="checkbox" checked={extend} onChange={(event) => setExtend(event.target.checked)} />
            after the palette’s own {palette.swatches.length}
          </label>
        </div>
        <Dial
          label="Colours in all"
          shown={count}
          value={count}
          min={CATEGORICAL_COUNT.least}
          max={CATEGORICAL_COUNT.most}
          onMove={setCount}
        />
        <Dial
          label="Contrast on the ground"
          shown={`${contrast.toFixed(1)} : 1`}
          value={contrast}
          min={1}
          max={7}
          step={0.1}
          onMove={setContrast}
        />
        <Dial label="Apart by at least" shown={`ΔE ${target}`} value={target} min={1} max={30} onMove={setTarget} />
        <div className={css.field} role="group" aria-label="Told apart by people">
          <span>Told apart by people</span>
          {VISIONS.map((id) => (
            <label key={id} className={css.check}>
              <input type="checkbox" checked={visions.includes(id)} onChange={() => toggle(id)} />
              {VISION_WORDS[id]}
            </label>
          ))}
        </div>
        <Dial label="Darkest" shown={least.toFixed(2)} value={least} min={0.15} max={0.7} step={0.01} onMove={setLeast} />
        <Dial label="Lightest" shown={most.toFixed(2)} value={most} min={0.5} max={0.97} step={0.01} onMove={setMost} />
        <Dial
          label="Liveliness at least"
          shown={`${Math.round(liveliness * 100)} %`}
          value={liveliness}
          min={0}
          max={1}
          step={0.05}
          onMove={setLiveliness}
        />
        <label className={css.field}>
          Ground
          <CommitInput
            mono
            value={under}
            onCommit={(text) => {
              if (readColour(text)) setGround(text);
              else tell(`“${text}” is not a CSS colour. Try #ffffff or oklch(0.2 0.02 250).`);
              return true;
            }}
          />
        </label>
      </div>
    </ToolFrame>
  );
}

/** What was reached, against what was asked for. */
function reached({ colours, closest }: CategoricalSet, count: number, target: number, contrast: number): string {
  const fewer =
    colours.length < count
      ? `Only ${colours.length} of ${count} colours have ${contrast.toFixed(1)}:1 on this ground within these bounds; widen the lightness or lower the contrast. `
      : '';
  if (!closest) return fewer;
  const told = `The closest two are ${closest.one + 1} and ${closest.two + 1}: ΔE ${closest.distance.toFixed(1)} to people ${VISION_WORDS[closest.vision]}.`;
  if (closest.distance >= target) return `${fewer}${told}`;
  return `${fewer}${told} ΔE ${target} was asked for and cannot be reached with ${colours.length} colours here.`;
}
