'use client';

import { resolveTheme } from '@/core/brand/reading/resolve';
import { IconButton } from '@chakra-ui/react';
import { Redo2, Undo2 } from 'lucide-react';
import { usePathname } from 'next/navigation';
import { useDeferredValue, useMemo, type ReactNode } from 'react';
import { openFindings } from '@/core/findings/accept';
import { compareBrands } from '@/core/brand/history/compare';
import { useBrand } from '../store/brand-context';
import { waitingCount } from '../store/brand-state';
import { useCatch } from '../store/catch-store';
import { useFindings } from '../asked/findings';
import { useHouse } from '../asked/house';
import { useMatch } from '../store/match-store';
import { useSignOffs } from '../asked/sign-offs';
import { StageLink } from '../stage-link';
import { BrandHead } from './brand-head';
import { ReleaseDialog } from './release-dialog';
import { STAGES, type StageId } from './stages';
import { SURROUNDS, type Surround } from './surrounds';
import css from './frame.module.css';

const SURROUND_WORDS: Record<Surround, string> = { paper: 'Paper surround', mid: 'Mid grey surround', ink: 'Ink surround' };

interface HeaderProps {
  surround: Surround;
  onSurround: (surround: Surround) => void;
  /** What stands about the tools where they have a line of their own. */
  before: ReactNode;
  after: ReactNode;
}

export function Header({ surround, onSurround, before, after }: HeaderProps) {
  const state = useBrand(({ brand, theme, chooseTheme, undo, redo, undoable, redoable }) => ({
    themes: brand.themes,
    theme,
    chooseTheme,
    undo,
    redo,
    undoLabel: undoable.at(-1)?.label,
    redoLabel: redoable.at(-1)?.label,
  }));
  return (
    <header className={css.header}>
      <BrandHead />
      <StageLine />
      <div className={css.tools}>
        <div className={css.foot}>
          {before}
          <label className={css.theme}>
            Theme
            <select value={state.theme} onChange={(event) => state.chooseTheme(event.target.value)}>
              {state.themes.map((theme) => (
                <option key={theme.id} value={theme.id}>
                  {theme.name}
                </option>
              ))}
            </select>
          </label>
          <div className={css.surrounds} role="radiogroup" aria-label="Surround">
            {SURROUNDS.map((offered) => (
              <button
                key={offered}
                className={css[offered]}
                role="radio"
                aria-checked={offered === surround}
                aria-label={SURROUND_WORDS[offered]}
                title={SURROUND_WORDS[offered]}
                onClick={() => onSurround(offered)}
              />
            ))}
          </div>
          <Kept />
          {after}
        </div>
        <div className={css.acts}>
          <div>
            <IconButton
              size="xs"
              variant="ghost"
              aria-label="Undo"
              title={state.undoLabel ? `Undo: ${state.undoLabel}` : 'Nothing to undo'}
              disabled={!state.undoLabel}
              onClick={state.undo}
            >
              <Undo2 />
            </IconButton>
            <IconButton
              size="xs"
              variant="ghost"
              aria-label="Redo"
              title={state.redoLabel ? `Redo: ${state.redoLabel}` : 'Nothing to redo'}
              disabled={!state.redoLabel}
              onClick={state.redo}
            >
              <Redo2 />
            </IconButton>
          </div>
          <ReleaseDialog />
        </div>
      </div>
    </header>
  );
}

function Kept() {
  const { waiting, connected, parted, keptAt } = useBrand((state) => ({
    parted: state.parted,
    waiting: waitingCount(state),
    connected: state.connected,
    keptAt: state.keptAt,
  }));
  const words =
    waiting > 0
      ? `${waiting} ${waiting === 1 ? 'change waits' : 'changes wait'}${connected || parted ? '' : ': no server'}`
      : parted
        ? parted.signIn
          ? 'Signed out'
          : 'No part in it'
        : !connected
          ? 'No server; all kept'
          : keptAt
            ? `Kept ${keptAt.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false })}`
            : 'All kept';
  return (
    <span className={css.kept} role="status" data-waiting={waiting > 0 || !connected || undefined} data-testid="kept">
      {words}
    </span>
  );
}

function StageLine() {
  const stage = usePathname().split('/')[3];
  const counts = useStageCounts();
  return (
    <nav aria-label="Stages">
      <ol className={css.stages}>
        {STAGES.map(({ id: stageId, label }) => (
          <li key={stageId}>
            <StageLink stage={stageId} aria-current={stage === stageId ? 'page' : undefined}>
              <span>{label}</span>
              <small>{counts[stageId]}</small>
            </StageLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}

/** Counts that stand under a stop have the room of three digits. */
const SHORT = new Intl.NumberFormat('en', { notation: 'compact', maximumFractionDigits: 0 });

/** What is waiting in each stage, in words; empty where nothing is. */
function useStageCounts(): Record<StageId, string> {
  const caught = useCatch((state) => state.ticked.length);
  const differing = useMatch((state) => state.differing);
  const { replica, release } = useBrand((state) => ({ replica: state.replica, release: state.release }));
  const brand = useDeferredValue(replica.brand);
  const found = useFindings((state) => state.found);
  const failing = useMemo(
    () => (found ? openFindings(brand, found).filter(({ severity }) => severity === 'error').length : 0),
    [brand, found],
  );
  const colourless = useMemo(
    () =>
      new Set(
        brand.themes.flatMap(({ id }) =>
          [...resolveTheme(brand, id).values()].filter(({ colour }) => !colour).map(({ token }) => token.id),
        ),
      ).size,
    [brand],
  );
  const { open } = useSignOffs();
  const { standing } = useHouse();
  const unreleased = useMemo(() => compareBrands(release?.document ?? null, brand).length, [release, brand]);
  return {
    gather: caught > 0 ? `${caught} in the catch` : standing === 'behind' ? 'house set moved' : '',
    mix: '',
    name: colourless > 0 ? `${colourless} without colour` : '',
    prove: failing > 0 ? `${failing} failing` : '',
    ship: !release ? 'no release yet' : unreleased > 0 ? `${SHORT.format(unreleased)} unreleased` : '',
    watch: differing
      ? `${differing} ${differing === 1 ? 'screen differs' : 'screens differ'}`
      : open
        ? 'sign-off asked'
        : release
          ? `release ${release.number}`
          : '',
  };
}
