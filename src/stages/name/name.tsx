'use client';

import { Tabs } from '@chakra-ui/react';
import { type ReactNode } from 'react';
import { TIDY_RULES } from '@/core/findings/rules';
import { useBrand } from '@/ui/brand-context';
import { useFindings } from '@/ui/findings';
import { StageTitle } from '@/ui/stage-title';
import { FilesView } from './files/files-view';
import { ScaffoldView } from './scaffold-view';
import { StatesView } from './states/states-view';
import { ThemesView } from './themes/themes-view';
import { TidyView } from './tidy-view';
import { TokensView } from './tokens/tokens-view';
import { ValuesView } from './values/values-view';
import { showView, useView, type ViewId } from './views';
import css from './name.module.css';

const VIEWS: readonly { readonly id: ViewId; readonly label: string; readonly View: () => ReactNode }[] = [
  { id: 'tokens', label: 'Tokens', View: TokensView },
  { id: 'scaffolds', label: 'Scaffolds', View: ScaffoldView },
  { id: 'themes', label: 'Themes', View: ThemesView },
  { id: 'states', label: 'States', View: StatesView },
  { id: 'values', label: 'Data values', View: ValuesView },
  { id: 'files', label: 'Files', View: FilesView },
  { id: 'tidy', label: 'Tidy', View: TidyView },
];

export function Name() {
  const { tokens, themes } = useBrand((state) => ({
    tokens: state.brand.tokens.length,
    themes: state.brand.themes.length,
  }));
  const { view } = useView();
  const findings = useToTidy();
  return (
    <Tabs.Root
      value={view}
      onValueChange={({ value }) => showView(value as ViewId)}
      variant="plain"
      size="sm"
      lazyMount
      unmountOnExit
      className={css.name}
    >
      <StageTitle
        title="Name"
        about={`${tokens} ${tokens === 1 ? 'token' : 'tokens'} in ${themes} ${themes === 1 ? 'theme' : 'themes'}`}
      >
        <Tabs.List className={css.views} aria-label="Views">
          {VIEWS.map(({ id, label }) => (
            <Tabs.Trigger key={id} value={id} className={css.view}>
              {label}
              {id === 'tidy' && findings > 0 && <small>{findings}</small>}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
      </StageTitle>
      {VIEWS.map(({ id, View }) => (
        <Tabs.Content key={id} value={id} className={css.content}>
          <View />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}

const TIDY = new Set(TIDY_RULES.map(({ id }) => id));

/** How much there is to tidy. */
function useToTidy(): number {
  return useFindings((state) => state.found?.filter(({ rule }) => TIDY.has(rule)).length ?? 0);
}
