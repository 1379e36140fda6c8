import { Menu, Portal } from '@chakra-ui/react';
import { MoreHorizontal } from 'lucide-react';
import { memo } from 'react';
import { uniqueNames } from '@/core/base/unique-names';
import type { Theme } from '@/core/brand/document/theme-shape';
import { newId } from '@/core/brand/document/identity';
import { copyTheme, shiftTheme } from '@/core/brand/tools/theme-edits';
import { useBrand, useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { KINDS } from '@/core/brand/document/kinds';
import { tell } from '@/ui/notices';
import { CommitInput } from '@/ui/commit-input';
import { showView } from '../views';
import css from './tokens.module.css';

/** What a theme becomes that comes to stand first. */
const ROOT = 'becomes :root';

/** A theme's name over its column, and all that is done with a theme as a whole. It stands still while rows are scrolled. */
export const ThemeHead = memo(function ThemeHead({ theme }: { theme: Theme }) {
  const store = useBrandStore();
  const { run, themes, chooseTheme } = useBrand((state) => ({
    run: state.run,
    themes: state.brand.themes,
    chooseTheme: state.chooseTheme,
  }));
  const mayEdit = useMayEdit();
  const at = themes.indexOf(theme);
  const from = theme.derived && themes.find(({ id }) => id === theme.derived!.from);
  const acts: readonly (readonly [string, string, boolean, () => void])[] = [
    [
      'copy',
      'Copy',
      mayEdit,
      () => {
        const id = newId();
        const name = uniqueNames(themes.map((other) => other.name))(`${theme.name} copy`);
        if (run(copyTheme(store.getState().brand, theme.id, id, name))) chooseTheme(id);
      },
    ],
    [
      'derive',
      'Derive a theme from it…',
      mayEdit,
      () => {
        chooseTheme(theme.id);
        showView('themes');
      },
    ],
    ['dim', 'Dim by a step', mayEdit, () => run(shiftTheme(store.getState().brand, theme.id, 'dim'))],
    ['lift', 'Lift by a step', mayEdit, () => run(shiftTheme(store.getState().brand, theme.id, 'lift'))],
    ['left', at === 1 ? `Move to the left: ${ROOT}` : 'Move to the left', mayEdit && at > 0, () => move(themes[at - 1]!.id)],
    [
      'right',
      at === 0 && themes.length > 1 ? `Move to the right: ${themes[1]!.name} ${ROOT}` : 'Move to the right',
      mayEdit && at < themes.length - 1,
      () => move(themes[at + 2]?.id ?? null),
    ],
    [
      'delete',
      `Delete ${theme.name}`,
      mayEdit && themes.length > 1,
      () => {
        run({ label: `Delete ${theme.name}`, steps: [{ do: 'theme.remove', id: theme.id }] });
      },
    ],
  ];
  function move(before: string | null) {
    if (!run({ label: `Move ${theme.name}`, steps: [{ do: 'theme.move', id: theme.id, before }] })) return;
    tell(KINDS.theme.order(themes, store.getState().brand.themes));
  }
  return (
    <span role="columnheader" className={css.themeHead}>
      <b title={from ? `Derived from ${from.name}` : undefined}>
        <CommitInput
          look="plain"
          label={`Name of the theme ${theme.name}`}
          value={theme.name}
          disabled={!mayEdit}
          onCommit={(name) =>
            run({ label: `Rename ${theme.name} to ${name}`, steps: [{ do: 'theme.edit', id: theme.id, set: { name } }] })
          }
        />
        {from && <small>from {from.name}</small>}
      </b>
      <Menu.Root positioning={{ placement: 'bottom-end' }} lazyMount unmountOnExit>
        <Menu.Trigger asChild>
          <button aria-label={`Theme ${theme.name}`} title={`What can be done with ${theme.name}`}>
            <MoreHorizontal size={15} />
          </button>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content>
              {acts.map(([value, words, enabled, act]) => (
                <Menu.Item key={value} value={value} disabled={!enabled} onSelect={act}>
                  {words}
                </Menu.Item>
              ))}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
    </span>
  );
});
