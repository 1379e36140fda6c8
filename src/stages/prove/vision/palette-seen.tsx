import { NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { Palette } from '@/core/brand/document/palette-shape';
import { closePairs, type Close } from '@/core/colour/close-pairs';
import { srgbToLabD65 } from '@/core/colour/lab';
import { hexOf, readColour } from '@/core/colour/read';
import { seenAs, VISIONS, type Vision } from '@/core/colour/vision';
import { TOLD_APART, TOLD_BY_ALL } from '@/core/findings/categories';
import { useBrand } from '@/ui/store/brand-context';
import { Empty } from '@/ui/empty';
import { VISION_WORDS } from '@/ui/vision-words';
import css from './vision.module.css';

/** Pairs beyond these are too many to be drawn apart. */
const MOST_PAIRS = 12;

/** The palette in view with each kind of eyes, one ribbon below the other, and the pairs that collapse. */
export function PaletteSeen({ severity }: { severity: number }) {
  const { palettes, shown } = useBrand((state) => ({ palettes: state.brand.palettes, shown: state.palette }));
  const [chosen, setChosen] = useState<string | null>(null);
  const palette = palettes.find(({ id }) => id === (chosen ?? shown)) ?? palettes[0];
  if (!palette || palette.swatches.length === 0)
    return (
      <Empty title="Nothing to look at yet">
        {palette ? `${palette.name} has no colours yet.` : 'There is no palette yet.'} Mix one first.
      </Empty>
    );
  return (
    <div className={css.rows}>
      <NativeSelect.Root size="xs" width="220px" className={css.which}>
        <NativeSelect.Field aria-label="Palette" value={palette.id} onChange={({ target }) => setChosen(target.value)}>
          {palettes.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      {VISIONS.map((vision) => (
        <Row key={vision} palette={palette} vision={vision} severity={severity} />
      ))}
    </div>
  );
}

function Row({ palette, vision, severity }: { palette: Palette; vision: Vision; severity: number }) {
  const limit = vision === 'normal' ? TOLD_APART : TOLD_BY_ALL;
  const { colours, pairs } = useMemo(() => seen(palette, vision, severity, limit), [palette, vision, severity, limit]);
  const name = (at: number) => palette.swatches[at]!.name;
  const words = `${palette.name} ${VISION_WORDS[vision]}`;
  return (
    <section aria-label={words} data-vision={vision}>
      <h2>
        {VISION_WORDS[vision]}
        <small>
          {pairs.length === 0
            ? 'all told apart'
            : `${pairs.length} ${pairs.length === 1 ? 'pair is' : 'pairs are'} hard to tell apart (below ΔE ${limit})`}
        </small>
      </h2>
      <div className={css.ribbon}>
        {colours.map((hex, at) => (
          <i key={palette.swatches[at]!.id} style={{ background: hex }} title={`${name(at)}: ${hex}`} />
        ))}
      </div>
      {pairs.length > 0 && (
        <>
          <Arcs pairs={pairs} count={colours.length} />
          <ul>
            {pairs.slice(0, MOST_PAIRS).map(({ one, two, distance }) => (
              <li key={`${one} ${two}`}>
                <i style={{ background: colours[one]! }} />
                <i style={{ background: colours[two]! }} />
                {name(one)}, {name(two)} <code>{distance.toFixed(1)}</code>
              </li>
            ))}
            {pairs.length > MOST_PAIRS && <li>and {pairs.length - MOST_PAIRS} more</li>}
          </ul>
        </>
      )}
    </section>
  );
}

/** Each pair as an arc below the ribbon, from the middle of one swatch to that of the other. */
function Arcs({ pairs, count }: { pairs: readonly Close[]; count: number }) {
  const x = (at: number) => ((at + 0.5) / count) * 1000;
  return (
    <svg className={css.arcs} viewBox="0 0 1000 26" preserveAspectRatio="none" aria-hidden>
      {pairs.slice(0, MOST_PAIRS).map(({ one, two }) => (
        <path key={`${one} ${two}`} d={`M${x(one)} 0 C${x(one)} 30 ${x(two)} 30 ${x(two)} 0`} vectorEffect="non-scaling-stroke" />
      ))}
    </svg>
  );
}

/** The colours as those eyes see them, and the pairs that are then closer than a limit; neighbours of a series are close on purpose. */
function seen({ swatches, kind }: Palette, vision: Vision, severity: number, limit: number) {
  const rgbs = swatches.map(({ value }) => seenAs(readColour(readColour(value)!.hex)!.rgb, vision, severity));
  const isSeries = kind === 'sequential' || kind === 'diverging';
  const pairs = closePairs(rgbs.map(srgbToLabD65), limit, 500).filter(({ one, two }) => !isSeries || two - one > 1);
  return { colours: rgbs.map(hexOf), pairs };
}
