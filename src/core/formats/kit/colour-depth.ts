import { finding, type Finding } from '../../findings/finding';
import { about } from './options';
import { shownKey, readColour, type ReadColour } from '../../colour/read';
import { z } from 'zod';
import { DEPTHS, reduceTo } from '../../palette/reduce';
import type { Material } from './material';

/** How many colours the target can hold, and what happens with more. */
export const depthOptions = {
  depth: z
    .enum(['any', ...(DEPTHS.map(String) as ['4', '16', '32', '64', '128'])])
    .default('any')
    .meta(
      about({
        title: 'Most colours',
        description: 'any number',
        says: { any: 'any number', ...Object.fromEntries(DEPTHS.map((depth) => [String(depth), `${depth} colours`])) },
      }),
    ),
  beyond: z
    .enum(['stop', 'reduce'])
    .default('stop')
    .meta(
      about({
        title: 'With more than that',
        description: 'the release is stopped',
        says: { stop: 'the release is stopped', reduce: 'near colours are written as one' },
      }),
    ),
};

export interface DepthOptions {
  readonly depth: string;
  readonly beyond: 'stop' | 'reduce';
}

/**
 * The material within the number of colours that the target holds, theme by theme: too many are an error that says how
 * many would have to go, or, where that is wished, near ones become one by `reduceTo`, and it is said which.
 */
export function withinDepth({ themes, findings }: Material, { depth, beyond }: DepthOptions): Material {
  if (depth === 'any') return { themes, findings };
  const most = Number(depth);
  const beyondDepth: Finding[] = [];
  const limited = themes.map((theme) => {
    const distinct = new Map(theme.tokens.map(({ colour }) => [shownKey(colour), colour]));
    if (distinct.size <= most) return theme;
    const where = `${theme.theme.name} has ${distinct.size} colours, and the target holds ${most}`;
    const colours = [...distinct].map(([id, colour]) => ({ id, value: colour.hex, locked: false }));
    const groups = reduceTo(colours, most);
    const data = { value: distinct.size, limit: most };
    const merged = groups.flatMap(({ keep, merge }) => merge.map(({ id, distance }) => ({ id, keep, distance })));
    const worst = merged.reduce((far, change) => (change.distance > far.distance ? change : far));
    const proposal = `${merged.length} of them as a near one, at most ${worst.distance.toFixed(1)} ΔE2000 away (${worst.id.slice(0, 7)} as ${worst.keep.slice(0, 7)})`;
    if (beyond === 'stop') {
      const message = `${where}. Leave some out, or let near colours be one: that would write ${proposal}.`;
      beyondDepth.push(finding('depth', 'error', message, { theme: theme.theme.id }, data));
      return theme;
    }
    beyondDepth.push(finding('depth', 'warning', `${where}, so it has ${proposal}.`, { theme: theme.theme.id }, data));
    const kept = new Map(merged.map(({ id, keep }) => [id, distinct.get(keep)!]));
    // Opacity is no part of the proposal: it stays as it is.
    const near = (colour: ReadColour) => {
      const other = kept.get(shownKey(colour));
      return other ? (other.alpha === colour.alpha ? other : { ...readColour(other.hex)!, alpha: colour.alpha }) : colour;
    };
    return { ...theme, tokens: theme.tokens.map((token) => ({ ...token, colour: near(token.colour) })) };
  });
  return { themes: limited, findings: [...findings, ...beyondDepth] };
}
