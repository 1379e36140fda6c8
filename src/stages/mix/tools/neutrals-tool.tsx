import { useMemo, useState } from 'react';
import { readColour } from '@/core/colour/read';
import { MOST_TINT, neutrals } from '@/core/palette/neutrals';
import { SHADE_LABELS } from '@/core/palette/shades';
import { Dial } from '@/ui/dial';
import { ribbon } from '@/ui/ribbon';
import { PlaceButtons, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

/** Where in a ladder a page takes its colours from. */
const PAGE = { paper: 0, line: 2, soft: 7, ink: 9 } as const;

/** Five tints of grey from cold to warm, each with a page set in it, because a small tint changes the mood. */
export function NeutralsTool({ palette, chosen }: ToolProps) {
  const lead =
    chosen.lead ??
    palette.swatches.reduce<ToolProps['palette']['swatches'][number] | undefined>(
      (best, swatch) => (best && chromaOf(best.value) >= chromaOf(swatch.value) ? best : swatch),
      undefined,
    );
  const [tint, setTint] = useState(0.012);
  const [picked, setPicked] = useState('own');
  const hue = lead ? readColour(lead.value)!.oklch[2] : 250;
  const sets = useMemo(() => neutrals(hue, tint), [hue, tint]);
  const set = sets.find(({ id }) => id === picked)!;
  const label = `Neutral ${set.label.toLowerCase()}`;
  return (
    <ToolFrame
      title="Neutrals"
      on={lead ? `about the hue of ${lead.name}` : undefined}
      acts={
        <PlaceButtons
          palette={palette}
          label={label}
          kind="brand"
          colours={set.values.map((value, at) => ({ name: `${label} ${SHADE_LABELS[at]}`, value }))}
        />
      }
    >
      <div className={css.pages} role="radiogroup" aria-label="Tint">
        {sets.map(({ id, label: words, values }) => (
          <button key={id} role="radio" aria-checked={id === picked} className={css.page} onClick={() => setPicked(id)}>
            <div style={{ background: values[PAGE.paper], color: values[PAGE.ink] }}>
              <b>A heading</b>
              <span style={{ color: values[PAGE.soft] }}>A paragraph of the size that most pages are set in.</span>
              <i style={{ background: values[PAGE.line] }} />
              <em style={{ background: values[PAGE.ink], color: values[PAGE.paper] }}>Button</em>
            </div>
            <i style={{ background: ribbon(values), height: 22, margin: 0 }} />
            <span>{words}</span>
          </button>
        ))}
      </div>
      <div className={css.dials}>
        <Dial label="Tint" shown={tint.toFixed(3)} value={tint} min={0} max={MOST_TINT} step={0.001} onMove={setTint} />
      </div>
    </ToolFrame>
  );
}

function chromaOf(css: string): number {
  return readColour(css)!.oklch[1];
}
