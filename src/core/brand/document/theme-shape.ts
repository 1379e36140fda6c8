import { z } from 'zod';
import { EntityId as id, name } from './fields';

/** How a theme is made from another. */
export const ThemeRecipe = z.strictObject({
  /** Whether light and dark change places. */
  flip: z.boolean(),
  /** OKLCH lightness, 0..1, that the darkest and the lightest possible colour come to. */
  low: z.number().min(0).max(1),
  high: z.number().min(0).max(1),
  /** Most chroma a colour keeps, OKLCH. */
  chroma: z.number().min(0).max(0.4),
  /** 0..1: how far green and blue light is taken out, for eyes that are used to the dark. */
  red: z.number().min(0).max(1),
  /** Every text keeps the contrast it has, but never less than `least` and no more than `most` (WCAG ratios, 1..21). */
  least: z.number().min(1).max(21),
  most: z.number().min(1).max(21),
});

export const Theme = z.strictObject({
  id,
  name,
  /** The theme it was derived from, which may be gone by now, and how. */
  derived: z.strictObject({ from: id, recipe: ThemeRecipe }).optional(),
  /** Whether every text in it is promised the enhanced contrast of WCAG 2.2, success criterion 1.4.6. */
  enhanced: z.literal(true).optional(),
});

export type ThemeRecipe = z.infer<typeof ThemeRecipe>;
export type Theme = z.infer<typeof Theme>;
