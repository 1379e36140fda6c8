import { Pin } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import type { Brand, StateRule, Theme, Token } from '@/core/brand/document';
import { resolveTheme, tokensOf } from '@/core/brand/resolve';
import { contrastRatio, inkOn } from '@/core/colour/contrast';
import { stateFamilies } from '@/core/brand/state-tokens';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { AddStates } from './add-states';
import { RulePanel } from './rule-panel';
import css from './states.module.css';

/** Every token with states as the button it is, in each theme; the rule of the chosen one below. */
export function StatesView() {
  const brand = useBrand((state) => state.brand);
  const mayEdit = useMayEdit();
  const all = useMemo(() => stateFamilies(brand), [brand]);
  const [chosen, setChosen] = useState<{ token: string; theme: string } | null>(null);
  const token = chosen ? tokensOf(brand).get(chosen.token) : undefined;
  const theme = brand.themes.find(({ id }) => id === chosen?.theme);
  return (
    <div className={css.view}>
      {mayEdit && <AddStates />}
      {all.length === 0 && (
        <p className={css.none}>
          Hover, pressed, selected, focus and disabled are what is forgotten first. Choose a token at rest above; its states are
          made by rule in every theme, and follow it when it changes.
        </p>
      )}
      <div className={css.families}>
        {all.map(({ base, states }) => (
          <section key={base.id} aria-label={`States of ${base.path}`}>
            <h2>
              <code>{base.path}</code>
            </h2>
            <div className={css.themes}>
              {brand.themes.map((offered) => (
                <Buttons
                  key={offered.id}
                  brand={brand}
                  theme={offered}
                  base={base}
                  states={states}
                  chosen={chosen?.theme === offered.id ? chosen.token : null}
                  onChoose={(id) => setChosen({ token: id, theme: offered.id })}
                />
              ))}
            </div>
          </section>
        ))}
      </div>
      {token?.rule && theme && (
        <RulePanel key={`${token.id}/${theme.id}`} token={token} theme={theme} onClose={() => setChosen(null)} />
      )}
    </div>
  );
}

interface ButtonsProps {
  brand: Brand;
  theme: Theme;
  base: Token;
  states: readonly Token[];
  chosen: string | null;
  onChoose: (token: string) => void;
}

const Buttons = memo(
  function Buttons({ brand, theme, base, states, chosen, onChoose }: ButtonsProps) {
    const resolved = resolveTheme(brand, theme.id);
    const { surface, text } = states[0]!.rule!;
    const ground = resolved.get(surface)?.colour;
    const ink = text === undefined ? null : resolved.get(text)?.colour;
    return (
      <div className={css.theme} style={{ background: ground?.hex }}>
        <small style={{ color: ground ? inkOn(ground) : undefined }}>{theme.name}</small>
        <div>
          {[base, ...states].map((state) => {
            const colour = resolved.get(state.id)?.colour;
            const name: StateRule['state'] | 'rest' = state.rule?.state ?? 'rest';
            const pinned = state.rule !== undefined && state.values[theme.id] !== undefined;
            const readable = colour && ink ? ` ${contrastRatio(ink, colour).toFixed(1)}:1` : '';
            return (
              <button
                key={state.id}
                data-sample
                data-state={name}
                disabled={!state.rule}
                aria-pressed={chosen === state.id}
                aria-label={`${state.path} in ${theme.name}${pinned ? ', pinned' : ''}`}
                title={`${state.path} ${colour?.hex ?? 'no colour'}${readable}`}
                style={{ background: colour?.hex, color: ink?.hex ?? (colour ? inkOn(colour) : undefined) }}
                onClick={() => onChoose(state.id)}
              >
                {name}
                {pinned && <Pin size={10} />}
              </button>
            );
          })}
        </div>
      </div>
    );
  },
  (one, two) => {
    if (one.chosen !== two.chosen || one.theme !== two.theme || one.base !== two.base || one.states.length !== two.states.length)
      return false;
    const [before, after] = [resolveTheme(one.brand, one.theme.id), resolveTheme(two.brand, two.theme.id)];
    const { surface, text } = two.states[0]!.rule!;
    const ids = [one.base.id, surface, ...(text === undefined ? [] : [text]), ...two.states.map(({ id }) => id)];
    return one.states.every((state, at) => state === two.states[at]) && ids.every((id) => before.get(id) === after.get(id));
  },
);
