import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { stateRule, type StateRule, type Token } from '@/core/brand/document/token-shape';
import { newId } from '@/core/brand/document/identity';
import { fillScaffold, type Guess } from '@/core/brand/tools/scaffold';
import { SCAFFOLDS, type Scaffold } from '@/core/brand/tools/scaffolds';
import { apply } from '@/core/brand/commands/apply';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { ValuePicker } from '@/ui/token-field/value-picker';
import { showView } from './views';
import css from './scaffold.module.css';

/** Trees to begin with, filled from the brand's palettes: each guess says why, and can be another or left out. */
export function ScaffoldView() {
  const { brand, run, theme } = useBrand((state) => ({ brand: state.replica.brand, run: state.run, theme: state.theme }));
  const mayEdit = useMayEdit();
  const [chosen, setChosen] = useState<Scaffold['id']>('interface');
  const [seed, setSeed] = useState(0);
  const guesses = useMemo(
    () => fillScaffold(brand, chosen, newId),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what the person changes here stays while others edit the brand
    [chosen, seed],
  );
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [values, setValues] = useState<ReadonlyMap<string, Token['values'][string]>>(new Map());
  const [changing, setChanging] = useState<string | null>(null);
  const begin = (id: Scaffold['id']) => {
    setChosen(id);
    setLeft(new Set());
    setValues(new Map());
    setChanging(null);
    setSeed(seed + 1);
  };
  const taken = guesses.filter(({ token }) => isTaken(token));
  /** A state goes with the tokens it is made from. */
  function isTaken(token: Token): boolean {
    return !left.has(token.id) && (!token.rule || (!left.has(token.rule.of) && !left.has(token.rule.surface)));
  }
  /** A state whose text was left out has none. */
  const withoutLeft = ({ text, ...rest }: StateRule): StateRule => ({ ...rest, ...(text && !left.has(text) && { text }) });
  const tokenOf = ({ token }: Guess): Token => {
    const value = values.get(token.id);
    const made = stateRule(token);
    return {
      ...token,
      on: token.on.filter((id) => !left.has(id)),
      ...(value && { values: Object.fromEntries(brand.themes.map(({ id }) => [id, value])) }),
      ...(made && { rule: withoutLeft(made) }),
    };
  };
  const scaffold = SCAFFOLDS.find(({ id }) => id === chosen)!;
  const tokens = taken.map(tokenOf);
  const tried = tokens.length > 0 ? apply(brand, { label: '', steps: [{ do: 'token.add', tokens, before: null }] }) : null;
  const shown = tried?.ok ? resolveTheme(tried.brand, theme) : null;
  const take = () => {
    if (run({ label: `Take the ${scaffold.title} scaffold`, steps: [{ do: 'token.add', tokens, before: null }] }))
      showView('tokens');
  };
  const toggle = (id: string) =>
    setLeft((was) => {
      const next = new Set(was);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  return (
    <div className={css.view}>
      <div className={css.choose} role="radiogroup" aria-label="Scaffold">
        {SCAFFOLDS.map(({ id, title, about }) => (
          <button key={id} role="radio" aria-checked={id === chosen} onClick={() => begin(id)}>
            <b>{title}</b>
            <span>{about}</span>
          </button>
        ))}
      </div>
      <div className={css.head}>
        <span>
          {guesses.length === 0
            ? 'The brand has every token of this tree already.'
            : `${taken.length} of ${guesses.length} tokens would be added, with the same value in every theme.`}
        </span>
        <Button size="xs" disabled={!mayEdit || taken.length === 0} onClick={take}>
          Add {taken.length} tokens
        </Button>
      </div>
      <ul className={css.guesses} aria-label="Proposed tokens">
        {guesses.map((guess) => {
          const { token, why } = guess;
          return (
            <li key={token.id} data-left={!isTaken(token) || undefined} data-guess={token.path}>
              <input
                type="checkbox"
                aria-label={`Take ${token.path}`}
                checked={isTaken(token)}
                disabled={!mayEdit}
                onChange={() => toggle(token.id)}
              />
              <i style={{ background: shown?.get(token.id)?.colour?.hex }} />
              <code>{token.path}</code>
              {changing === token.id ? (
                <span className={css.picker}>
                  <ValuePicker
                    theme={theme}
                    label={`Value of ${token.path}`}
                    autoFocus
                    onPick={(next) => {
                      setValues(new Map(values).set(token.id, next));
                      setChanging(null);
                    }}
                    onClose={() => setChanging(null)}
                  />
                </span>
              ) : (
                <span>{values.has(token.id) ? 'Chosen by you.' : why}</span>
              )}
              {!token.rule && (
                <Button size="2xs" variant="ghost" disabled={!mayEdit} onClick={() => setChanging(token.id)}>
                  Change
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
