import type { Command } from '@/core/brand/commands/commands';
import type { BrandStore } from '@/ui/store/brand-state';
import { tell } from '@/ui/notices';
import { PATH, useTable } from './table-state';
import { treeRows } from './tree-rows';
import { nudged } from './token-order';
import { clearValues, deleteTokens, fillDown, link, unlink } from './token-edits';

/** What can be done to the chosen tokens, in the theme of the active cell; in all themes where a path is active. */
export function actsOnChosen(store: BrandStore, column: string | undefined) {
  const { brand, run, select } = store.getState();
  const { chosen } = useTable.getState();
  // In the order in which they are seen.
  const tokens = treeRows(
    brand.tokens.filter(({ id }) => chosen.has(id)),
    new Set(),
  ).flatMap((row) => ('token' in row ? [row.token] : []));
  const theme = column === undefined || column === PATH ? null : column;
  const themes = theme === null ? brand.themes.map(({ id }) => id) : [theme];
  const runOr = (command: Command | null, sentence: string) => (command ? run(command) : (tell(sentence), false));
  return {
    tokens,
    theme,
    fillDown: () =>
      theme === null
        ? tell('Choose cells of one theme to fill down.')
        : runOr(
            fillDown(brand, tokens, theme),
            'There is nothing to fill down: choose two cells or more, the first with a value.',
          ),
    unlink: () => runOr(unlink(brand, tokens, themes), 'Nothing here is linked: every value is a colour of its own.'),
    link: () => runOr(link(brand, tokens, themes), 'No swatch of the brand is just this colour; drag one onto the cell instead.'),
    clear: () => theme !== null && runOr(clearValues(tokens, theme), 'There is no value here to clear.'),
    nudge: (by: 'up' | 'down') =>
      runOr(
        nudged(brand, tokens, by),
        `Nothing stands ${by === 'up' ? 'above' : 'below'} it in its group; choose tokens of one group.`,
      ),
    remove: () => {
      if (tokens.length > 0 && run(deleteTokens(brand, tokens))) {
        select(null);
        useTable.setState({ chosen: new Set(), active: null });
      }
    },
  };
}
