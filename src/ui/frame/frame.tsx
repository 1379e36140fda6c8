'use client';

import { usePathname } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { request } from '../asked/request';
import { tell } from '../notices';
import { useBrandStore } from '../store/brand-context';
import { useCatch } from '../store/catch-store';
import { useFindingsKept } from '../asked/findings';
import { Readout } from '../readout/readout';
import { BrandHead } from './brand-head';
import { ConflictDialog } from './conflict-dialog';
import { Footer } from './footer';
import { Guide } from './guide';
import { Header } from './header';
import { useGoTo } from '../stage-link';
import { useSearch, useSwatchOfAddress } from '../search/use-search';
import { hasOwnUndo, isTyping } from '../keys/typing';
import { KeyHelp } from './key-help';
import { STAGES, type StageId } from './stages';
import { Parted } from './parted';
import { Strand } from './strand';
import { useAddPalette } from './use-add-palette';
import { SwatchDrag } from './swatch-drag';
import { useCaught } from './use-caught';
import { useFocusKept } from './use-focus-kept';
import { usePresence } from './use-presence';
import { useReleaseReminder } from './use-release-reminder';
import { SURROUNDS, type Surround } from './surrounds';
import css from './frame.module.css';

/** The workshop around every stage: header, strand, stage, readout, footer. */
export function Frame({ surround, guideHidden, children }: { surround: Surround; guideHidden: boolean; children: ReactNode }) {
  const stage = usePathname().split('/')[3] as StageId;
  const stageName = STAGES.find(({ id }) => id === stage)!.label;
  const [preferences, setPreferences] = useState({ surround, guideHidden });
  const prefer = (change: Partial<typeof preferences>) => {
    setPreferences((known) => ({ ...known, ...change }));
    // The change holds in this page in any case; only its being remembered can fail.
    request('/api/me', 'PATCH', change).catch(() =>
      tell('This choice could not be remembered for next time: the server is out of reach.'),
    );
  };
  useEffect(() => {
    document.documentElement.dataset.surround = preferences.surround;
  }, [preferences.surround]);
  useEffect(() => {
    // Once a page: a catch too large for the disk is only in memory, and would be lost by taking up the disk's again.
    if (!useCatch.persist.hasHydrated()) void useCatch.persist.rehydrate();
  }, []);
  useCaught();
  useFocusKept();
  useFindingsKept();
  useReleaseReminder();
  usePresence();
  useSwatchOfAddress();
  const [keysShown, setKeysShown] = useState(false);
  const nextSurround = () => {
    const next = SURROUNDS[(SURROUNDS.indexOf(preferences.surround) + 1) % SURROUNDS.length]!;
    prefer({ surround: next });
  };
  const store = useBrandStore();
  const addPalette = useAddPalette();
  const search = useSearch([
    { words: 'Undo', key: 'Ctrl Z', run: () => store.getState().undo() },
    { words: 'Redo', key: 'Ctrl Shift Z', run: () => store.getState().redo() },
    { words: 'New palette', key: '', run: addPalette },
    { words: 'Next surround', key: 'G', run: nextSurround },
    { words: 'All keys', key: '?', run: () => setKeysShown(true) },
  ]);
  useFrameKeys(nextSurround, () => setKeysShown(true));
  const wide = stage === 'watch' || stage === 'ship' || stage === 'gather';
  const [panel, setPanel] = usePanel(stage);
  return (
    <div className={css.frame} data-wide={wide || undefined} data-panel={panel ?? undefined}>
      <a className={css.skip} href="#stage">
        Skip to {stageName}
      </a>
      {stage === 'mix' && (
        <a className={css.skip} href="#swatches">
          Skip to the swatches
        </a>
      )}
      <Header
        surround={preferences.surround}
        onSurround={(chosen) => prefer({ surround: chosen })}
        before={
          <PanelButton of="strand" shown={panel} onShow={setPanel}>
            Palettes
          </PanelButton>
        }
        after={
          !wide && (
            <PanelButton of="readout" shown={panel} onShow={setPanel}>
              Readout
            </PanelButton>
          )
        }
      />
      <Parted />
      <SwatchDrag>
        <Strand>
          <div className={css.inStrand}>
            <BrandHead />
            <button onClick={search.open}>Search</button>
            <button onClick={() => setKeysShown(true)}>All keys</button>
            {preferences.guideHidden && <button onClick={() => prefer({ guideHidden: false })}>Show the guide</button>}
          </div>
        </Strand>
        <main className={css.stage} id="stage" data-stage={stage} tabIndex={-1}>
          {!preferences.guideHidden && <Guide onHide={() => prefer({ guideHidden: true })} />}
          {children}
        </main>
      </SwatchDrag>
      {!wide && <Readout />}
      <Footer
        guideHidden={preferences.guideHidden}
        onGuide={() => prefer({ guideHidden: false })}
        onKeys={() => setKeysShown(true)}
      />
      <ConflictDialog />
      {search.dialog}
      <KeyHelp stage={stage} open={keysShown} onOpen={setKeysShown} />
    </div>
  );
}

/** What folds away beside the stage where there is no room for it, and comes back by a press. */
type Panel = 'strand' | 'readout';

/** The panel that is folded out over the stage; going to another stage, or Escape, folds it away. */
function usePanel(stage: StageId) {
  const [shown, setShown] = useState<{ panel: Panel; in: StageId } | null>(null);
  const panel = shown?.in === stage ? shown.panel : null;
  useEffect(() => {
    if (!panel) return;
    const onKey = ({ key }: KeyboardEvent) => key === 'Escape' && setShown(null);
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [panel]);
  return [panel, (next: Panel | null) => setShown(next && { panel: next, in: stage })] as const;
}

interface PanelButtonProps {
  of: Panel;
  shown: Panel | null;
  onShow: (panel: Panel | null) => void;
  children: ReactNode;
}

function PanelButton({ of, shown, onShow, children }: PanelButtonProps) {
  const open = shown === of;
  return (
    <button
      className={css.panelButton}
      data-of={of}
      aria-expanded={open}
      aria-controls={of}
      onClick={() => onShow(open ? null : of)}
    >
      {children}
    </button>
  );
}

/** Keys that work in every stage, wherever the focus is not in a field. */
function useFrameKeys(nextSurround: () => void, showKeys: () => void): void {
  const store = useBrandStore();
  const goTo = useGoTo();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const withCommand = event.ctrlKey || event.metaKey;
      if (withCommand ? hasOwnUndo(event.target) : isTyping(event.target)) return;
      const { undo, redo, brand, theme, chooseTheme } = store.getState();
      const key = event.key.toLowerCase();
      if (withCommand) {
        if (key === 'z') (event.shiftKey ? redo : undo)();
        else if (key === 'y') redo();
        else return;
      } else if (event.altKey) return;
      else if (key === 'g') nextSurround();
      else if (key === '?') showKeys();
      else if (key === 't') {
        const at = brand.themes.findIndex((each) => each.id === theme);
        chooseTheme(brand.themes[(at + 1) % brand.themes.length]!.id);
      } else if (/^[1-6]$/.test(key)) goTo(STAGES[Number(key) - 1]!.id);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store, goTo, nextSurround, showKeys]);
}
