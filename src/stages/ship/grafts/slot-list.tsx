import { NativeSelect } from '@chakra-ui/react';
import { useDndMonitor } from '@dnd-kit/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Binding, Graft } from '@/core/brand/document/graft-shape';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { draggedIn, underPointer } from '@/ui/dragged';
import { ValuePicker } from '@/ui/token-field/value-picker';
import type { Proposed } from '@/core/graft/sure-bindings';
import type { ShownBank, ShownHost } from '@/workers/graft.worker';
import type { Bound } from './bound';
import css from './graft.module.css';

type Row =
  | { readonly kind: 'run'; readonly bank: ShownBank }
  | { readonly kind: 'place'; readonly text: string }
  | { readonly kind: 'slot'; readonly at: number };

const HEIGHTS = { run: 40, place: 30, slot: 28 } as const;

/** The slots in the file's order; those of a run stand together below its name, others below the place they stand in. */
function rowsOf({ slots, banks }: ShownHost): Row[] {
  const bankAt = new Map(banks.flatMap((bank) => bank.slots.map((at) => [at, bank] as const)));
  const rows: Row[] = [];
  const told = new Set<ShownBank>();
  let place = '';
  for (const [at, { key }] of slots.entries()) {
    const bank = bankAt.get(at);
    if (bank) {
      place = '';
      if (told.has(bank)) continue;
      told.add(bank);
      rows.push({ kind: 'run', bank }, ...bank.slots.map((member): Row => ({ kind: 'slot', at: member })));
      continue;
    }
    const parent = key.slice(0, key.lastIndexOf('/'));
    if (parent !== place || at === 0) rows.push({ kind: 'place', text: parent === '' ? 'At the top' : placeWords(parent) });
    place = parent;
    rows.push({ kind: 'slot', at });
  }
  return rows;
}

/** The last steps of a place: `chart › legend`. */
function placeWords(key: string): string {
  return key
    .split('/')
    .filter(Boolean)
    .slice(-3)
    .map((step) => step.replace(/\[1\]/g, '').replace(/\[\*\]/g, ''))
    .join(' › ');
}

interface Props {
  graft: Graft;
  host: ShownHost;
  bound: ReadonlyMap<number, Bound>;
  proposed: Proposed | null;
  chosen: number | null;
  onChoose: (at: number) => void;
  onBind: (at: number, to: Binding['to'] | null) => void;
  onBank: (bank: ShownBank, set: Graft['banks'][string] | null) => void;
}

/** Every slot with what it has and what it will have; a swatch of the strand can be dropped on a slot, or on a run. */
export function SlotList({ graft, host, bound, proposed, chosen, onChoose, onBind, onBank }: Props) {
  const palettes = useBrand((state) => state.brand.palettes);
  const mayEdit = useMayEdit();
  const scroller = useRef<HTMLDivElement>(null);
  const [editing, setEditing] = useState<number | null>(null);
  const rows = useMemo(() => rowsOf(host), [host]);
  // eslint-disable-next-line react-hooks/incompatible-library -- it says itself when it has to draw anew
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => HEIGHTS[rows[index]!.kind],
    overscan: 12,
  });
  const row = chosen === null ? -1 : rows.findIndex((each) => each.kind === 'slot' && each.at === chosen);
  useEffect(() => {
    if (row >= 0) list.scrollToIndex(row, { align: 'auto' });
    // Only a new choice moves the list, not each of its renderings.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [row]);
  const [over, setOver] = useState<string | null>(null);
  useDndMonitor({
    onDragMove: (event) => {
      const target = draggedIn(event)?.what === 'swatch' ? underPointer(event, '[data-slot], [data-run]') : null;
      setOver(target?.dataset.slot ?? target?.dataset.run ?? null);
    },
    onDragCancel: () => setOver(null),
    onDragEnd: (event) => {
      setOver(null);
      const dragged = draggedIn(event);
      const target = dragged?.what === 'swatch' && mayEdit ? underPointer(event, '[data-slot], [data-run]') : null;
      if (!dragged || !target) return;
      if (target.dataset.slot !== undefined) return onBind(Number(target.dataset.slot), { swatch: dragged.id });
      const bank = host.banks.find(({ key }) => key === target.dataset.run);
      const palette = palettes.find(({ swatches }) => swatches.some(({ id }) => id === dragged.id));
      if (bank && palette) onBank(bank, { palette: palette.id, resize: graft.banks[bank.key]?.resize ?? false });
    },
  });
  return (
    <div ref={scroller} className={css.slots} tabIndex={0} role="group" aria-label="Slots of the host" data-testid="slots">
      <div style={{ height: list.getTotalSize(), position: 'relative' }}>
        {list.getVirtualItems().map(({ index, start, size }) => {
          const each = rows[index]!;
          const style = { position: 'absolute' as const, top: start, left: 0, right: 0, height: size };
          if (each.kind === 'place')
            return (
              <p key={index} style={style} className={css.place}>
                {each.text}
              </p>
            );
          if (each.kind === 'run') {
            const { bank } = each;
            const taken = graft.banks[bank.key];
            const proposal = proposed?.banks[bank.key];
            return (
              <div key={index} style={style} className={css.run} data-run={bank.key} data-over={over === bank.key || undefined}>
                <b>{placeWords(bank.key)}</b>
                <small>a bank of {bank.slots.length.toLocaleString('en')}</small>
                <NativeSelect.Root size="xs" width="180px" disabled={!mayEdit}>
                  <NativeSelect.Field
                    aria-label={`Palette for ${placeWords(bank.key)}`}
                    value={taken?.palette ?? ''}
                    onChange={({ target }) =>
                      onBank(bank, target.value === '' ? null : { palette: target.value, resize: taken?.resize ?? false })
                    }
                  >
                    <option value="">{proposal ? `Near ${proposal.name}…` : 'Each by itself'}</option>
                    {palettes.map(({ id, name, swatches }) => (
                      <option key={id} value={id}>
                        {name} ({swatches.length})
                      </option>
                    ))}
                  </NativeSelect.Field>
                  <NativeSelect.Indicator />
                </NativeSelect.Root>
                {taken && bank.resizable && (
                  <label className={css.grows}>
                    <input
                      type="checkbox"
                      checked={taken.resize}
                      disabled={!mayEdit}
                      onChange={({ target }) => onBank(bank, { ...taken, resize: target.checked })}
                    />
                    as many as the palette
                  </label>
                )}
              </div>
            );
          }
          const { at } = each;
          const slot = host.slots[at]!;
          const will = bound.get(at);
          const [proposal] = proposed?.slots[slot.key] ?? [];
          return (
            <div
              key={index}
              style={style}
              className={css.slot}
              data-slot={at}
              data-over={over === String(at) || undefined}
              aria-current={chosen === at || undefined}
              onClick={() => onChoose(at)}
            >
              <span className={css.line}>{slot.line}</span>
              <span className={css.pair} title={will?.hex ? `${slot.hex} becomes ${will.hex}` : `${slot.hex} stays`}>
                <i style={{ background: slot.hex }} />
                <i style={{ background: will?.hex ?? slot.hex }} />
              </span>
              <span className={css.label}>{slot.label || slot.key}</span>
              <code>{slot.text.replace(/\s+/g, ' ')}</code>
              {editing === at ? (
                <span className={css.pick}>
                  <ValuePicker
                    theme={graft.theme}
                    label={`Bind ${slot.label} in line ${slot.line}`}
                    autoFocus
                    ownColours={false}
                    placeholder="Swatch or token"
                    onPick={(value) => {
                      setEditing(null);
                      if ('swatch' in value) onBind(at, { swatch: value.swatch });
                      else if ('token' in value) onBind(at, { token: value.token });
                    }}
                    onClose={() => setEditing(null)}
                  />
                </span>
              ) : (
                <span className={css.binding}>
                  <button
                    disabled={!mayEdit}
                    data-lost={will?.hex === null || undefined}
                    data-loose={!will || undefined}
                    onClick={() => {
                      onChoose(at);
                      setEditing(at);
                    }}
                  >
                    {will ? will.name : 'stays'}
                  </button>
                  {!will && proposal && mayEdit && (
                    <button className={css.proposal} onClick={() => onBind(at, proposal.to)}>
                      <i style={{ background: proposal.hex }} />
                      {proposal.name} <small>ΔE {proposal.deltaE.toFixed(1)}</small>
                    </button>
                  )}
                  {will && !will.byBank && mayEdit && (
                    <button aria-label={`Unbind ${slot.label} in line ${slot.line}`} onClick={() => onBind(at, null)}>
                      ×
                    </button>
                  )}
                </span>
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}
