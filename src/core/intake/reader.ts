import type { Family } from '../base/families';
import type { Pixels } from '../image/pixels';
import { SourceText } from '../source/source-text';
import type { Intake } from './intake';
import type { CellRange } from './tables/cell-range';

/** A file as it arrives. Its name may be a path. */
export interface SourceFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** A file while readers look at it: its text is decoded once for all of them. */
export class OpenFile implements SourceFile {
  private decoded: SourceText | null | undefined;
  readonly name: string;
  readonly bytes: Uint8Array;

  constructor({ name, bytes }: SourceFile) {
    this.name = name;
    this.bytes = bytes;
  }

  /** null when the bytes are no text. */
  get source(): SourceText | null {
    if (this.decoded === undefined) this.decoded = SourceText.of(this.bytes);
    return this.decoded;
  }
}

/** What a reader may need of the place it runs in. */
export interface ReadTools {
  /** Called now and then with the share read, 0..1. */
  readonly onProgress?: (share: number) => void;
  /** Decodes a PNG, JPEG, GIF or WebP. @throws when it is damaged */
  readonly decode?: (bytes: Uint8Array) => Promise<Pixels>;
  /** A file that another names, where it lies beside that one or below; null when it does not, or may not be read. */
  readonly beside?: (name: string) => SourceFile | null;
  /** Of a table only these cells. */
  readonly range?: CellRange;
}

/** One kind of file that can be read. */
export interface Reader {
  readonly id: string;
  readonly title: string;
  readonly family: Family;
  /** With their dot. */
  readonly extensions: readonly string[];
  /** One sentence: what is read of it. */
  readonly purpose: string;
  /** Never throws: a damaged file gives what could be read of it, with the problem. @returns null when it is not of this kind at all. */
  readonly read: (file: OpenFile, tools: ReadTools) => Intake | null | Promise<Intake | null>;
}
