import type { Node } from 'jsonc-parser';
import { hexByte } from '../../base/hex';
import { fromUnit } from '../../colour/channel-values';
import { byte, readColour, type ReadColour } from '../../colour/read';
import { spaceById, spaceText } from '../../colour/spaces';
import { memberOf } from '../../source/json';

/**
 * A colour of the Design Tokens Color Module 2025.10, or its `#rrggbb` of the older form; or what is wrong with it, as the
 * end of a sentence. @param follow leads from a `$ref` to what it points at, and any other node to itself
 */
export function readTokenColour(value: Node, follow: (node: Node) => Node): { colour: ReadColour } | { fault: string } {
  if (typeof value.value === 'string') {
    const colour = readColour(value.value);
    return colour ? { colour } : { fault: `“${value.value.slice(0, 40)}” is no colour.` };
  }
  const id: unknown = memberOf(value, 'colorSpace')?.value;
  if (typeof id !== 'string') return { fault: 'its value has no colorSpace.' };
  const space = spaceById(id);
  if (!space) return { fault: `the colour space ${id.slice(0, 40)} is not in the standard.` };
  const given = memberOf(value, 'components');
  const components = ((given && follow(given).children) ?? []).map((component): unknown => follow(component).value);
  const alpha: unknown = memberOf(value, 'alpha')?.value ?? 1;
  const usable =
    components.length === 3 && components.every((component) => typeof component === 'number' || component === 'none');
  if (!usable || (typeof alpha !== 'number' && alpha !== 'none'))
    return { fault: 'a colour has three components, numbers or “none”, and an alpha from 0 to 1.' };
  const opacity = alpha === 'none' ? 0 : alpha;
  const plain = space.id === 'srgb' && !components.includes('none');
  const exact = plain ? fromUnit(components as unknown as [number, number, number]) : '';
  // Eight bits and nothing lost is what a hex code says best.
  const asHex = exact.startsWith('#') && Math.abs(byte(opacity) / 255 - opacity) < 1e-4;
  const css = asHex
    ? exact + (opacity < 1 ? hexByte(byte(opacity)) : '')
    : spaceText(space, components.map(String), opacity < 1 ? String(opacity) : '');
  const colour = readColour(css);
  return colour ? { colour } : { fault: 'its components are no colour of that space.' };
}
