'use client';

import { Button, NativeSelect } from '@chakra-ui/react';
import { useState } from 'react';
import { PALETTE_KINDS, type Palette } from '@/core/brand/document/palette-shape';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { Empty } from '@/ui/empty';
import { ClosestPlot } from '@/ui/plots/closest-plot';
import { HueChromaPlot } from '@/ui/plots/hue-chroma-plot';
import { LightnessPlot } from '@/ui/plots/lightness-plot';
import { MatrixPlot } from '@/ui/plots/matrix-plot';
import { SeriesPlot } from '@/ui/plots/series-plot';
import { StageLink } from '@/ui/stage-link';
import { StageTitle } from '@/ui/stage-title';
import { Grid } from './grid';
import { SwatchActions } from './swatch-actions';
import { PaletteMenu } from './palette-menu';
import { PaletteWords } from './palette-words';
import { useChosen } from './chosen';
import { Toolbox } from './tools/toolbox';
import css from './mix.module.css';

/** Beyond this many swatches the plots would be a smear. */
const PLOTTED = 256;

export function Mix() {
  const palette = useBrand((state) => state.replica.brand.palettes.find((palette) => palette.id === state.palette));
  if (!palette) {
    return (
      <Empty
        title="Palettes are mixed here"
        act={
          <Button asChild size="sm">
            <StageLink stage="gather">Gather some colours</StageLink>
          </Button>
        }
      >
        There is none yet. Bring colours in from where they live today, or start an empty palette from the strand on the left.
      </Empty>
    );
  }
  return <MixPalette palette={palette} />;
}

function MixPalette({ palette }: { palette: Palette }) {
  const run = useBrand((state) => state.run);
  const mayEdit = useMayEdit();
  const chosen = useChosen(palette);
  const lead = chosen.lead?.id ?? null;
  const count = palette.swatches.length;
  const edit = (label: string, set: Partial<Pick<Palette, 'name' | 'kind'>>) =>
    run({ label, steps: [{ do: 'palette.edit', id: palette.id, set }] });
  return (
    <>
      <StageTitle
        title={
          <CommitInput
            label="Palette name"
            look="plain"
            value={palette.name}
            disabled={!mayEdit}
            onCommit={(name) => edit(`Rename ${palette.name} to ${name}`, { name })}
          />
        }
        about={`${count} ${count === 1 ? 'colour' : 'colours'}`}
      >
        <NativeSelect.Root size="xs" width="130px" disabled={!mayEdit}>
          <NativeSelect.Field
            aria-label="Kind of palette"
            value={palette.kind}
            onChange={(event) =>
              edit(`Make ${palette.name} ${event.target.value}`, { kind: event.target.value as Palette['kind'] })
            }
          >
            {PALETTE_KINDS.map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
        <PaletteMenu palette={palette} />
      </StageTitle>
      <PaletteWords palette={palette} />
      <SwatchActions palette={palette} chosen={chosen} />
      <Grid palette={palette} />
      <Toolbox palette={palette} chosen={chosen} />
      {count > 0 && (
        <div className={css.lower}>
          {count <= PLOTTED ? (
            <Plots palette={palette} lead={lead} />
          ) : (
            <p className={css.note}>Plots are drawn for palettes of up to {PLOTTED} colours.</p>
          )}
        </div>
      )}
    </>
  );
}

/** Beyond this many the squares of the matrix would be smaller than can be pointed at. */
const IN_MATRIX = 64;

function Plots({ palette, lead }: { palette: Palette; lead: string | null }) {
  const { swatches } = palette;
  const [pairs, setPairs] = useState<'closest' | 'all'>('closest');
  const series = palette.kind === 'sequential' || palette.kind === 'diverging';
  return (
    <>
      <div className={css.plots}>
        <figure>
          <figcaption>Lightness, as it prints in grey</figcaption>
          <LightnessPlot swatches={swatches} selected={lead} />
        </figure>
        <figure>
          <figcaption>Hue and chroma</figcaption>
          <HueChromaPlot swatches={swatches} selected={lead} />
        </figure>
        {swatches.length > 1 && (
          <figure>
            <figcaption>
              Hardest to tell apart
              {swatches.length <= IN_MATRIX && (
                <button aria-pressed={pairs === 'all'} onClick={() => setPairs(pairs === 'all' ? 'closest' : 'all')}>
                  all pairs
                </button>
              )}
            </figcaption>
            <ClosestPlot swatches={swatches} />
          </figure>
        )}
      </div>
      {pairs === 'all' && swatches.length > 1 && swatches.length <= IN_MATRIX && <MatrixPlot swatches={swatches} />}
      {series && swatches.length > 1 && <SeriesPlot values={swatches.map(({ value }) => value)} />}
    </>
  );
}
