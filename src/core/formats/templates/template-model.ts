import { slug } from '../../base/words';
import { bytesOf, eightDigits } from '../../colour/integers';
import { linearFloats, notations } from '../../colour/notations';
import { readColour, type ReadColour } from '../../colour/read';
import { assignments } from '../../brand/reading/data-fields';
import type { Brand } from '../../brand/document/document';
import type { ShippedTheme } from '../kit/material';

/** A colour as a template sees it. */
function colourModel(colour: ReadColour) {
  const [red, green, blue, opacity] = bytesOf(colour);
  const written = new Map(notations(colour).map(({ id, text }) => [id, text]));
  return {
    hex: colour.hex,
    digits: colour.hex.slice(1),
    rgba: eightDigits(colour, 'rgba'),
    argb: eightDigits(colour, 'argb'),
    css: written.get('hex')!,
    rgb: written.get('rgb')!,
    hsl: written.get('hsl')!,
    oklch: written.get('oklch')!,
    red,
    green,
    blue,
    opacity,
    alpha: colour.alpha,
    linear: linearFloats(colour),
    lightness: Number(colour.oklch[0].toFixed(5)),
  };
}

/**
 * What a template may speak of: the brand, its themes with their tokens, its palettes, and the values of its data. Plain
 * objects and lists, so that nothing of the program can be reached through them. docs/templates.md lists it.
 * @param theme the one the file is for; null where one file is for all
 */
export function templateModel(brand: Brand, themes: readonly ShippedTheme[], theme: ShippedTheme | null) {
  // Many tokens share a colour.
  const models = new Map<string, ReturnType<typeof colourModel>>();
  const modelOf = (colour: ReadColour) => {
    let model = models.get(colour.css);
    if (!model) models.set(colour.css, (model = colourModel(colour)));
    return model;
  };
  const themeModel = (shipped: ShippedTheme) => ({
    name: shipped.theme.name,
    slug: shipped.identifier,
    tokens: shipped.tokens.map(({ token, identifier, colour }) => {
      const cut = token.path.lastIndexOf('.');
      return {
        path: token.path,
        name: identifier,
        group: cut < 0 ? '' : token.path.slice(0, cut),
        last: token.path.slice(cut + 1),
        role: token.role,
        description: token.description,
        deprecated: token.deprecated !== undefined,
        ...modelOf(colour),
      };
    }),
  });
  const all = themes.map(themeModel);
  const current = all[theme === null ? 0 : themes.indexOf(theme)] ?? null;
  const byId = new Map(
    themes[current === null ? 0 : all.indexOf(current)]?.tokens.map((token) => [token.token.id, token.colour]),
  );
  return {
    brand: { name: brand.name, slug: slug(brand.name) },
    themes: all,
    theme: current,
    tokens: current?.tokens ?? [],
    palettes: brand.palettes.map((palette) => ({
      name: palette.name,
      slug: slug(palette.name),
      kind: palette.kind,
      note: palette.note ?? '',
      maker: palette.maker?.name ?? '',
      link: palette.maker?.link ?? '',
      swatches: palette.swatches.map(({ name, value }) => ({ name, ...modelOf(readColour(value)!) })),
    })),
    fields: brand.fields.map((field) => ({
      name: field.name,
      values: assignments(brand, field).flatMap(({ text, token }) => {
        const colour = token && byId.get(token.id);
        return token && colour ? [{ text, token: token.path, ...modelOf(colour) }] : [];
      }),
    })),
  };
}
