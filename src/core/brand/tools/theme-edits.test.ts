import { fewTokens } from '../../../../tests/few-tokens';
import { apply } from '../commands/apply';
import type { Command, Step } from '../commands/commands';
import type { Brand } from '../document/document';
import { copyTheme, shiftTheme, takeDerived } from './theme-edits';

const after = (brand: Brand, command: Command): Brand => {
  const result = apply(brand, command);
  if (!result.ok) throw new Error(result.refusal);
  return result.brand;
};

describe('themes', () => {
  const brand = fewTokens(
    { page: ['#ffffff', '#202020'], text: ['#303030', undefined], link: ['{text}', '#88bbff'] },
    { page: 'surface', text: 'text' },
  );
  const recipe = { flip: true, low: 0.1, high: 0.9, chroma: 0.5, red: 0, least: 1, most: 21 };

  test('one is copied after its source, with its values and what it is derived from', () => {
    expect(copyTheme(brand, 'day', 'dusk', 'Dusk')).toEqual({
      label: 'Add the theme Dusk',
      steps: [
        {
          do: 'theme.add',
          theme: { id: 'dusk', name: 'Dusk' },
          before: 'night',
          values: { page: { colour: '#ffffff' }, text: { colour: '#303030' }, link: { token: 'text' } },
        },
      ],
    });
    const derived = { ...brand, themes: [brand.themes[0]!, { ...brand.themes[1]!, derived: { from: 'day', recipe } }] };
    expect(copyTheme(derived, 'night', 'n2', 'N').steps).toEqual([
      {
        do: 'theme.add',
        theme: { id: 'n2', name: 'N', derived: { from: 'day', recipe } },
        before: null,
        values: { page: { colour: '#202020' }, link: { colour: '#88bbff' } },
      },
    ]);
  });

  test('what is derived becomes a new theme, or only what is different in one that is there', () => {
    const values = { page: { colour: '#202020' }, text: { colour: '#ffffff' } };
    const made = { values } as unknown as Parameters<typeof takeDerived>[4];
    const derived = { from: 'day', recipe };
    expect(takeDerived(brand, 'day', { id: 'new', name: 'New' }, recipe, made)).toEqual({
      label: 'Derive New',
      steps: [{ do: 'theme.add', theme: { id: 'new', name: 'New', derived }, before: null, values }],
    });
    expect(takeDerived(brand, 'day', { id: 'night', name: 'Night' }, recipe, made)).toEqual({
      label: 'Derive Night again',
      steps: [
        { do: 'theme.edit', id: 'night', set: { derived } },
        { do: 'token.set', id: 'text', set: { night: { colour: '#ffffff' } } },
      ],
    });
  });

  test('one is dimmed and lifted by a step: a derived one by its range, any other colour by colour', () => {
    const dimmed = shiftTheme(brand, 'day', 'dim');
    expect([dimmed.label, shiftTheme(brand, 'day', 'lift').label]).toEqual(['Dim Day', 'Lift Day']);
    const { tokens } = after(brand, dimmed);
    const page = (tokens[0]!.values.day as { colour: string }).colour;
    expect(page).toMatch(/^#e[def]/);
    // An alias stays one.
    expect(tokens[2]!.values.day).toEqual({ token: 'text' });
    const derived = { ...brand, themes: [brand.themes[0]!, { ...brand.themes[1]!, derived: { from: 'day', recipe } }] };
    const range = (by: 'dim' | 'lift') => {
      const command = shiftTheme(derived, 'night', by);
      const [first] = command.steps as [Step & { do: 'theme.edit' }];
      const { low, high } = first.set.derived!.recipe;
      return [command.label, low, high];
    };
    expect([range('dim'), range('lift')]).toEqual([
      ['Dim Night', 0.075, 0.85],
      ['Lift Night', 0.125, 0.95],
    ]);
    // Whose source is gone is shifted like any other.
    const orphan = { ...brand, themes: [brand.themes[0]!, { ...brand.themes[1]!, derived: { from: 'gone', recipe } }] };
    expect(shiftTheme(orphan, 'night', 'lift').steps.every((step) => step.do === 'token.set')).toBe(true);
  });
});
