import { about, groupsOption, tokenOption } from './options';
import { z } from 'zod';
import { EntityId, LIMITS } from '../../brand/document/fields';

/** How the words of a name are joined in a written file. */
export const CASINGS = ['path', 'kebab', 'snake', 'camel', 'pascal', 'capitals'] as const;
export type Casing = (typeof CASINGS)[number];

const SAYS: Record<Casing, string> = {
  path: 'text.on-header, as in the brand',
  kebab: 'text-on-header',
  snake: 'text_on_header',
  camel: 'textOnHeader',
  pascal: 'TextOnHeader',
  capitals: 'TEXT_ON_HEADER',
};

/** What every destination that writes tokens can be told: which of them, of which themes, in what order, how translucent. */
export const chosen = {
  ...tokenOption('group', 'Only a group of tokens', 'all tokens'),
  ...groupsOption('without', 'Groups left out', 'none'),
  themes: z
    .array(EntityId)
    .max(LIMITS.themes)
    .default([])
    .meta(about({ title: 'Themes', description: 'all themes', names: 'themes' })),
  order: z
    .enum(['brand', 'name', 'lightness'])
    .default('brand')
    .meta(
      about({
        title: 'Order',
        description: 'as in the brand',
        says: { brand: 'as in the brand', name: 'by name', lightness: 'from light to dark' },
      }),
    ),
  alpha: z
    .enum(['keep', 'flat'])
    .default('keep')
    .meta(
      about({
        title: 'Translucent colours',
        description: 'kept',
        says: { keep: 'kept translucent', flat: 'laid over the first surface' },
      }),
    ),
};

/** Put before every name, so that two generations of a brand can live side by side. */
export const prefix = z
  .string()
  .regex(/^([a-z][a-z0-9]*(-[a-z0-9]+)*-?)?$/, 'A prefix is lower-case letters and digits with hyphens between, such as v1-.')
  .max(40)
  .default('')
  .meta(about({ title: 'Put before every name', description: 'nothing' }));

/** Whether the file carries what is known of each token: its description and what replaces it. */
export const comments = z
  .boolean()
  .default(false)
  .meta(about({ title: 'Descriptions as comments', description: 'none' }));

/** @param casings what the language is used to, the first one */
export function casing(...casings: [Casing, ...Casing[]]) {
  return z
    .enum(casings)
    .default(casings[0])
    .meta(
      about({
        title: 'Names',
        description: SAYS[casings[0]],
        says: Object.fromEntries(casings.map((offer) => [offer, SAYS[offer]])),
      }),
    );
}

/** Where a theme is to be named; empty where the format finds one itself or does without. */
export function oneTheme(title: string, empty: string) {
  return EntityId.or(z.literal(''))
    .default('')
    .meta(about({ title, description: empty, names: 'theme' }));
}

/** What `material` goes by. */
export interface Choices {
  readonly group?: string;
  readonly without?: readonly string[];
  readonly order?: 'brand' | 'name' | 'lightness';
  readonly alpha?: 'keep' | 'flat';
  readonly prefix?: string;
  readonly naming?: Casing;
}
