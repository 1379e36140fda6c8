import { Input, NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { RECIPES, recipeFor } from '@/core/brand/tools/derive-theme';
import type { Brand } from '@/core/brand/document/document';
import type { ThemeRecipe } from '@/core/brand/document/theme-shape';
import { newId } from '@/core/brand/document/identity';
import { takeDerived } from '@/core/brand/tools/theme-edits';
import { ApplyButtons } from '@/ui/apply-buttons';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Choice, Dial } from '@/ui/dial';
import { useComputed } from '@/ui/asked/use-computed';
import { useTrial } from '@/ui/use-trial';
import { derive } from '@/workers/solver';
import { uniqueNames } from '@/core/base/unique-names';
import { ThemeSheets } from './theme-sheet';
import css from './themes.module.css';

const PRESETS = {
  Dark: RECIPES.dark,
  Night: RECIPES.night,
  Contrast: RECIPES.contrast,
  Soft: RECIPES.soft,
} as const satisfies Record<string, ThemeRecipe>;
type Preset = keyof typeof PRESETS;

const DIALS: readonly { key: Exclude<keyof ThemeRecipe, 'flip'>; label: string; min: number; max: number; step: number }[] = [
  { key: 'low', label: 'Darkest', min: 0, max: 0.5, step: 0.01 },
  { key: 'high', label: 'Lightest', min: 0.4, max: 1, step: 0.01 },
  { key: 'chroma', label: 'Chroma to', min: 0, max: 0.4, step: 0.01 },
  { key: 'red', label: 'Red', min: 0, max: 1, step: 0.05 },
  { key: 'least', label: 'Contrast from', min: 1, max: 14, step: 0.5 },
  { key: 'most', label: 'Contrast to', min: 3, max: 21, step: 0.5 },
];

/** All themes side by side, and one made from another. */
export function ThemesView() {
  const { untried, shown, theme } = useBrand((state) => ({
    untried: state.replica.brand,
    shown: state.brand,
    theme: state.theme,
  }));
  const [wish, setWish] = useState<Wish | null>(null);
  return (
    <div className={css.view}>
      {wish ? <Derive key={wish.key} wish={wish} onWish={setWish} /> : <Begin brand={untried} theme={theme} onWish={setWish} />}
      <ThemeSheets brand={shown} chosen={wish?.into ?? theme} />
    </div>
  );
}

/** What is to be derived: from which theme into which, a new one or one that is there. */
interface Wish {
  readonly key: string;
  readonly from: string;
  readonly into: string;
  readonly name: string;
  readonly preset: Preset | null;
  readonly recipe: ThemeRecipe;
}

function Begin({ brand, theme, onWish }: { brand: Brand; theme: string; onWish: (wish: Wish) => void }) {
  const mayEdit = useMayEdit();
  const { themes } = brand;
  const from = themes.find(({ id }) => id === theme)!;
  const derived = themes.filter((theme) => theme.derived && themes.some(({ id }) => id === theme.derived!.from));
  return (
    <div className={css.begin}>
      <span>From {from.name}, derive</span>
      {(Object.keys(PRESETS) as Preset[]).map((preset) => (
        <button
          key={preset}
          disabled={!mayEdit}
          onClick={() => {
            const name = uniqueNames(themes.map((other) => other.name))(preset);
            const recipe = recipeFor(PRESETS[preset], brand, theme);
            onWish({ key: newId(), from: theme, into: newId(), name, preset, recipe });
          }}
        >
          {preset}
        </button>
      ))}
      {derived.map(({ id, name, derived: made }) => (
        <button
          key={id}
          disabled={!mayEdit}
          onClick={() => onWish({ key: newId(), from: made!.from, into: id, name, preset: null, recipe: made!.recipe })}
        >
          {name} again
        </button>
      ))}
    </div>
  );
}

function Derive({ wish, onWish }: { wish: Wish; onWish: (wish: Wish | null) => void }) {
  const { from, into, name, recipe, preset } = wish;
  const { brand, chooseTheme } = useBrand((state) => ({ brand: state.replica.brand, chooseTheme: state.chooseTheme }));
  const there = brand.themes.find(({ id }) => id === into);
  const { value: made, current } = useComputed(JSON.stringify([from, into, recipe]), (_onProgress, signal) =>
    derive(brand, from, there ? into : null, recipe, signal),
  );
  const command = useMemo(
    () => made && takeDerived(brand, from, { id: into, name: name.trim() || 'New theme' }, recipe, made),
    [brand, from, into, name, recipe, made],
  );
  useTrial(command);
  const change = (part: Partial<Wish>) => onWish({ ...wish, ...part });
  const source = brand.themes.find(({ id }) => id === from)!;
  return (
    <section className={css.derive} aria-label="Derive a theme">
      <div className={css.deriveHead}>
        <b>{there ? `${there.name} again, from` : 'A new theme, from'}</b>
        <NativeSelect.Root size="xs" width="112px">
          <NativeSelect.Field
            aria-label="Derive from"
            value={from}
            onChange={({ target }) =>
              change({ from: target.value, recipe: preset ? recipeFor(PRESETS[preset], brand, target.value) : recipe })
            }
          >
            {brand.themes.map((theme) => (
              <option key={theme.id} value={theme.id} disabled={theme.id === into}>
                {theme.name}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
        {!there && (
          <Input
            size="xs"
            width="118px"
            aria-label="Name of the new theme"
            value={name}
            maxLength={120}
            onChange={({ target }) => change({ name: target.value })}
          />
        )}
        <Choice
          plain
          label="Begin with"
          options={Object.keys(PRESETS) as Preset[]}
          value={preset ?? ('' as Preset)}
          onChoose={(next) => change({ preset: next, recipe: recipeFor(PRESETS[next], brand, from) })}
        />
        <div>
          <ApplyButtons
            command={current ? command : null}
            onDone={(applied) => {
              if (applied) chooseTheme(into);
              onWish(null);
            }}
          />
        </div>
      </div>
      <div className={css.dials}>
        <Choice
          label="Light and dark"
          options={['stay', 'flip']}
          value={recipe.flip ? 'flip' : 'stay'}
          onChoose={(next) => change({ preset: null, recipe: { ...recipe, flip: next === 'flip' } })}
        />
        {DIALS.map(({ key, label, min, max, step }) => (
          <Dial
            key={key}
            label={label}
            shown={key === 'least' || key === 'most' ? `${recipe[key]}:1` : recipe[key].toFixed(2)}
            value={recipe[key]}
            min={min}
            max={max}
            step={step}
            onMove={(value) => change({ preset: null, recipe: bounded({ ...recipe, [key]: value }, key) })}
          />
        ))}
      </div>
      <p className={css.said} role="status">
        {!made
          ? 'Deriving…'
          : [
              made.kept > 0 &&
                `${made.kept} given by hand ${made.kept === 1 ? 'stays' : 'stay'} as ${made.kept === 1 ? 'it is' : 'they are'}.`,
              made.short.length === 0
                ? `Every text can be read as well as in ${source.name}${made.most < 21 ? `, up to ${Math.floor(made.most * 10) / 10}:1` : ''}.`
                : `${made.short.length} ${made.short.length === 1 ? 'pair falls' : 'pairs fall'} short: ${made.short[0]!.text.path} on ${made.short[0]!.surface.path} reaches ${made.short[0]!.reached.toFixed(2)} of ${made.short[0]!.needed.toFixed(2)}.`,
            ]
              .filter(Boolean)
              .join(' ')}
      </p>
    </section>
  );
}

/** A bound that is moved past its partner takes it along. */
function bounded(recipe: ThemeRecipe, moved: keyof ThemeRecipe): ThemeRecipe {
  if (moved === 'low') return { ...recipe, high: Math.max(recipe.high, recipe.low) };
  if (moved === 'high') return { ...recipe, low: Math.min(recipe.low, recipe.high) };
  if (moved === 'least') return { ...recipe, most: Math.max(recipe.most, recipe.least) };
  if (moved === 'most') return { ...recipe, least: Math.min(recipe.least, recipe.most) };
  return recipe;
}
