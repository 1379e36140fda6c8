import type { StoreApi } from 'zustand/vanilla';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { Overtaken } from '@/core/brand/history/overtaken';
import type { Pending, Replica } from '@/core/brand/commands/replica';
import type { PersonRole } from '@/core/brand/roles';

/** What the server gives a page to begin with. */
export interface Opening {
  readonly brand: Brand;
  readonly seq: number;
  readonly release: Released | null;
  readonly role: PersonRole;
  readonly person: { readonly id: string; readonly name: string };
  /** The organisation that the brand belongs to; null for guests, who do not. */
  readonly organisation: string | null;
  /** Whether the brand is archived: then it is only looked at. */
  readonly archived: boolean;
  /** Which build of the application the page is of. */
  readonly build: string;
  /** When the first change was made that no release brings out; null when there is none, or no release. */
  readonly waitingSince: string | null;
}

export interface Released {
  readonly number: number;
  readonly document: Brand;
}

/** A swatch, with others that are chosen beside it, or a token. */
export type Selection = { readonly swatch: string; readonly also?: readonly string[] } | { readonly token: string } | null;

/** An edit that waited here while somebody else set the same: it asks instead of winning. */
export interface Conflict {
  readonly key: string;
  /** The edit as it is when it is to win. */
  readonly command: Command;
  readonly fields: readonly Overtaken[];
  /** Whose values stand there now. */
  readonly by: string;
}

export interface BrandState {
  readonly id: string;
  readonly role: PersonRole;
  readonly person: Opening['person'];
  readonly organisation: string | null;
  readonly archived: boolean;
  /** What is shown: the server's document, this page's own edits, and on top the edit being tried out. */
  readonly brand: Brand;
  readonly replica: Replica;
  readonly release: Released | null;
  /** Keys of edits the server has taken in but not yet told back. */
  readonly acknowledged: ReadonlySet<string>;
  /** Edits an earlier page left on disk. They are not shown until the server has taken them in. */
  readonly leftOnDisk: readonly Pending[];
  readonly connected: boolean;
  /** Why the person has no part here any more, and whether signing in may help; null while they have. */
  readonly parted: { readonly sentence: string; readonly signIn: boolean } | null;
  /** When the first change was made that no release brought out, as the page was opened. */
  readonly waitingSince: string | null;
  /** When the server last took something in. */
  readonly keptAt: Date | null;
  readonly undoable: readonly Command[];
  readonly redoable: readonly Command[];
  /** Who last touched an entity from another page, and when. */
  readonly touched: ReadonlyMap<string, { readonly by: string; readonly at: string }>;
  /** Who has a page of the brand open, oneself among them, with the swatches and tokens that they have chosen. */
  readonly here: readonly { readonly id: string; readonly name: string; readonly chosen: readonly string[] }[];
  /** How often colours were sent by this person's other pages. */
  readonly caught: number;
  /** How often something was said in a review, or asked for, or decided about what a release wants. */
  readonly signOffNews: number;
  /** How often a screen was added, made another, or read. */
  readonly screenNews: number;
  /** Who is making a release just now, and the share of its files that is written, 0..1. */
  readonly writing: { readonly by: string; readonly share: number } | null;
  readonly conflicts: readonly Conflict[];
  readonly selection: Selection;
  readonly palette: string | null;
  readonly theme: string;

  /** Carries out an edit at once and sends it. @returns whether it could be done; when not, the person has been told. */
  readonly run: (command: Command) => boolean;
  /** The edit that is shown but not done. */
  readonly trial: Command | null;
  /** Shows what an edit would give, without doing it; null ends the trial. */
  readonly tryOut: (command: Command | null) => void;
  readonly undo: () => void;
  readonly redo: () => void;
  /** Ends a conflict: with one's own values, or with what stands there. */
  readonly answerConflict: (key: string, mine: boolean) => void;
  readonly select: (selection: Selection) => void;
  readonly choosePalette: (palette: string) => void;
  readonly chooseTheme: (theme: string) => void;
  /** Opens the live connection and sends what waits. @returns what closes it. */
  readonly connect: () => () => void;
}

export type BrandStore = StoreApi<BrandState>;

/** The number of edits only this browser has. */
export function waitingCount(state: BrandState): number {
  return state.leftOnDisk.length + state.replica.pending.filter(({ key }) => !state.acknowledged.has(key)).length;
}
