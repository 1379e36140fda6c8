import { z } from 'zod';
import { isStorable, UNSTORABLE } from '../../base/storable';
import { Acceptance } from '../document/acceptance-shape';
import { Art } from '../document/art-shape';
import { Brand, DataField, Destination, Palette, Swatch, Theme, Token, TokenValue } from '../document/document';
import { EntityId, LIMITS } from '../document/fields';
import { BankBinding, Binding, Graft, SlotKey } from '../document/graft-shape';
import { COMMAND_UPGRADES, upgraded } from '../document/versions';

const before = EntityId.nullable();
const ids = z.array(EntityId).min(1).max(LIMITS.swatches);

/**
 * An edit of named fields. `was` says what those fields held when the edit was made up; where given and no longer true,
 * the edit is refused instead of overwriting somebody's later work. Inverses always carry it.
 */
function edit<T extends z.ZodRawShape>(fields: z.ZodObject<T>) {
  const some = fields.partial();
  return { set: some, was: some.optional() };
}

const BrandEdit = z.strictObject({
  do: z.literal('brand.edit'),
  ...edit(
    z.strictObject({
      name: Brand.shape.name,
      naming: Brand.shape.naming.nullable(),
      carried: Brand.shape.carried,
      print: Brand.shape.print.nullable(),
      logo: Brand.shape.logo.nullable(),
      house: Brand.shape.house.nullable(),
    }),
  ),
});
const PaletteAdd = z.strictObject({ do: z.literal('palette.add'), palette: Palette, before });
const PaletteEdit = z.strictObject({
  do: z.literal('palette.edit'),
  id: EntityId,
  // What a palette may lack is taken away by null.
  ...edit(
    Palette.pick({ name: true, kind: true }).extend({
      note: Palette.shape.note.nullable(),
      maker: Palette.shape.maker.nullable(),
    }),
  ),
});
const PaletteRemove = z.strictObject({ do: z.literal('palette.remove'), id: EntityId });
const PaletteMove = z.strictObject({ do: z.literal('palette.move'), id: EntityId, before });
const SwatchAdd = z.strictObject({
  do: z.literal('swatch.add'),
  palette: EntityId,
  swatches: z.array(Swatch).min(1).max(LIMITS.swatches),
  before,
});
const SwatchEdit = z.strictObject({
  do: z.literal('swatch.edit'),
  id: EntityId,
  // What a swatch may lack is taken away by null.
  ...edit(Swatch.omit({ id: true }).extend({ row: Swatch.shape.row.nullable(), settled: Swatch.shape.settled.nullable() })),
});
const SwatchRemove = z.strictObject({ do: z.literal('swatch.remove'), ids });
const SwatchMove = z.strictObject({ do: z.literal('swatch.move'), ids, palette: EntityId, before });
const ThemeAdd = z.strictObject({
  do: z.literal('theme.add'),
  theme: Theme,
  before,
  /** The new theme's value of each token, by token id. */
  values: z.record(EntityId, TokenValue),
});
const ThemeEdit = z.strictObject({
  do: z.literal('theme.edit'),
  id: EntityId,
  ...edit(
    Theme.omit({ id: true }).extend({ derived: Theme.shape.derived.nullable(), enhanced: Theme.shape.enhanced.nullable() }),
  ),
});
const ThemeRemove = z.strictObject({ do: z.literal('theme.remove'), id: EntityId });
const ThemeMove = z.strictObject({ do: z.literal('theme.move'), id: EntityId, before });
const TokenAdd = z.strictObject({
  do: z.literal('token.add'),
  tokens: z.array(Token).min(1).max(LIMITS.tokens),
  before,
});
const TokenEdit = z.strictObject({
  do: z.literal('token.edit'),
  id: EntityId,
  ...edit(
    Token.omit({ id: true, values: true }).extend({
      rule: Token.shape.rule.nullable(),
      deprecated: Token.shape.deprecated.nullable(),
      extensions: Token.shape.extensions.nullable(),
    }),
  ),
});
const tokenValues = z.record(EntityId, TokenValue.nullable());
/** Sets a token's value in some themes; null takes the value away. */
const TokenSet = z.strictObject({ do: z.literal('token.set'), id: EntityId, set: tokenValues, was: tokenValues.optional() });
const TokenRemove = z.strictObject({ do: z.literal('token.remove'), ids });
const TokenMove = z.strictObject({ do: z.literal('token.move'), ids, before });
const DestinationAdd = z.strictObject({ do: z.literal('destination.add'), destination: Destination, before });
const DestinationEdit = z.strictObject({
  do: z.literal('destination.edit'),
  id: EntityId,
  ...edit(Destination.pick({ name: true, options: true })),
});
const DestinationRemove = z.strictObject({ do: z.literal('destination.remove'), id: EntityId });
const GraftAdd = z.strictObject({ do: z.literal('graft.add'), graft: Graft, before });
const GraftEdit = z.strictObject({
  do: z.literal('graft.edit'),
  id: EntityId,
  // What a graft may lack is taken away by null.
  ...edit(Graft.omit({ id: true }).extend({ order: Graft.shape.order.nullable(), asides: Graft.shape.asides.nullable() })),
});
const bindings = z.record(SlotKey, Binding.nullable());
/** Binds slots; null takes a binding away. */
const GraftBind = z.strictObject({ do: z.literal('graft.bind'), id: EntityId, set: bindings, was: bindings.optional() });
const bankBindings = z.record(SlotKey, BankBinding.nullable());
const GraftBank = z.strictObject({ do: z.literal('graft.bank'), id: EntityId, set: bankBindings, was: bankBindings.optional() });
const GraftRemove = z.strictObject({ do: z.literal('graft.remove'), id: EntityId });
const ArtAdd = z.strictObject({ do: z.literal('art.add'), art: Art, before });
const ArtEdit = z.strictObject({ do: z.literal('art.edit'), id: EntityId, ...edit(Art.omit({ id: true })) });
const ArtRemove = z.strictObject({ do: z.literal('art.remove'), id: EntityId });
const FindingAccept = z.strictObject({ do: z.literal('finding.accept'), acceptance: Acceptance, before });
const FindingWithdraw = z.strictObject({ do: z.literal('finding.withdraw'), id: EntityId });
const FieldAdd = z.strictObject({ do: z.literal('field.add'), field: DataField, before });
const FieldEdit = z.strictObject({ do: z.literal('field.edit'), id: EntityId, ...edit(DataField.omit({ id: true })) });
const FieldRemove = z.strictObject({ do: z.literal('field.remove'), id: EntityId });

/** One reversible edit that cannot be divided. */
export const Step = z.discriminatedUnion('do', [
  BrandEdit,
  PaletteAdd,
  PaletteEdit,
  PaletteRemove,
  PaletteMove,
  SwatchAdd,
  SwatchEdit,
  SwatchRemove,
  SwatchMove,
  ThemeAdd,
  ThemeEdit,
  ThemeRemove,
  ThemeMove,
  TokenAdd,
  TokenEdit,
  TokenSet,
  TokenRemove,
  TokenMove,
  DestinationAdd,
  DestinationEdit,
  DestinationRemove,
  GraftAdd,
  GraftEdit,
  GraftBind,
  GraftBank,
  GraftRemove,
  ArtAdd,
  ArtEdit,
  ArtRemove,
  FindingAccept,
  FindingWithdraw,
  FieldAdd,
  FieldEdit,
  FieldRemove,
]);
export type Step = z.infer<typeof Step>;

/** What a person did in one go: its steps happen together or not at all, and are undone together. */
export const Command = z.strictObject({
  /** In the person's words, for the undo list and the history: "Delete Mill Quay". */
  label: z.string().min(1).max(200).refine(isStorable, UNSTORABLE),
  steps: z.array(Step).min(1).max(LIMITS.swatches),
});
export type Command = z.infer<typeof Command>;

/**
 * A command as it was kept or sent, by this version or an earlier one.
 * @param error says what is wrong where the schema has no sentence for it; Zod does without
 */
export function keptCommand(data: unknown, version: number, error?: z.core.$ZodErrorMap): z.ZodSafeParseResult<Command> {
  return Command.safeParse(upgraded(data, version, COMMAND_UPGRADES), error && { error });
}

/** Ids of everything a command adds, changes or removes, without repeats: what the history is searched by. */
export function touchedBy(command: Command): string[] {
  const touched = new Set<string>();
  for (const step of command.steps) {
    if ('ids' in step) step.ids.forEach((id) => touched.add(id));
    else if ('id' in step) touched.add(step.id);
    else if (step.do === 'swatch.add') step.swatches.forEach((swatch) => touched.add(swatch.id));
    else if (step.do === 'token.add') step.tokens.forEach((token) => touched.add(token.id));
    else if (step.do === 'palette.add') touched.add(step.palette.id);
    else if (step.do === 'theme.add') touched.add(step.theme.id);
    else if (step.do === 'destination.add') touched.add(step.destination.id);
    else if (step.do === 'graft.add') touched.add(step.graft.id);
    else if (step.do === 'art.add') touched.add(step.art.id);
    else if (step.do === 'finding.accept') touched.add(step.acceptance.id);
    else if (step.do === 'field.add') touched.add(step.field.id);
  }
  return [...touched];
}
