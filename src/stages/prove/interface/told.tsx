import { componentTokens } from '@/core/brand/reading/component-tokens';
import type { Brand } from '@/core/brand/document/document';
import { resolveTheme, tokensOf } from '@/core/brand/reading/resolve';
import { statesOf } from '@/core/brand/reading/states-of';
import { tintColour } from '@/core/brand/reading/tint-rule';
import type { Tints } from '@/core/brand/tools/tint-tokens';
import { contrastRatio } from '@/core/colour/contrast';
import { goodFor } from '@/core/findings/matrix';
import { floor, GOOD } from '../contrast/good';
import css from './interface.module.css';

/** A part of the sheet as it is under the pointer or has the keyboard. */
export interface Under {
  /** Id of its token at rest, or of the item whose colour tints it. */
  readonly rest: string;
  readonly state: string;
  /** Id of the text on it, where it is no set of states. */
  readonly text: string | undefined;
  readonly tinted: boolean;
}

export function underOf(target: Element): Under | null {
  const part = target.querySelector<HTMLElement>('[data-highlighted][data-rest]') ?? target.closest<HTMLElement>('[data-rest]');
  if (!part) return null;
  const { rest, text, tint } = part.dataset;
  return { rest: rest!, state: stateShown(part), text, tinted: tint !== undefined };
}

/** The state that is to be seen: the one that says most, where there are several. */
function stateShown(part: Element): string {
  const shown = [
    ['disabled', ':disabled, [data-disabled]'],
    ['pressed', ':active'],
    ['selected', '[data-selected], :has(:checked)'],
    ['hover', ':hover, [data-highlighted]'],
    ['focus', ':focus-visible'],
  ] as const;
  return shown.find(([, selector]) => part.matches(selector))?.[0] ?? 'rest';
}

/** The tokens of a part as it is now, and whether its text can be read. */
export function UnderPointer({ brand, theme, under, tints }: { brand: Brand; theme: string; under: Under; tints: Tints }) {
  const resolved = resolveTheme(brand, theme);
  const tokens = tokensOf(brand);
  const rest = tokens.get(under.rest);
  if (!rest) return null;
  const parts = componentTokens(brand);
  const set = [...parts.buttons, parts.field, parts.tab, parts.row].find((each) => each?.rest === rest);
  const state = statesOf(brand).find((each) => each.rest === rest && each.state === under.state)?.token ?? rest;
  const text = under.tinted ? parts.text : (set?.text ?? tokens.get(under.text ?? ''));
  const [colour, surface] = [state.id, tints.surface].map((id) => resolved.get(id)?.colour);
  const ground = under.tinted && colour && surface ? tintColour(colour, surface, tints.strength) : colour;
  const ink = text && resolved.get(text.id)?.colour;
  const ratio = ground && ink ? contrastRatio(ink, ground) : null;
  return (
    <>
      <i className={css.patch} style={{ background: ground?.hex }} />
      {under.tinted && `${Math.round(tints.strength * 100)} % of `}
      <code>{state.path}</code> {ground?.hex ?? 'no colour'}
      {text && ratio !== null && (
        <>
          , with <code>{text.path}</code> {floor(ratio)} to 1 <i aria-hidden>{GOOD[goodFor(ratio)].sign}</i>{' '}
          {GOOD[goodFor(ratio)].words}
        </>
      )}
    </>
  );
}
