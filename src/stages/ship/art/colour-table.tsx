import { NativeSelect } from '@chakra-ui/react';
import { useDndMonitor } from '@dnd-kit/core';
import { useState } from 'react';
import type { Art } from '@/core/brand/document/art-shape';
import { swatchesOf } from '@/core/brand/reading/resolve';
import { readColour } from '@/core/colour/read';
import type { ColourFate } from '@/core/image/recolour-plan';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { draggedIn, underPointer } from '@/ui/dragged';
import css from './art.module.css';

/** Rows that are drawn; more colours than this are a photograph’s, and nobody maps them one by one. */
const MOST_ROWS = 256;

const hexOf = (rgb: number) => `#${rgb.toString(16).padStart(6, '0')}`;

interface Props {
  art: Art;
  fates: readonly ColourFate[];
  more: number;
  onSend: (from: string, to: string | null) => void;
}

/** From which colour to which: the nearest, or the one chosen by its name or by dropping a swatch of the strand on it. */
export function ColourTable({ art, fates, more, onSend }: Props) {
  const brand = useBrand((state) => state.replica.brand);
  const mayEdit = useMayEdit();
  const [over, setOver] = useState<string | null>(null);
  useDndMonitor({
    onDragMove: (event) =>
      setOver(draggedIn(event)?.what === 'swatch' ? (underPointer(event, '[data-from]')?.dataset.from ?? null) : null),
    onDragCancel: () => setOver(null),
    onDragEnd: (event) => {
      setOver(null);
      const dragged = draggedIn(event);
      const from = dragged?.what === 'swatch' && mayEdit ? underPointer(event, '[data-from]')?.dataset.from : undefined;
      if (dragged && from) onSend(from, dragged.id);
    },
  });
  const palette = brand.palettes.find(({ id }) => id === art.table.palette);
  const chosen = new Map(art.table.map.map(({ from, to }) => [from, to]));
  const byRgb = new Map(
    (palette?.swatches ?? []).map((swatch) => [parseInt(readColour(swatch.value)!.hex.slice(1), 16), swatch]),
  );
  const swatches = swatchesOf(brand);
  return (
    <div className={css.table} tabIndex={0} role="group" aria-label="Colours and where they go">
      <table>
        <thead>
          <tr>
            <th>From</th>
            <th>Pixels</th>
            <th>To</th>
            <th>ΔE</th>
          </tr>
        </thead>
        <tbody>
          {fates.slice(0, MOST_ROWS).map(({ from, to, pixels, deltaE, nearest }) => {
            const hex = hexOf(from);
            const own = chosen.get(hex);
            const place = own === undefined ? undefined : swatches.get(own);
            return (
              <tr key={hex} data-from={hex} data-over={over === hex || undefined}>
                <td>
                  <i style={{ background: hex }} />
                  <code>{hex}</code>
                </td>
                <td>{pixels.toLocaleString('en')}</td>
                <td>
                  {to === null ? (
                    <em>transparent</em>
                  ) : (
                    <>
                      <i style={{ background: hexOf(to) }} />
                      <NativeSelect.Root size="xs" disabled={!mayEdit}>
                        <NativeSelect.Field
                          aria-label={`Where ${hex} goes`}
                          value={own ?? ''}
                          onChange={({ target }) => onSend(hex, target.value === '' ? null : target.value)}
                        >
                          <option value="">
                            {own === undefined
                              ? `${byRgb.get(to)?.name ?? hexOf(to)}, ${nearest ? 'nearest' : 'in order'}`
                              : 'by itself'}
                          </option>
                          {place && place.palette.id !== palette?.id && (
                            <option value={own}>
                              {place.palette.name} / {place.swatch.name}
                            </option>
                          )}
                          {(palette?.swatches ?? []).map(({ id, name }) => (
                            <option key={id} value={id}>
                              {name}
                            </option>
                          ))}
                        </NativeSelect.Field>
                        <NativeSelect.Indicator />
                      </NativeSelect.Root>
                    </>
                  )}
                </td>
                <td>{to === null ? '' : deltaE.toFixed(3)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {fates.length + more > MOST_ROWS && (
        <p>and {(fates.length + more - MOST_ROWS).toLocaleString('en')} more colours, each to its nearest</p>
      )}
    </div>
  );
}
