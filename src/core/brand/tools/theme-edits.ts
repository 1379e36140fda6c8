import { unit } from '../../base/clamp';
import { deriveTheme, type DerivedTheme } from './derive-theme';
import type { Command, Step } from '../commands/commands';
import type { Brand } from '../document/document';
import type { Theme, ThemeRecipe } from '../document/theme-shape';
import type { TokenValue } from '../document/token-shape';

/** A new theme after another, in which every token has the value it has there. */
export function copyTheme(brand: Brand, source: string, id: string, name: string): Command {
  const at = brand.themes.findIndex((theme) => theme.id === source);
  const { derived } = brand.themes[at]!;
  const values = Object.fromEntries(
    brand.tokens.flatMap((token) => (token.values[source] ? [[token.id, token.values[source]]] : [])),
  );
  const theme: Theme = { id, name, ...(derived && { derived }) };
  return {
    label: `Add the theme ${name}`,
    steps: [{ do: 'theme.add', theme, before: brand.themes[at + 1]?.id ?? null, values }],
  };
}

/** What was derived, as a theme of the brand: a new one, or the values of one that is there but for those given by hand. */
export function takeDerived(
  brand: Brand,
  from: string,
  into: Pick<Theme, 'id' | 'name'>,
  recipe: ThemeRecipe,
  made: DerivedTheme,
): Command {
  const derived = { from, recipe };
  const there = brand.themes.find(({ id }) => id === into.id);
  if (!there) {
    const theme: Theme = { id: into.id, name: into.name, derived };
    return { label: `Derive ${into.name}`, steps: [{ do: 'theme.add', theme, before: null, values: made.values }] };
  }
  const steps = setSteps(brand, into.id, made.values);
  return { label: `Derive ${into.name} again`, steps: [{ do: 'theme.edit', id: into.id, set: { derived } }, ...steps] };
}

/** OKLCH lightness that one step takes from the lightest colour, or gives to the darkest. */
const STEP = 0.05;

/**
 * A theme one step darker or lighter as a whole, every text as readable as it was. A derived theme is derived again
 * with its range moved, so that it stays derived; any other gets colours of its own.
 */
export function shiftTheme(brand: Brand, themeId: string, by: 'dim' | 'lift'): Command {
  const theme = brand.themes.find(({ id }) => id === themeId)!;
  const label = `${by === 'dim' ? 'Dim' : 'Lift'} ${theme.name}`;
  const { derived } = theme;
  if (derived && brand.themes.some(({ id }) => id === derived.from)) {
    const { low, high } = derived.recipe;
    const move = by === 'dim' ? -STEP : STEP;
    const recipe = { ...derived.recipe, low: rounded(low + move / 2), high: rounded(high + move) };
    return { ...takeDerived(brand, derived.from, theme, recipe, deriveTheme(brand, derived.from, themeId, recipe)), label };
  }
  const range = by === 'dim' ? { low: 0, high: 1 - STEP } : { low: STEP, high: 1 };
  const made = deriveTheme(brand, themeId, null, { flip: false, ...range, chroma: 0.4, red: 0, least: 1, most: 21 });
  const values = Object.entries(made.values).flatMap(([id, value]): [string, TokenValue][] =>
    'colour' in value ? [[id, { colour: value.colour }]] : [],
  );
  return { label, steps: setSteps(brand, themeId, Object.fromEntries(values)) };
}

function setSteps(brand: Brand, theme: string, values: Readonly<Record<string, TokenValue>>): Step[] {
  return brand.tokens.flatMap((token): Step[] => {
    const value = values[token.id];
    const held = token.values[theme];
    if (!value || JSON.stringify(value) === JSON.stringify(held)) return [];
    return [{ do: 'token.set', id: token.id, set: { [theme]: value } }];
  });
}

function rounded(value: number): number {
  return unit(Number(value.toFixed(4)));
}
