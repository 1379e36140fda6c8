import { marked } from '../kit/marks';
import { chartColours, chartParts, chartFindings } from './chart-parts';
import { chosen } from '../kit/choices';
import { z } from 'zod';
import { groupKind } from '../../brand/reading/group-kind';
import type { Brand } from '../../brand/document/document';
import type { Theme } from '../../brand/document/theme-shape';
import type { Token } from '../../brand/document/token-shape';
import { cssText } from '../kit/css-text';
import type { Written } from '../kit/format';
import { material } from '../kit/material';

/** The kinds of palette a dashboard knows (common practice). */
export const DASHBOARD_KINDS = ['categorical', 'sequential', 'diverging'] as const;

/** What a dashboard palette file holds of one theme, in XML and in JSON alike; every code with its `#`. */
export interface DashboardPalettes {
  readonly brand: string;
  readonly theme: string;
  readonly ground?: string | undefined;
  readonly text?: string | undefined;
  readonly palettes: readonly {
    readonly name: string;
    readonly kind: (typeof DASHBOARD_KINDS)[number];
    readonly colours: readonly { readonly name: string; readonly value: string }[];
  }[];
  readonly fields: readonly {
    readonly name: string;
    readonly values: readonly { readonly text: string; readonly colour: string }[];
  }[];
  readonly tokens: readonly { readonly name: string; readonly value: string }[];
}

export const dashboardOptions = z.strictObject({
  ground: chartParts.ground,
  text: chartParts.text,
  ...chosen,
});

/**
 * Every group of tokens for data as a palette, whose kind is that of the palette its swatches come from, in whichever theme they do; the values of
 * the data with their colours; and all tokens by name.
 */
export function dashboardPalettes(
  brand: Brand,
  themes: readonly Theme[],
  options: z.output<typeof dashboardOptions>,
): { palettes: (DashboardPalettes & { readonly identifier: string })[]; findings: Written['findings'] } {
  const { themes: shipped, findings } = material(brand, themes, { ...options, naming: 'path' });
  const parts = { ground: options.ground, text: options.text };
  const palettes = shipped.map((theme) => {
    const { ground, text, values } = chartColours(brand, theme, parts);
    const groups = new Map<string, { name: string; value: string; token: Token }[]>();
    for (const shippedToken of theme.tokens) {
      const { token, colour } = shippedToken;
      if (token.role !== 'data') continue;
      const cut = token.path.lastIndexOf('.');
      const group = cut < 0 ? token.path : token.path.slice(0, cut);
      if (!groups.has(group)) groups.set(group, []);
      groups.get(group)!.push({ name: token.path.slice(cut + 1), value: marked(shippedToken, cssText(colour)), token });
    }
    return {
      identifier: theme.identifier,
      brand: brand.name,
      theme: theme.theme.name,
      ground,
      text,
      palettes: [...groups].map(([name, colours]) => {
        const found = groupKind(
          brand,
          colours.map(({ token }) => token),
          theme.theme.id,
        );
        return {
          name,
          kind: DASHBOARD_KINDS.find((kind) => kind === found) ?? 'categorical',
          colours: colours.map(({ name: swatch, value }) => ({ name: swatch, value })),
        };
      }),
      fields: Object.entries(values).map(([name, list]) => ({
        name,
        values: Object.entries(list).map(([value, { color }]) => ({ text: value, colour: color })),
      })),
      tokens: theme.tokens.map((token) => ({ name: token.token.path, value: marked(token, cssText(token.colour)) })),
    };
  });
  return { palettes, findings: [...findings, ...chartFindings(brand, parts)] };
}
