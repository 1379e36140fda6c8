import { memo, useMemo } from 'react';
import { componentTokens, type Dress } from '@/core/brand/reading/component-tokens';
import { groupKind } from '@/core/brand/reading/group-kind';
import type { Brand } from '@/core/brand/document/document';
import type { Theme } from '@/core/brand/document/theme-shape';
import type { Token } from '@/core/brand/document/token-shape';
import { groundsOf } from '@/core/brand/reading/grounds';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { inkOn } from '@/core/colour/contrast';
import type { ReadColour } from '@/core/colour/read';
import css from './themes.module.css';

/** So many of a kind are drawn; a sheet is looked at as a whole. */
const MOST = { surfaces: 4, texts: 4, buttons: 2, statuses: 6, bars: 12, scales: 2, scale: 16, words: 8 } as const;
/** Heights of the bars, per cent; of no meaning, the same in every theme. */
const HEIGHTS = [62, 94, 40, 78, 55, 86, 33, 70, 48, 90, 58, 81];

/** What is drawn of a brand, the same in every theme, so that themes can be compared side by side. Parts nobody named are left out. */
interface SheetPlan {
  readonly surfaces: readonly { readonly surface: Token; readonly texts: readonly Token[] }[];
  readonly link: Token | undefined;
  readonly buttons: readonly Dress[];
  /** What one types into: its ground, or its states, and the border about it. */
  readonly field: Token | undefined;
  readonly border: Token | undefined;
  readonly statuses: readonly Token[];
  /** Categories as bars, on the chart's own ground and axis where there are. */
  readonly bars: readonly Token[];
  readonly chart: Readonly<Partial<Record<'ground' | 'axis', Token>>>;
  readonly scales: readonly (readonly Token[])[];
  readonly terminal: { readonly ground: Token; readonly text: Token | undefined; readonly words: readonly Token[] } | null;
}

function planOf(brand: Brand): SheetPlan {
  const { tokens } = brand;
  const byRole = (role: Token['role']) => tokens.filter((token) => token.role === role);
  const has = (word: string) => (token: Token) => token.path.split(/[.-]/).includes(word);
  const at = (path: string) => tokens.find((token) => token.path === path);
  const texts = byRole('text');
  const byGroup = new Map<string, Token[]>();
  for (const token of byRole('data')) {
    const group = token.path.slice(0, Math.max(0, token.path.lastIndexOf('.')));
    byGroup.set(group, [...(byGroup.get(group) ?? []), token]);
  }
  const series = [...byGroup.values()].filter((group) => group.length > 1);
  const isScale = (group: readonly Token[]) => {
    const kind = groupKind(brand, group, brand.themes[0]!.id);
    return kind === 'sequential' || kind === 'diverging';
  };
  const parts = componentTokens(brand);
  const words = tokens.filter(({ path }) => path.startsWith('terminal.'));
  const ground = at('terminal.ground');
  return {
    surfaces: byRole('surface')
      .slice(0, MOST.surfaces)
      .map((surface) => ({
        surface,
        texts: texts.filter((text) => !has('link')(text) && groundsOf(brand, text).includes(surface)).slice(0, MOST.texts),
      })),
    link: parts.link,
    buttons: parts.buttons.slice(0, MOST.buttons),
    field: parts.field?.rest ?? byRole('surface').find((token) => has('field')(token) || has('input')(token)),
    border: parts.border,
    statuses: byRole('status').slice(0, MOST.statuses),
    bars: series.find((group) => !isScale(group))?.slice(0, MOST.bars) ?? [],
    chart: { ...(at('chart.ground') && { ground: at('chart.ground')! }), ...(at('chart.axis') && { axis: at('chart.axis')! }) },
    scales: series.filter(isScale).slice(0, MOST.scales),
    terminal: ground
      ? {
          ground,
          text: at('terminal.text'),
          words: words.filter(({ path }) => !/\.(?:ground|text|cursor|black|bright-.*)$/.test(path)).slice(0, MOST.words),
        }
      : null,
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
  const { link, field, border, chart, terminal } = plan;
  const [page, ...raised] = plan.surfaces;
  const ink = (token: Token | undefined, ground: Token | undefined) => {
    const under = colourOf(ground);
    return token ? hex(token) : under ? inkOn(under) : undefined;
  };
  return (
    <div className={css.sheet} data-sample style={{ background: hex(page?.surface) }}>
      {page && <Texts texts={page.texts} hex={hex} />}
      {link && (
        <p title={link.path} style={{ color: hex(link) }}>
          <u>A link</u>
        </p>
      )}
      {raised.map(({ surface, texts }) => (
        <div
          key={surface.id}
          className={css.raised}
          title={surface.path}
          style={{ background: hex(surface), borderColor: hex(border) }}
        >
          <Texts texts={texts} hex={hex} />
        </div>
      ))}
      {plan.buttons.map(({ rest, states, text }) => (
        <div key={rest.id} className={css.states}>
          {[rest, ...Object.values(states)].map((state, at) => (
            <span key={state.id} title={state.path} style={{ background: hex(state), color: ink(text, state) }}>
              {at === 0 ? 'Button' : 'Aa'}
            </span>
          ))}
        </div>
      ))}
      {field && (
        <div
          className={css.input}
          title={field.path}
          style={{ background: hex(field), color: ink(page?.texts[0], field), borderColor: hex(border) }}
        >
          What is typed
        </div>
      )}
      {plan.statuses.length > 0 && (
        <div className={css.statuses}>
          {plan.statuses.map((status) => (
            <i key={status.id} title={status.path} style={{ background: hex(status) }} />
          ))}
        </div>
      )}
      {plan.bars.length > 0 && (
        <div className={css.bars} style={{ background: hex(chart.ground), borderColor: hex(chart.axis ?? border) }}>
          {plan.bars.map((token, at) => (
            <i key={token.id} title={token.path} style={{ background: hex(token), height: `${HEIGHTS[at]}%` }} />
          ))}
        </div>
      )}
      {plan.scales.map((group) => (
        <div key={group[0]!.id} className={css.data}>
          {group.slice(0, MOST.scale).map((token) => (
            <i key={token.id} title={token.path} style={{ background: hex(token) }} />
          ))}
        </div>
      ))}
      {terminal && (
        <div className={css.terminal} style={{ background: hex(terminal.ground), color: ink(terminal.text, terminal.ground) }}>
          ${' '}
          {terminal.words.map((word) => (
            <span key={word.id} title={word.path} style={{ color: hex(word) }}>
              {word.path.slice(word.path.lastIndexOf('.') + 1)}{' '}
            </span>
          ))}
        </div>
      )}
    </div>
  );
});

function Texts({ texts, hex }: { texts: readonly Token[]; hex: (token: Token) => string }) {
  return texts.map((text, at) => (
    <p key={text.id} title={text.path} style={{ color: hex(text) }}>
      {at === 0 ? 'A line of text' : text.path}
    </p>
  ));
}
