import type { TileGrid } from '@/core/brand/document/art-shape';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import css from './art.module.css';

/** How the sheet is divided, to be put right where the guess is wrong. */
export function GridFields({
  grid,
  disabled,
  losesGroups,
  onGrid,
}: {
  grid: TileGrid;
  disabled: boolean;
  losesGroups: boolean;
  onGrid: (grid: TileGrid) => boolean;
}) {
  const field = (key: keyof TileGrid, label: string, words: string, least: number, most: number) => (
    <label title={losesGroups ? 'Groups are of tiles as they are now, and go when these change.' : undefined}>
      {words}
      <CommitInput
        label={label}
        value={String(grid[key])}
        disabled={disabled}
        onCommit={(text) => {
          const value = Number(text);
          if (Number.isInteger(value) && value >= least && value <= most) return onGrid({ ...grid, [key]: value });
          tell(`Write a whole number of pixels from ${least} to ${most}.`);
          return false;
        }}
      />
    </label>
  );
  return (
    <span className={css.grid}>
      {field('width', 'Tile width', 'Tile', 1, 4_096)}
      {field('height', 'Tile height', 'by', 1, 4_096)}
      {field('margin', 'Margin', 'margin', 0, 256)}
      {field('spacing', 'Spacing', 'spacing', 0, 256)}
    </span>
  );
}
