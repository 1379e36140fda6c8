import type { Step } from '../commands/commands';
import type { Brand } from '../document/document';

/**
 * The steps that take swatches out of the brand, each in favour of another: tokens that pointed at one, and slots of grafts that were
 * bound to it, have the other from then on. @param into id of what stays by id of what goes
 */
export function mergeSwatches(brand: Brand, into: ReadonlyMap<string, string>): Step[] {
  if (into.size === 0) return [];
  const relinked = brand.tokens.flatMap((token): Step[] => {
    const set = Object.fromEntries(
      Object.entries(token.values).flatMap(([theme, value]) => {
        const stays = 'swatch' in value ? into.get(value.swatch) : undefined;
        return stays ? [[theme, { swatch: stays }]] : [];
      }),
    );
    return Object.keys(set).length > 0 ? [{ do: 'token.set', id: token.id, set }] : [];
  });
  const rebound = brand.grafts.flatMap((graft): Step[] => {
    const set = Object.fromEntries(
      Object.entries(graft.bindings).flatMap(([slot, binding]) => {
        const stays = 'swatch' in binding.to ? into.get(binding.to.swatch) : undefined;
        return stays ? [[slot, { ...binding, to: { swatch: stays } }]] : [];
      }),
    );
    return Object.keys(set).length > 0 ? [{ do: 'graft.bind', id: graft.id, set }] : [];
  });
  const recoloured = brand.art.flatMap(({ id, table }): Step[] => {
    if (!table.map.some(({ to }) => into.has(to))) return [];
    const map = table.map.map((way) => ({ ...way, to: into.get(way.to) ?? way.to }));
    return [{ do: 'art.edit', id, set: { table: { ...table, map } } }];
  });
  return [...relinked, ...rebound, ...recoloured, { do: 'swatch.remove', ids: [...into.keys()] }];
}
