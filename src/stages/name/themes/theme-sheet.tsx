import { memo, useMemo } from 'react';
import type { Brand, Theme, Token } from '@/core/brand/document';
import { groundsOf } from '@/core/brand/grounds';
import { resolveTheme } from '@/core/brand/resolve';
import { stateFamilies } from '@/core/brand/state-tokens';
import { inkOn } from '@/core/colour/contrast';
import type { ReadColour } from '@/core/colour/read';
import css from './themes.module.css';

/** So many of a kind are drawn; a sheet is looked at as a whole. */
const MOST = { surfaces: 5, texts: 4, bases: 3, statuses: 6, data: 16, borders: 2 } as const;
const SAMPLE = 'A line of text';

/** What is drawn of a brand, the same in every theme, so that themes can be compared side by side. */
interface SheetPlan {
  readonly surfaces: readonly { readonly surface: Token; readonly texts: readonly Token[] }[];
  readonly bases: readonly { readonly base: Token; readonly states: readonly Token[]; readonly text: Token | undefined }[];
  readonly statuses: readonly Token[];
  readonly data: readonly (readonly Token[])[];
  readonly border: Token | undefined;
}

function planOf(brand: Brand): SheetPlan {
  const byRole = (role: Token['role']) => brand.tokens.filter((token) => token.role === role);
  const texts = byRole('text');
  const byGroup = new Map<string, Token[]>();
  for (const token of byRole('data')) {
    const group = token.path.slice(0, Math.max(0, token.path.lastIndexOf('.')));
    byGroup.set(group, [...(byGroup.get(group) ?? []), token]);
  }
  const find = (id: string | undefined) => brand.tokens.find((token) => token.id === id);
  return {
    surfaces: byRole('surface')
      .slice(0, MOST.surfaces)
      .map((surface) => ({
        surface,
        texts: texts.filter((text) => groundsOf(brand, text).includes(surface)).slice(0, MOST.texts),
      })),
    bases: stateFamilies(brand)
      .slice(0, MOST.bases)
      .map((family) => ({ ...family, text: find(family.states[0]!.rule!.text) })),
    statuses: byRole('status').slice(0, MOST.statuses),
    data: [...byGroup.values()].filter((group) => group.length > 1).slice(0, 4),
    border: byRole('border')[0],
  };
}

/** Every theme of a brand on the same sample, side by side. */
export function ThemeSheets({ brand, chosen }: { brand: Brand; chosen: string }) {
  const plan = useMemo(() => planOf(brand), [brand]);
  return (
    <div className={css.sheets} role="group" aria-label="Themes side by side" tabIndex={0}>
      {brand.themes.map((theme) => (
        <figure key={theme.id} data-chosen={theme.id === chosen || undefined} data-sheet={theme.name}>
          <figcaption>{theme.name}</figcaption>
          <Sheet brand={brand} theme={theme} plan={plan} />
        </figure>
      ))}
    </div>
  );
}

const Sheet = memo(function Sheet({ brand, theme, plan }: { brand: Brand; theme: Theme; plan: SheetPlan }) {
  const resolved = resolveTheme(brand, theme.id);
  const colourOf = (token: Token | undefined): ReadColour | null => (token && resolved.get(token.id)?.colour) ?? null;
  const hex = (token: Token | undefined) => colourOf(token)?.hex ?? 'transparent';
  const [page, ...raised] = plan.surfaces;
  return (
    <div className={css.sheet} data-sample style={{ background: hex(page?.surface) }}>
      {page && <Texts texts={page.texts} hex={hex} />}
      {raised.map(({ surface, texts }) => (
        <div
          key={surface.id}
          className={css.raised}
          title={surface.path}
          style={{ background: hex(surface), borderColor: hex(plan.border) }}
        >
          <Texts texts={texts} hex={hex} />
        </div>
      ))}
      {plan.bases.map(({ base, states, text }) => (
        <div key={base.id} className={css.states}>
          {[base, ...states].map((state) => {
            const ground = colourOf(state);
            return (
              <span
                key={state.id}
                title={state.path}
                style={{ background: hex(state), color: text ? hex(text) : ground ? inkOn(ground) : undefined }}
              >
                Aa
              </span>
            );
          })}
        </div>
      ))}
      {plan.statuses.length > 0 && (
        <div className={css.statuses}>
          {plan.statuses.map((status) => (
            <i key={status.id} title={status.path} style={{ background: hex(status) }} />
          ))}
        </div>
      )}
      {plan.data.map((group) => (
        <div key={group[0]!.id} className={css.data}>
          {group.slice(0, MOST.data).map((token) => (
            <i key={token.id} title={token.path} style={{ background: hex(token) }} />
          ))}
        </div>
      ))}
    </div>
  );
});

function Texts({ texts, hex }: { texts: readonly Token[]; hex: (token: Token) => string }) {
  return texts.map((text, at) => (
    <p key={text.id} title={text.path} style={{ color: hex(text) }}>
      {at === 0 ? SAMPLE : text.path}
    </p>
  ));
}
