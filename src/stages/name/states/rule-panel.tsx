import { Button } from '@chakra-ui/react';
import { Pin } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { Command } from '@/core/brand/commands/commands';
import { stateRule, type StateRule, type Token } from '@/core/brand/document/token-shape';
import type { Theme } from '@/core/brand/document/theme-shape';
import { resolveTheme, tokensOf } from '@/core/brand/reading/resolve';
import { contrastRatio } from '@/core/colour/contrast';
import { ApplyButtons } from '@/ui/apply-buttons';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Dial } from '@/ui/dial';
import { useTrial } from '@/ui/use-trial';
import css from './states.module.css';

/** How a state is made, tried out as its dials move; and whether it goes by its rule in a theme. */
interface RulePanelProps {
  token: Token;
  /** The rule as it is shown, which may be on trial. */
  shownRule: StateRule;
  theme: Theme;
  onClose: () => void;
}

export function RulePanel({ token, shownRule, theme, onClose }: RulePanelProps) {
  const { untried, shown, run } = useBrand((state) => ({ untried: state.replica.brand, shown: state.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const untriedToken = tokensOf(untried).get(token.id);
  const kept = (untriedToken && stateRule(untriedToken)) ?? shownRule;
  const [draft, setDraft] = useState<Pick<StateRule, 'step' | 'chroma' | 'least'> | null>(null);
  const rule = { ...kept, ...draft };
  const command = useMemo<Command | null>(
    () =>
      draft && {
        label: `Set the rule of ${token.path}`,
        steps: [{ do: 'token.edit', id: token.id, set: { rule: { ...kept, ...draft } } }],
      },
    [draft, kept, token.id, token.path],
  );
  useTrial(command);
  const move = (part: Partial<StateRule>) => setDraft({ step: rule.step, chroma: rule.chroma, least: rule.least, ...part });
  const pinned = token.values[theme.id] !== undefined;
  const resolved = resolveTheme(shown, theme.id);
  const colour = resolved.get(token.id)?.colour;
  const surface = resolved.get(rule.surface)?.colour;
  const text = rule.text === undefined ? undefined : resolved.get(rule.text)?.colour;
  const pin = () =>
    run({
      label: `${pinned ? 'Unpin' : 'Pin'} ${token.path} in ${theme.name}`,
      steps: [{ do: 'token.set', id: token.id, set: { [theme.id]: pinned || !colour ? null : { colour: colour.css } } }],
    });
  return (
    <section className={css.rule} aria-label={`Rule of ${token.path}`}>
      <div className={css.ruleHead}>
        <b>{token.path}</b>
        <span>
          {colour?.hex} in {theme.name}
          {colour && surface && `, on surface ${contrastRatio(colour, surface).toFixed(1)}`}
          {colour && text && `, text ${contrastRatio(text, colour).toFixed(1)}`}
        </span>
        <div>
          <Button size="xs" variant="outline" disabled={!mayEdit || (!pinned && !colour)} onClick={pin}>
            <Pin size={12} /> {pinned ? `By rule in ${theme.name}` : `Pin in ${theme.name}`}
          </Button>
          <ApplyButtons command={command} onDone={() => setDraft(null)} />
          <Button size="xs" variant="ghost" onClick={onClose} aria-label="Close the rule">
            ×
          </Button>
        </div>
      </div>
      <div className={css.dials}>
        <Dial
          label="Lightness, away from the surface"
          shown={`${rule.step > 0 ? '+' : ''}${rule.step.toFixed(2)}`}
          value={rule.step}
          min={-0.5}
          max={0.5}
          step={0.01}
          disabled={!mayEdit}
          onMove={(step) => move({ step })}
        />
        <Dial
          label="Chroma"
          shown={`× ${rule.chroma.toFixed(2)}`}
          value={rule.chroma}
          min={0}
          max={2}
          step={0.05}
          disabled={!mayEdit}
          onMove={(chroma) => move({ chroma })}
        />
        <Dial
          label="Contrast with the surface, at least"
          shown={`${rule.least}:1`}
          value={rule.least}
          min={1}
          max={10}
          step={0.5}
          disabled={!mayEdit}
          onMove={(least) => move({ least })}
        />
      </div>
    </section>
  );
}
