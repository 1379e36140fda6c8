import { Pin } from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import { stateRule } from '@/core/brand/document/token-shape';
import type { Brand } from '@/core/brand/document/document';
import type { Theme } from '@/core/brand/document/theme-shape';
import { resolveTheme, tokensOf } from '@/core/brand/reading/resolve';
import { contrastRatio, inkOn } from '@/core/colour/contrast';
import { stateFamilies, type StateFamily } from '@/core/brand/tools/state-tokens';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
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
  const rule = token && stateRule(token);
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
        {all.map((family) => (
          <section key={family.base.id} aria-label={`States of ${family.base.path}`}>
            <h2>
              <code>{family.base.path}</code>
            </h2>
            <div className={css.themes}>
              {brand.themes.map((offered) => (
                <Buttons
                  key={offered.id}
                  brand={brand}
                  theme={offered}
                  family={family}
                  chosen={chosen?.theme === offered.id ? chosen.token : null}
                  onChoose={(id) => setChosen({ token: id, theme: offered.id })}
                />
              ))}
            </div>
          </section>
        ))}
      </div>
      {token && rule && theme && (
        <RulePanel key={`${token.id}/${theme.id}`} token={token} shownRule={rule} theme={theme} onClose={() => setChosen(null)} />
      )}
    </div>
  );
}

interface ButtonsProps {
  brand: Brand;
  theme: Theme;
  family: StateFamily;
  chosen: string | null;
  onChoose: (token: string) => void;
}

const Buttons = memo(
  function Buttons({ brand, theme, family: { base, states, rule }, chosen, onChoose }: ButtonsProps) {
    const resolved = resolveTheme(brand, theme.id);
    const { surface, text } = rule;
    const ground = resolved.get(surface)?.colour;
    const ink = text === undefined ? null : resolved.get(text)?.colour;
    return (
      <div className={css.theme} style={{ background: ground?.hex }}>
        <small style={{ color: ground ? inkOn(ground) : undefined }}>{theme.name}</small>
        <div>
          {[base, ...states].map((state) => {
            const colour = resolved.get(state.id)?.colour;
            const made = stateRule(state);
            const name = made?.state ?? 'rest';
            const pinned = made !== undefined && state.values[theme.id] !== undefined;
            const readable = colour && ink ? ` ${contrastRatio(ink, colour).toFixed(1)}:1` : '';
            return (
              <button
                key={state.id}
                data-sample
                data-state={name}
                disabled={!made}
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
    const [was, is] = [one.family, two.family];
    if (one.chosen !== two.chosen || one.theme !== two.theme || was.base !== is.base || was.states.length !== is.states.length)
      return false;
    const [before, after] = [resolveTheme(one.brand, one.theme.id), resolveTheme(two.brand, two.theme.id)];
    const { surface, text } = is.rule;
    const ids = [is.base.id, surface, ...(text === undefined ? [] : [text]), ...is.states.map(({ id }) => id)];
    return was.states.every((state, at) => state === is.states[at]) && ids.every((id) => before.get(id) === after.get(id));
  },
);
