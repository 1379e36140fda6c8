import { z } from 'zod';
import { firstIssue, sayWhere } from '../../base/say-where';
import { isStorable, UNSTORABLE } from '../../base/storable';
import { Acceptance } from '../document/acceptance-shape';
import { BrandDifference } from '../document/difference';
import { Art } from '../document/art-shape';
import { Brand } from '../document/document';
import { DataField } from '../document/data-shape';
import { Destination } from '../document/destination-shape';
import { Palette, Swatch } from '../document/palette-shape';
import { Theme } from '../document/theme-shape';
import { Token, TokenValue } from '../document/token-shape';
import { EntityId, LIMITS } from '../document/fields';
import { BankBinding, Binding, Graft, SlotKey } from '../document/graft-shape';
import { COMMAND_UPGRADES, COMMAND_VERSION, upgraded } from '../document/versions';

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
/** Makes a brand what it was in another state of it. */
const BrandRestore = z.strictObject({ do: z.literal('brand.restore'), difference: BrandDifference });
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
  BrandRestore,
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
 * A command of this page as the server will read it: checked, texts trimmed, what is undefined left out. What comes of it here is what comes of it there.
 * @returns the command, or the sentence that refuses it
 */
export function readyToSend(command: Command): Command | string {
  const parsed = storedCommand(JSON.parse(JSON.stringify(command)), COMMAND_VERSION);
  return parsed.success ? parsed.data : firstIssue(parsed.error);
}

/**
 * A command as it was kept or sent, by this version or an earlier one.
 */
export function storedCommand(data: unknown, version: number): z.ZodSafeParseResult<Command> {
  return Command.safeParse(upgraded(data, version, COMMAND_UPGRADES), { error: sayWhere('The command is') });
}
