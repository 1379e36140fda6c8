import type { Step } from '../brand/commands/commands';
import type { Brand } from '../brand/document/document';
import { ciede2000 } from '../colour/difference';
import type { LabD65 } from '../colour/lab';
import { oklchHex, readColour, type ReadColour } from '../colour/read';
import { VISIONS, type Vision } from '../colour/vision';
import { TOLD_APART, TOLD_BY_ALL, categorySets, labAs, type CategorySet } from './categories';
import type { Finding, Mend } from './finding';

const EYES: readonly Vision[] = VISIONS.filter((vision) => vision !== 'achromat');

/** Steps of lightness, hue and chroma that are tried, the smallest changes among them first by their distance. */
const TRIED = { lightness: 0.02, farthest: 0.36, hues: [0, -10, 10, -20, 20, -35, 35], chroma: [1, 0.8, 1.2, 0.6] } as const;

/** Moves the second of two categories to the nearest colour that stands apart from all others of its set, for all eyes. */
export function apartMend(all: string): Mend {
  return {
    all,
    offer: ({ data }) => (data.moved === undefined ? null : `Move ${data.moved} apart`),
    command(brand, findings, label) {
      const steps: Step[] = [];
      for (const { about, what, categories } of setsOf(brand, findings)) {
        const colours = new Map(categories.map(({ id, colour }) => [id, colour]));
        for (const id of movedIn(findings, about, what)) {
          const colour = colours.get(id);
          if (!colour) continue;
          const others = [...colours].flatMap(([other, its]) => (other === id ? [] : [its]));
          const found = nearestApart(colour, others);
          if (!found) continue;
          colours.set(id, readColour(found)!);
          steps.push(
            what === 'swatches'
              ? { do: 'swatch.edit', id, set: { value: found } }
              : { do: 'token.set', id, set: { [about.theme!]: { colour: found } } },
          );
        }
      }
      return steps.length > 0 ? { label, steps } : null;
    },
  };
}

function setsOf(brand: Brand, findings: readonly Finding[]): CategorySet[] {
  return categorySets(brand).filter(({ about }) => findings.some(({ subject }) => isAbout(subject, about)));
}

function isAbout(subject: Finding['subject'], about: CategorySet['about']): boolean {
  return subject.palette === about.palette && subject.field === about.field && subject.theme === about.theme;
}

function movedIn(findings: readonly Finding[], about: CategorySet['about'], what: CategorySet['what']): Set<string> {
  return new Set(findings.flatMap(({ subject }) => (isAbout(subject, about) ? (subject[what]?.[1] ?? []) : [])));
}

/** The colour nearest to one that is as far from all others as categories want; null when there is none. */
function nearestApart(colour: ReadColour, others: readonly ReadColour[]): string | null {
  const [l, c, h] = colour.oklch;
  const seen = EYES.map((vision) => others.map((other) => labAs(other, vision)));
  const tried: { readonly hex: string; readonly far: number }[] = [];
  for (let off = -TRIED.farthest; off <= TRIED.farthest + 1e-9; off += TRIED.lightness) {
    const lightness = l + off;
    if (lightness < 0.12 || lightness > 0.97) continue;
    for (const turn of TRIED.hues) {
      for (const share of TRIED.chroma) {
        const hex = oklchHex([lightness, c * share, (h + turn + 360) % 360]);
        tried.push({ hex, far: Math.abs(off) + Math.abs(turn) / 360 + Math.abs(share - 1) / 8 });
      }
    }
  }
  tried.sort((one, two) => one.far - two.far);
  return tried.find(({ hex }) => isApart(readColour(hex)!, seen))?.hex ?? null;
}

function isApart(colour: ReadColour, seen: readonly (readonly LabD65[])[]): boolean {
  return EYES.every((vision, at) => {
    const own = labAs(colour, vision);
    return seen[at]!.every((other) => ciede2000(own, other) >= (vision === 'normal' ? TOLD_APART : TOLD_BY_ALL));
  });
}
