import { Button, NativeSelect } from '@chakra-ui/react';
import { useMemo, useState, type PointerEvent } from 'react';
import { columnName, RANGE_EXAMPLE, readRange, writeRange, type CellRange } from '@/core/intake/tables/cell-range';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { standsInCell, type OpenedTable } from './use-intake';
import css from './gather.module.css';

/** Beyond these, cells would be too small to be seen. */
const SHOWN = { rows: 60, columns: 40 };

interface Props {
  /** With a colour in some cell. */
  table: OpenedTable;
  onCells: (range: CellRange | null) => void;
}

/** A table drawn as its colours in their cells: a drag over them chooses those to read. */
export function TableSource({ table, onCells }: Props) {
  /** Colours that stand in cells, sheet by sheet. */
  const sheets = useMemo(() => {
    const cells = table.lines.filter(standsInCell);
    return [...new Set(cells.map(({ palette }) => palette))].map((name) => ({
      name,
      cells: cells.filter(({ palette }) => palette === name),
    }));
  }, [table]);
  const [sheetName, setSheetName] = useState(sheets[0]!.name);
  const [range, setRange] = useState<CellRange | null>(null);
  const [corner, setCorner] = useState<{ row: number; column: number } | null>(null);
  const sheet = sheets.find(({ name }) => name === sheetName)!;
  const take = (next: CellRange | null) => {
    setRange(next);
    onCells(next);
  };
  const type = (text: string) => {
    if (text === '') return (take(null), true);
    const read = readRange(text);
    if (!read) tell(`“${text}” is no range of cells; write ${RANGE_EXAMPLE}.`);
    else take(table.isWorkbook ? { ...read, sheet: read.sheet ?? sheetName } : read);
    return read !== null;
  };
  const rows = Math.min(SHOWN.rows, Math.max(...sheet.cells.map(({ line }) => line)));
  const columns = Math.min(SHOWN.columns, Math.max(...sheet.cells.map(({ column }) => column)));
  const cellAt = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const place = (at: number, size: number, count: number) => Math.min(count, Math.max(1, Math.ceil((at / size) * count)));
    return {
      row: place(event.clientY - box.top, box.height, rows),
      column: place(event.clientX - box.left, box.width, columns),
    };
  };
  const drawn = (to: { row: number; column: number }): CellRange => ({
    sheet: table.isWorkbook ? sheet.name : null,
    top: Math.min(corner!.row, to.row),
    left: Math.min(corner!.column, to.column),
    bottom: Math.max(corner!.row, to.row),
    right: Math.max(corner!.column, to.column),
  });
  const here =
    range && (range.sheet === null || range.sheet === sheet.name) && range.top <= rows && range.left <= columns ? range : null;
  return (
    <>
      <div className={css.searching}>
        {sheets.length > 1 && (
          <NativeSelect.Root size="xs" width="170px">
            <NativeSelect.Field aria-label="Sheet" value={sheetName} onChange={(event) => setSheetName(event.target.value)}>
              {sheets.map(({ name }) => (
                <option key={name}>{name}</option>
              ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        )}
        <CommitInput label="Cells to read" mono value={range ? writeRange(range) : ''} placeholder="all cells" onCommit={type} />
      </div>
      <div
        className={css.sheet}
        style={{
          gridTemplateColumns: `26px repeat(${columns}, minmax(6px, 1fr))`,
          gridTemplateRows: `auto repeat(${rows}, minmax(12px, 34px))`,
        }}
        data-testid="sheet"
      >
        <span />
        {Array.from({ length: columns }, (_, at) => (
          <code key={at}>{columns <= 16 ? columnName(at + 1) : ''}</code>
        ))}
        {Array.from({ length: rows }, (_, at) => (
          <code key={at} style={{ gridRow: at + 2 }}>
            {at + 1}
          </code>
        ))}
        <div
          className={css.cells}
          style={{ gridTemplateColumns: `repeat(${columns}, 1fr)`, gridTemplateRows: `repeat(${rows}, 1fr)` }}
          role="img"
          aria-label={`${sheet.cells.length} colours in ${rows} rows and ${columns} columns`}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            setCorner(cellAt(event));
          }}
          onPointerMove={(event) => corner && setRange(drawn(cellAt(event)))}
          onPointerUp={(event) => {
            if (corner) take(drawn(cellAt(event)));
            setCorner(null);
          }}
        >
          {sheet.cells
            .filter(({ line, column }) => line <= rows && column <= columns)
            .map(({ index, line, column, colour }) => (
              <i key={index} style={{ gridRow: line, gridColumn: column, background: colour!.hex }} />
            ))}
          {here && (
            <b
              style={{
                gridRow: `${here.top} / ${Math.min(rows, here.bottom) + 1}`,
                gridColumn: `${here.left} / ${Math.min(columns, here.right) + 1}`,
              }}
            />
          )}
        </div>
      </div>
      <p className={css.about}>Drag over the cells to read only those, or write them above.</p>
      {range && (
        <div className={css.under}>
          <Button size="2xs" variant="outline" onClick={() => take(null)}>
            All cells
          </Button>
        </div>
      )}
    </>
  );
}
