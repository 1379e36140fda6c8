'use client';

import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { newId } from '@/core/brand/identity';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { Empty } from '@/ui/empty';
import { StageTitle } from '@/ui/stage-title';
import { NewToken } from './new-token';
import { TokenTable } from './token-table';
import { deleteToken, themeFrom } from './token-edits';
import css from './name.module.css';

export function Name() {
  const { brand, theme, run, selection, select, chooseTheme } = useBrand((state) => ({
    brand: state.brand,
    theme: state.theme,
    run: state.run,
    selection: state.selection,
    select: state.select,
    chooseTheme: state.chooseTheme,
  }));
  const mayEdit = useMayEdit();
  const [filter, setFilter] = useState('');
  const chosen = selection && 'token' in selection ? brand.tokens.find((token) => token.id === selection.token) : undefined;
  const themeName = brand.themes.find((one) => one.id === theme)!.name;
  const tokens = brand.tokens.filter((token) => token.path.includes(filter.trim().toLowerCase()) || token.role === filter.trim());
  const addTheme = () => {
    const id = newId();
    if (
      run(
        themeFrom(
          brand,
          theme,
          id,
          uniqueName(
            brand.themes.map((one) => one.name),
            `${themeName} copy`,
          ),
        ),
      )
    )
      chooseTheme(id);
  };
  return (
    <>
      <StageTitle
        title="Name"
        about={`${brand.tokens.length} tokens in ${brand.themes.length} ${brand.themes.length === 1 ? 'theme' : 'themes'}`}
      >
        <input
          className={css.filter}
          type="search"
          aria-label="Filter tokens"
          placeholder="Filter by path or role"
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
        <Button size="xs" variant="outline" disabled={!mayEdit} onClick={addTheme}>
          Copy {themeName} as a new theme
        </Button>
        <Button
          size="xs"
          variant="outline"
          disabled={!mayEdit || !chosen}
          onClick={() => chosen && run(deleteToken(chosen)) && select(null)}
        >
          Delete token
        </Button>
      </StageTitle>
      {mayEdit && <NewToken />}
      {brand.tokens.length === 0 ? (
        <Empty title="Tokens are named here">
          A token is a use, such as text.default, with a colour in every theme. Type a path above; then point it at a swatch, at
          another token, or give it a colour of its own.
        </Empty>
      ) : (
        <TokenTable tokens={tokens} chosen={chosen?.id ?? null} />
      )}
    </>
  );
}

function uniqueName(taken: readonly string[], wanted: string): string {
  let name = wanted;
  for (let n = 2; taken.includes(name); n++) name = `${wanted} ${n}`;
  return name;
}
