'use client';

import { Button, Progress } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { useCatch } from '@/ui/catch-store';
import { useGoTo } from '@/ui/stage-link';
import { StageTitle } from '@/ui/stage-title';
import { readText } from '@/workers/read-text';
import { CatchList } from './catch-list';
import { SendCatch } from './send-catch';
import css from './gather.module.css';

const EXAMPLE = `Night ferry   #1f2a44
Beacon: f2b63c
rgb(196 74 58)  Lifebuoy
| Rope | #c9b08a |
--gull: #e8ecef;
Rope again #c9b08a
Signal #12e4f`;

/** The text area is a view of the text and takes no more than this; the whole is read all the same. */
const SHOWN = 60_000;

export function Gather() {
  const { text, setText, setLines, lines, clear } = useCatch();
  const [reading, setReading] = useState<number | null>(null);
  const [problem, setProblem] = useState('');
  const running = useRef<AbortController | null>(null);
  const goTo = useGoTo();
  useEffect(() => () => running.current?.abort(new DOMException('The page was left.', 'AbortError')), []);

  const take = async (next: string) => {
    running.current?.abort(new DOMException('A newer text came.', 'AbortError'));
    const controller = new AbortController();
    running.current = controller;
    setProblem('');
    setText(next);
    setReading(0);
    try {
      const found = await readText(next, (share) => controller.signal.aborted || setReading(share), controller.signal);
      if (!controller.signal.aborted) setLines(found);
    } catch (error) {
      if (error instanceof RangeError) {
        setText('');
        setLines([]);
        setProblem(error.message);
      } else if (!(error instanceof DOMException)) throw error;
    } finally {
      if (running.current === controller) setReading(null);
    }
  };
  const stop = () => {
    running.current?.abort(new DOMException('Stopped.', 'AbortError'));
    setReading(null);
  };
  const long = text.length > SHOWN;
  return (
    <>
      <StageTitle title="Gather" about="Paste anything with colours in it: a list, a table, a style guide, code">
        {text && (
          <Button size="xs" variant="outline" onClick={clear}>
            Empty the catch
          </Button>
        )}
      </StageTitle>
      <div className={css.columns}>
        <section>
          <textarea
            className={css.text}
            aria-label="Text with colours"
            value={long ? text.slice(0, SHOWN) : text}
            readOnly={long}
            spellCheck={false}
            placeholder="Paste here"
            onChange={(event) => void take(event.target.value)}
            onPaste={(event) => {
              const pasted = event.clipboardData.getData('text/plain');
              if (pasted.length < SHOWN) return;
              // A long text is read whole, without the field having to lay it out.
              event.preventDefault();
              void take(pasted);
            }}
          />
          {long && <p className={css.note}>The first {SHOWN.toLocaleString('en')} characters are shown; all are read.</p>}
          {reading !== null && reading > 0 && (
            <div className={css.progress}>
              <Progress.Root value={reading * 100} size="xs" flex="1">
                <Progress.Track>
                  <Progress.Range bg="var(--ink)" />
                </Progress.Track>
              </Progress.Root>
              <Button size="2xs" variant="outline" onClick={stop}>
                Stop
              </Button>
            </div>
          )}
          <p role="alert" className={css.problem}>
            {problem}
          </p>
          {!text && !problem && (
            <Button size="xs" variant="outline" onClick={() => void take(EXAMPLE)}>
              Try it with an example
            </Button>
          )}
        </section>
        <section className={css.catch} aria-label="The catch">
          {lines.length > 0 ? (
            <>
              <SendCatch onSent={() => goTo('mix')} />
              <CatchList />
            </>
          ) : (
            <div className={css.nothing}>
              <h2>The catch</h2>
              <p>
                {text.trim() && reading === null
                  ? 'There is nothing in this text that could be a colour.'
                  : 'What was understood of the text stands here line by line, with what is doubtful and why, before anything changes.'}
              </p>
            </div>
          )}
        </section>
      </div>
    </>
  );
}
