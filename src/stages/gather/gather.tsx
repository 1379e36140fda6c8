'use client';

import { Button } from '@chakra-ui/react';
import { useSearchParams } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { isAddress } from '@/core/intake/web/web-page';
import { useCatch } from '@/ui/store/catch-store';
import { useHouse } from '@/ui/asked/house';
import { useGoTo } from '@/ui/stage-link';
import { StageTitle } from '@/ui/stage-title';
import { Camera } from './camera';
import { CatchList } from './catch-list';
import { Generator } from './generator';
import { House } from './house';
import { PictureSource } from './picture-source';
import { SendCatch } from './send-catch';
import { SendCaught } from './send-caught';
import { Shelf } from './shelf';
import { TableSource } from './table-source';
import { TextSource } from './text-source';
import { useIntake } from './use-intake';
import { Working } from './working';
import { useScreenPick } from './use-screen-pick';
import css from './gather.module.css';

export function Gather() {
  const { text, sources, lines, problems, clear } = useCatch();
  const { reading, stop, opened, close, takeText, takeAddress, takeFiles, takeCells } = useIntake();
  const pick = useScreenPick();
  const forCamera = useSearchParams().has('camera');
  const [panel, setPanel] = useState<'camera' | 'generator' | 'shelf' | 'house' | null>(forCamera ? 'camera' : null);
  const house = useHouse();
  const goTo = useGoTo();
  const take = (files: File[]) => {
    setPanel(null);
    if (files.length > 0) void takeFiles(files);
  };
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({ onDrop: take, noClick: true, noKeyboard: true });
  usePastedFiles(take);
  const backToText = () => {
    close();
    setPanel(null);
  };
  const empty = () => {
    stop();
    backToText();
    clear();
  };
  const waiting = lines.length === 0;
  return (
    <div {...getRootProps()} className={css.stage} data-dropping={isDragActive || undefined}>
      <input {...getInputProps()} data-testid="files" />
      <StageTitle title="Gather" about={waiting ? 'Paste, drop or pick colours' : `from ${sources.join(', ')}`}>
        <Button size="xs" variant="outline" onClick={open}>
          Choose files…
        </Button>
        <Button size="xs" variant="outline" onClick={() => void pick.start()}>
          Pick from the screen <kbd>P</kbd>
        </Button>
        <Button size="xs" variant="outline" onClick={() => setPanel('camera')}>
          Camera
        </Button>
        <Button size="xs" variant="outline" onClick={() => setPanel('generator')}>
          Generate
        </Button>
        <Button size="xs" variant="outline" onClick={() => setPanel('shelf')}>
          Shelf
        </Button>
        <Button size="xs" variant="outline" onClick={() => setPanel('house')}>
          House set
          {house.standing === 'behind' && <small>{house.differences.length}</small>}
        </Button>
        <Button size="xs" variant="outline" disabled={waiting && !text && !opened} onClick={empty}>
          Empty the catch
        </Button>
      </StageTitle>
      {forCamera && !waiting && <SendCaught />}
      <div className={css.columns} data-wide={panel === 'shelf' || panel === 'generator' || panel === 'house' || undefined}>
        <section>
          {panel === 'camera' ? (
            <Camera onPhone={forCamera} onFrame={(file) => take([file])} onClose={() => setPanel(null)} />
          ) : panel === 'generator' ? (
            <Generator />
          ) : panel === 'shelf' ? (
            <Shelf />
          ) : panel === 'house' ? (
            <House />
          ) : opened?.kind === 'picture' ? (
            <PictureSource key={opened.id} picture={opened} />
          ) : opened?.kind === 'table' ? (
            <TableSource key={opened.id} table={opened} onCells={(range) => void takeCells(opened, range)} />
          ) : (
            <TextSource onText={(next) => void takeText(next)} onAddress={(address) => void takeAddress(address)} />
          )}
          {(panel || opened) && panel !== 'camera' && (
            <div className={css.under}>
              <Button size="2xs" variant="outline" onClick={backToText}>
                Back to text
              </Button>
            </div>
          )}
          {reading !== null && <Working label="Reading" share={reading} onStop={stop} />}
          <div role="alert">
            {(pick.problem || problems.length > 0) && (
              <ul className={css.problems}>
                {pick.problem && <li>{pick.problem}</li>}
                {problems.slice(0, 5).map(({ source, line, message }, at) => (
                  <li key={at}>
                    {sources.length > 1 && `${source}, `}
                    {line > 1 && `line ${line}: `}
                    {message}
                  </li>
                ))}
                {problems.length > 5 && <li>and {problems.length - 5} more.</li>}
              </ul>
            )}
          </div>
        </section>
        <section className={css.catch} aria-label="The catch">
          {waiting ? (
            <div className={css.nothing}>
              <h2>The catch</h2>
              <p>
                {isAddress(text)
                  ? 'This is the address of a page. Its style sheets, its inline styles and its drawings can be read.'
                  : text.trim() && reading === null && problems.length === 0
                    ? 'There is nothing in this text that could be a colour.'
                    : 'What was understood of a source stands here line by line, with what is doubtful and why, before anything changes.'}
              </p>
              <p>
                Drop files anywhere: swatch files (ASE, ACO, GPL, PAL, SOC, hex), workbooks and tables, design tokens, style
                sheets, drawings, office themes, photographs and palette strips. Or paste a screenshot, or start from the shelf.
              </p>
            </div>
          ) : (
            <>
              <SendCatch
                onSent={() => {
                  backToText();
                  goTo('mix');
                }}
              />
              <CatchList />
            </>
          )}
        </section>
      </div>
    </div>
  );
}

/** Files and pictures on the clipboard, pasted anywhere on the page. */
function usePastedFiles(take: (files: File[]) => void): void {
  useEffect(() => {
    const onPaste = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      take(files);
    };
    window.addEventListener('paste', onPaste);
    return () => window.removeEventListener('paste', onPaste);
  });
}
