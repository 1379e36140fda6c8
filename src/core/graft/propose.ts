import { wordsOf } from '../base/words';
import { resolveTheme } from '../brand/reading/resolve';
import type { Brand } from '../brand/document/document';
import type { Binding } from '../brand/document/graft-shape';
import { ciede2000 } from '../colour/difference';
import { labOf, type LabD65 } from '../colour/lab';
import { readColour } from '../colour/read';
import type { Slot } from '../source/slot';

/** What a slot may be bound to, with what speaks for it. */
export interface Proposal {
  readonly to: Binding['to'];
  /** The token's path, or palette and swatch. */
  readonly name: string;
  readonly hex: string;
  /** ΔE2000 between the slot's colour and this one. */
  readonly deltaE: number;
  /** 0..1: how much of the slot's name is in this one's. */
  readonly likeness: number;
}

/** Past this ΔE2000 a colour is another colour, whatever it is called. */
const FARTHEST = 20;

interface Candidate {
  readonly to: Binding['to'];
  readonly name: string;
  readonly hex: string;
  readonly lab: LabD65;
  readonly words: readonly string[];
}

/** The words of a path, a key or a name that say something. */
function namesIn(name: string): string[] {
  return name
    .split(/[^\p{L}\p{N}_-]+/u)
    .flatMap(wordsOf)
    .filter((word) => word.length > 1);
}

/** A palette that a run may take, in its order. */
export interface BankProposal {
  /** Id of the palette. */
  readonly palette: string;
  readonly name: string;
  /** Mean ΔE2000 between the slots and the palette's colours in their order. */
  readonly deltaE: number;
}

/** Past this mean ΔE2000 a palette is another palette. */
const FARTHEST_RUN = 12;

/** Finds what slots may be bound to: by how near the colours are and how alike the names. */
export class Proposer {
  private readonly candidates: readonly Candidate[];

  constructor(
    private readonly brand: Brand,
    theme: string,
  ) {
    const tokens = Array.from(resolveTheme(brand, theme).values()).flatMap(({ token, colour }): Candidate[] =>
      colour
        ? [{ to: { token: token.id }, name: token.path, hex: colour.hex, lab: labOf(colour.hex), words: namesIn(token.path) }]
        : [],
    );
    const swatches = brand.palettes.flatMap((palette) =>
      palette.swatches.map(({ id, name, value }): Candidate => {
        const { hex } = readColour(value)!;
        return { to: { swatch: id }, name: `${palette.name} / ${name}`, hex, lab: labOf(hex), words: namesIn(name) };
      }),
    );
    this.candidates = [...tokens, ...swatches];
  }

  /** The likeliest first; tokens before swatches that are as likely, for a token says what a colour is for. */
  forSlot({ label, literal: { colour } }: Pick<Slot, 'label' | 'literal'>, most = 5): Proposal[] {
    const lab = labOf(colour.hex);
    const words = namesIn(label);
    return this.candidates
      .map(({ to, name, hex, lab: other, words: theirs }): Proposal => {
        const shared = words.filter((word) => theirs.includes(word)).length;
        return { to, name, hex, deltaE: ciede2000(lab, other), likeness: words.length === 0 ? 0 : shared / words.length };
      })
      .filter(({ deltaE, likeness }) => deltaE <= FARTHEST || likeness > 0.5)
      .sort((one, two) => rank(one) - rank(two))
      .slice(0, most);
  }

  /** The palette whose colours in their order are nearest to those of a run; null where none is near. */
  forBank(slots: readonly Pick<Slot, 'literal'>[]): BankProposal | null {
    const labs = slots.map(({ literal }) => labOf(literal.colour.hex));
    const near = this.brand.palettes.flatMap(({ id, name, swatches }): BankProposal[] => {
      const count = Math.min(labs.length, swatches.length);
      // A palette half as long or twice as long is hardly the one that was meant.
      if (count === 0 || count * 2 < Math.max(labs.length, swatches.length)) return [];
      const sum = swatches
        .slice(0, count)
        .reduce((total, { value }, at) => total + ciede2000(labs[at]!, labOf(readColour(value)!.hex)), 0);
      return sum / count <= FARTHEST_RUN ? [{ palette: id, name, deltaE: sum / count }] : [];
    });
    return near.reduce<BankProposal | null>((best, one) => (best && best.deltaE <= one.deltaE ? best : one), null);
  }
}

/** A name that is alike is worth as much as some steps of difference; what is equal comes before all. */
function rank({ deltaE, likeness }: Proposal): number {
  return deltaE - 8 * likeness;
}
