import type { Literal } from './literal';
import type { Step } from './occurrence';
import type { Span } from './source-text';

/** One colour literal of a host file. */
export interface Slot {
  /** Tells it from all others of the file by its place in the structure, which a newer file may still have. */
  readonly key: string;
  /** What the file calls it: the name or key of what it stands in. */
  readonly label: string;
  readonly path: readonly Step[];
  readonly span: Span;
  readonly literal: Literal;
}
