import { shortened } from '@/core/base/storable';
import { Button } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import type { Chosen } from '../chosen';
import { addRow } from '../rows';
import css from './tools.module.css';

/** What every tool is given. */
export interface ToolProps {
  readonly palette: Palette;
  readonly chosen: Chosen;
}

interface ToolFrameProps {
  title: string;
  /** What it works on, in words. */
  on?: ReactNode;
  /** Which of a few the tool makes. */
  choice?: ReactNode;
  acts: ReactNode;
  children: ReactNode;
}

/** A tool's heading, what can be done with its outcome, and below both the outcome and its dials. */
export function ToolFrame({ title, on, choice, acts, children }: ToolFrameProps) {
  return (
    <section className={css.tool} aria-label={title}>
      <div className={css.title}>
        <h2>{title}</h2>
        {choice}
        <span>{on}</span>
        <div>{acts}</div>
      </div>
      {children}
    </section>
  );
}

/** A colour on its way into a palette. */
export interface Made {
  readonly name: string;
  readonly value: string;
}

interface PlaceProps {
  palette: Palette;
  /** Label of the row, and name of the palette. */
  label: string;
  colours: readonly Made[];
  kind?: Palette['kind'];
  /** Rows of a new palette, where its colours are not one row. */
  rowOf?: (at: number) => string;
}

/** What was made goes into the palette as a row, or becomes a palette of its own. */
export function PlaceButtons({ palette, label, colours, kind = palette.kind, rowOf }: PlaceProps) {
  const { run, choosePalette } = useBrand((state) => ({ run: state.run, choosePalette: state.choosePalette }));
  const mayEdit = useMayEdit();
  const disabled = !mayEdit || colours.length === 0;
  const asPalette = () => {
    const swatches = colours.map((colour, at): Swatch => ({
      id: newId(),
      ...colour,
      locked: false,
      ...(rowOf && { row: rowOf(at) }),
    }));
    const made: Palette = { id: newId(), name: shortened(label, LIMITS.name), kind, swatches };
    if (run({ label: `Make the palette ${label}`, steps: [{ do: 'palette.add', palette: made, before: null }] }))
      choosePalette(made.id);
  };
  const asRow = () => run(addRow(palette, label, colours));
  return (
    <>
      <Button size="xs" variant="outline" disabled={disabled} onClick={asPalette}>
        As a new palette
      </Button>
      {!rowOf && (
        <Button size="xs" disabled={disabled} onClick={asRow}>
          Add as a row
        </Button>
      )}
    </>
  );
}

/** What a tool works on when some are chosen, and when none or one is: the whole palette. */
export function targetsOf({ palette, chosen }: ToolProps): readonly Swatch[] {
  return chosen.all.length > 1 ? chosen.all : palette.swatches;
}

export function targetWords({ palette, chosen }: ToolProps): string {
  return chosen.all.length > 1
    ? `${chosen.all.length} chosen`
    : `all ${palette.swatches.length}; choose some to change only these`;
}

export function numberedNames(label: string, values: readonly string[]): Made[] {
  return values.map((value, at) => ({ name: nameOf(label, String(at + 1)), value }));
}

/** "Mill Quay 500"; a long label gives way to what follows it. */
export function nameOf(label: string, step: string): string {
  return `${shortened(label, LIMITS.name - step.length - 1)} ${step}`;
}
