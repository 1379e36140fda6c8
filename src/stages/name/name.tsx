'use client';

import { TIDY_RULES } from '@/core/findings/rules';
import { useBrand } from '@/ui/store/brand-context';
import { useFindings } from '@/ui/asked/findings';
import { StageViews, type StageView } from '@/ui/stage-views';
import { FilesView } from './files/files-view';
import { ScaffoldView } from './scaffold-view';
import { StatesView } from './states/states-view';
import { ThemesView } from './themes/themes-view';
import { TidyView } from './tidy-view';
import { TokensView } from './tokens/tokens-view';
import { ValuesView } from './values/values-view';
import { showView, useView, type ViewId } from './views';

const VIEWS: readonly StageView<ViewId>[] = [
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
  const tidy = useToTidy();
  const about = `${tokens} ${tokens === 1 ? 'token' : 'tokens'} in ${themes} ${themes === 1 ? 'theme' : 'themes'}`;
  return <StageViews title="Name" about={about} views={VIEWS} view={view} counts={{ tidy }} onView={showView} />;
}

const TIDY = new Set(TIDY_RULES.map(({ id }) => id));

/** How much there is to tidy. */
function useToTidy(): number {
  return useFindings((state) => state.found?.filter(({ rule }) => TIDY.has(rule)).length ?? 0);
}
