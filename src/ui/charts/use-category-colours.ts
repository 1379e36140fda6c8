import { useMemo } from 'react';
import type { Brand } from '@/core/brand/document/document';
import { fromField, fromPalette, type CategoryColour, type Lack } from '@/core/data/category-colours';
import type { ChartData } from './use-data';

/** Where categories can have their colours from: the fields of the brand, and its palettes. */
function sourcesOf({ fields, palettes }: Brand) {
  return [
    ...fields.map((field) => ({ id: field.id, title: `${field.name}, its tokens`, source: { field } })),
    ...palettes.map((palette) => ({ id: palette.id, title: palette.name, source: { palette } })),
  ];
}

/** What the data calls its categories. */
export function categoryWord(data: ChartData | null): string {
  return data && data.columns.category !== null ? data.shown.columns[data.columns.category]!.name : 'Category';
}

/** The colours of the data's categories in a theme. @param from id of the field or palette; null for the likeliest */
export function useCategoryColours(brand: Brand, theme: string, data: ChartData | null, from: string | null, lack: Lack) {
  const names = useMemo(() => data?.sums.categories.map(({ name }) => name) ?? [], [data]);
  const word = categoryWord(data);
  const sources = sourcesOf(brand);
  const likely =
    brand.fields.find(({ name }) => name === word)?.id ??
    brand.fields.find(({ values }) => values.some(({ text }) => names.includes(text)))?.id ??
    brand.palettes.find(({ kind }) => kind === 'categorical')?.id;
  const chosen = sources.find(({ id }) => id === (from ?? likely)) ?? sources[0];
  const colours = useMemo((): readonly CategoryColour[] => {
    if (!chosen) return [];
    return 'field' in chosen.source
      ? fromField(brand, chosen.source.field, theme, names, lack)
      : fromPalette(chosen.source.palette, names, lack);
    // The source is made anew whenever something is drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [brand, chosen?.id, theme, names, lack]);
  return { sources, chosen, colours };
}
