import { Input } from '@chakra-ui/react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import { swatchName, type CatchLine, type Doubt } from '@/core/formats/text';
import { useCatch } from '@/ui/catch-store';
import css from './gather.module.css';

const DOUBT_WORDS: Record<Doubt, string> = {
  duplicate: 'Twice.',
  length: 'Wrong length.',
  'no colour': 'Nothing.',
  bare: 'No #.',
  unreadable: 'Unreadable.',
};

/** The catch line by line: what to take, what was read, and what is doubtful. */
export function CatchList() {
  const { lines, ticked, tick } = useCatch();
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 38,
    overscan: 6,
  });
  const takeable = lines.filter((line) => line.colour).map((line) => line.index);
  const all = takeable.every((index) => ticked.has(index));
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
        <span>In the text</span>
        <span>Doubtful because</span>
      </div>
      <div ref={scroller} className={css.list} data-testid="catch">
        <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {rows.getVirtualItems().map((row) => (
            <div key={row.key} className={css.line} style={{ top: row.start }}>
              <Line line={lines[row.index]!} />
            </div>
          ))}
        </div>
      </div>
    </>
  );
}

function Line({ line }: { line: CatchLine }) {
  const { ticked, names, tick, rename } = useCatch();
  const { index, colour, doubt } = line;
  const name = names.get(index) ?? swatchName(line);
  return (
    <>
      <input
        type="checkbox"
        aria-label={`Take ${name}`}
        checked={ticked.has(index)}
        disabled={!colour}
        onChange={(event) => tick([index], event.target.checked)}
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
        {line.line}:{line.column} {line.text}
      </code>
      <span className={css.doubt}>
        {doubt && (
          <>
            <b>{DOUBT_WORDS[doubt]}</b> {line.reason}
          </>
        )}
      </span>
    </>
  );
}
