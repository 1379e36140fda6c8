'use client';

import { Button, NativeSelect } from '@chakra-ui/react';
import { PALETTE_KINDS, type Palette } from '@/core/brand/document';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { Empty } from '@/ui/empty';
import { ClosestPlot } from '@/ui/plots/closest-plot';
import { HueChromaPlot } from '@/ui/plots/hue-chroma-plot';
import { LightnessPlot } from '@/ui/plots/lightness-plot';
import { StageLink } from '@/ui/stage-link';
import { StageTitle } from '@/ui/stage-title';
import { Grid } from './grid';
import { SwatchActions } from './swatch-actions';
import { PaletteSource } from './palette-source';
import { useChosen } from './chosen';
import { Toolbox } from './tools/toolbox';
import css from './mix.module.css';

/** Beyond this many swatches the plots would be a smear. */
const PLOTTED = 256;

export function Mix() {
  const palette = useBrand((state) => state.replica.brand.palettes.find((one) => one.id === state.palette));
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
        {palette.source && <PaletteSource source={palette.source} />}
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
        <Button
          size="xs"
          variant="outline"
          disabled={!mayEdit}
          onClick={() => run({ label: `Delete ${palette.name}`, steps: [{ do: 'palette.remove', id: palette.id }] })}
        >
          Delete palette
        </Button>
      </StageTitle>
      <SwatchActions palette={palette} chosen={chosen} />
      <Grid palette={palette} />
      <Toolbox palette={palette} chosen={chosen} />
      {count > 0 && (
        <div className={css.lower}>
          {count <= PLOTTED ? (
            <div className={css.plots}>
              <figure>
                <figcaption>Lightness, as it prints in grey</figcaption>
                <LightnessPlot swatches={palette.swatches} selected={lead} />
              </figure>
              <figure>
                <figcaption>Hue and chroma</figcaption>
                <HueChromaPlot swatches={palette.swatches} selected={lead} />
              </figure>
              {count > 1 && (
                <figure>
                  <figcaption>Hardest to tell apart</figcaption>
                  <ClosestPlot swatches={palette.swatches} />
                </figure>
              )}
            </div>
          ) : (
            <p className={css.note}>Plots are drawn for palettes of up to {PLOTTED} colours.</p>
          )}
        </div>
      )}
    </>
  );
}
