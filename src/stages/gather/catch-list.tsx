import { Input } from '@chakra-ui/react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import type { CatchLine } from '@/core/formats/catch';
import type { DoubtKind } from '@/core/formats/format';
import { useCatch } from '@/ui/catch-store';
import css from './gather.module.css';

const DOUBT_WORDS: Record<DoubtKind, string> = {
  duplicate: 'Twice.',
  length: 'Wrong length.',
  'no colour': 'Nothing.',
  bare: 'No #.',
  unreadable: 'Unreadable.',
  near: 'Nearly twice.',
  ambiguous: 'Two readings.',
  outside: 'Too vivid.',
  translucent: 'See-through.',
  approximate: 'About right.',
};

/** The catch line by line: what to take, what was read, and what is doubtful. */
export function CatchList() {
  const { lines, ticked, tick } = useCatch();
  const chosen = useMemo(() => new Set(ticked), [ticked]);
  const last = useRef<number | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  /** Lines by index, and before each group of several the name of its palette. */
  const rowsShown = useMemo(() => {
    const grouped = new Set(lines.map(({ palette }) => palette)).size > 1;
    return lines.flatMap((line, at): (number | string)[] =>
      grouped && line.palette !== lines[at - 1]?.palette ? [line.palette || 'Left out', line.index] : [line.index],
    );
  }, [lines]);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const rows = useVirtualizer({
    count: rowsShown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 38,
    overscan: 6,
  });
  const takeable = lines.filter((line) => line.colour).map((line) => line.index);
  const all = takeable.length > 0 && takeable.every((index) => chosen.has(index));
  /** With Shift, everything from the line ticked before to this one. */
  const tickLine = (index: number, on: boolean, range: boolean) => {
    const [from, to] =
      range && last.current !== null ? [Math.min(last.current, index), Math.max(last.current, index)] : [index, index];
    tick(
      takeable.filter((one) => one >= from && one <= to),
      on,
    );
    last.current = index;
  };
  return (
    <>
      <div className={css.head}>
        <input
          type="checkbox"
          aria-label="Take all colours"
          checked={all}
          disabled={takeable.length === 0}
          onChange={() => tick(takeable, !all)}
        />
        <span>Colour</span>
        <span>Read as</span>
        <span>Name</span>
        <span>Where it stands</span>
        <span>Doubtful because</span>
      </div>
      <div ref={scroller} className={css.list} data-testid="catch">
        <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {rows.getVirtualItems().map((row) => {
            const shown = rowsShown[row.index]!;
            return (
              <div key={row.key} ref={rows.measureElement} data-index={row.index} className={css.line} style={{ top: row.start }}>
                {typeof shown === 'string' ? (
                  <h3 className={css.group}>{shown}</h3>
                ) : (
                  <Line line={lines[shown]!} ticked={chosen.has(shown)} onTick={tickLine} />
                )}
              </div>
            );
          })}
        </div>
      </div>
    </>
  );
}

interface LineProps {
  line: CatchLine;
  ticked: boolean;
  onTick: (index: number, on: boolean, range: boolean) => void;
}

function Line({ line, ticked, onTick }: LineProps) {
  const { index, colour, doubts, other } = line;
  const { rename, readOtherwise } = useCatch.getState();
  const name = useCatch((state) => state.names[index]) ?? line.name;
  return (
    <>
      <input
        type="checkbox"
        aria-label={`Take ${name}`}
        checked={ticked}
        disabled={!colour}
        onChange={(event) => onTick(index, event.target.checked, (event.nativeEvent as MouseEvent).shiftKey)}
      />
      {colour ? <i className={css.patch} style={{ background: colour.hex }} /> : <i className={css.none} />}
      <code>{colour?.hex ?? '–'}</code>
      {colour ? (
        <Input
          size="xs"
          variant="flushed"
          aria-label={`Name of ${colour.hex}`}
          value={name}
          maxLength={120}
          onChange={(event) => rename(index, event.target.value)}
        />
      ) : (
        <span />
      )}
      <code className={css.source} title={line.text}>
        {line.column > 0 ? `${line.line}:${line.column}` : line.line} {line.text}
      </code>
      <span className={css.doubt} title={doubts.map(({ reason }) => reason).join(' ')}>
        {doubts.map(({ kind, reason }) => (
          <span key={kind}>
            <b>{DOUBT_WORDS[kind]}</b> {reason}{' '}
            {kind === 'ambiguous' && other && (
              <button className={css.other} onClick={() => readOtherwise(index)}>
                Read it as {other}
              </button>
            )}
          </span>
        ))}
      </span>
    </>
  );
}
