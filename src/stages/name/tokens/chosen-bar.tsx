import { Button } from '@chakra-ui/react';
import { Fragment, useEffect, useState } from 'react';
import { useBrandStore, useBrand, useMayEdit } from '@/ui/store/brand-context';
import { actsOnChosen } from './chosen-acts';
import { PATH, TABLE_ID, useTable } from './table-state';
import { SIGNS } from './token-row';
import { setValue } from './token-edits';
import { ValuePicker } from '@/ui/token-field/value-picker';
import css from './tokens.module.css';

/** What can be done to the chosen tokens, with its keys; in words, where and to how many. */
export function ChosenBar() {
  const store = useBrandStore();
  const count = useTable((state) => state.chosen.size);
  const column = useTable((state) => state.active?.column);
  const theme = useBrand((state) => state.brand.themes.find(({ id }) => id === column));
  const mayEdit = useMayEdit();
  const [picks, setPicks] = useState(0);
  useEffect(() => {
    if (picks > 0) document.getElementById(TABLE_ID)?.focus();
  }, [picks]);
  if (count === 0 || !mayEdit)
    return (
      <p className={css.legend}>
        {Object.values(SIGNS).map(({ sign, words }) => (
          <Fragment key={sign}>
            <b>{sign}</b> {words}{' '}
          </Fragment>
        ))}
        <span>Arrows and Enter; drag a ribbon’s colour onto a cell or group</span>
      </p>
    );
  const acts = () => actsOnChosen(store, column);
  return (
    <div className={css.bar} role="toolbar" aria-label="Chosen tokens">
      <b>
        {count} chosen{theme ? ` in ${theme.name}` : ''}
      </b>
      {theme && (
        <span className={css.barPick}>
          <ValuePicker
            // A fresh field each time, so that the keys go back to the table.
            key={picks}
            theme={theme.id}
            label={`Value for the ${count} chosen`}
            placeholder={count === 1 ? 'Set…' : `Set all ${count}…`}
            onPick={(value) => {
              store.getState().run(setValue(acts().tokens, theme.id, value));
              setPicks(picks + 1);
            }}
          />
        </span>
      )}
      {theme && count > 1 && <Act words="Fill down" keys="Ctrl D" act={() => acts().fillDown()} />}
      <Act words="Up" keys="Alt ↑" act={() => acts().nudge('up')} />
      <Act words="Down" keys="Alt ↓" act={() => acts().nudge('down')} />
      <Act words="Link" keys="L" act={() => acts().link()} />
      <Act words="Unlink" keys="U" act={() => acts().unlink()} />
      {theme && column !== PATH ? (
        <Act words="Clear" keys="Del" act={() => acts().clear()} />
      ) : (
        <Act words={count === 1 ? 'Delete token' : `Delete ${count}`} keys="Del" act={() => acts().remove()} />
      )}
    </div>
  );
}

function Act({ words, keys, act }: { words: string; keys: string; act: () => void }) {
  return (
    <Button size="xs" variant="ghost" onClick={act}>
      {words} <kbd>{keys}</kbd>
    </Button>
  );
}
