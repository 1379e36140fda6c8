import type { Brand } from '../brand/document/document';
import { deltaE2000 } from '../colour/difference';
import { readPng } from '../image/png-read';
import type { SourceFile } from '../intake/reader';
import { readerById, readFile } from '../intake/readers';
import type { Intake } from '../intake/intake';
import type { Mark } from '../formats/kit/marks';
import { sha256 } from '../base/sha256';
import type { StoredFiles } from '../release/bundle';
import { literalsIn } from '../source/occurrence';
import { kindOfSource, scanSource } from '../source/scan';
import { SourceText } from '../source/source-text';
import { coloursOf, type Known } from './brand-colours';
import { comparePictures } from './compare-pictures';
import { compareIntakes } from './compare-intakes';
import { compareText, lineKeys, type Compared } from './compare-text';
import { differs, type Difference } from './difference';
import { expectedFiles, type ExpectedFile } from './expected-files';

/** A delivered file: its path from the folder or zip that was handed in, and its bytes. */
export type DeliveredFile = SourceFile;

/** What one delivered file is, and how it stands to the brand. */
export interface ComparedFile {
  readonly file: string;
  /** Id of the format it was recognised as; null for a file of somebody else's. */
  readonly format: string | null;
  /** The file that the brand would write in its place. */
  readonly expected: ExpectedFile | null;
  readonly state: 'identical' | 'same colours' | 'older release' | 'differs' | 'no colours';
  /** The number of the release whose bytes these are, where it is an earlier one. */
  readonly release: number | null;
  readonly differences: readonly Difference[];
  /** How many colours are as they should be. */
  readonly equal: number;
}

/** Hashes of the files of earlier releases, by their SHA-256. */
export type OlderFiles = ReadonlyMap<string, number>;

/** What a brand would deliver today, against which any number of delivered files are compared. */
export class Delivery {
  private constructor(
    private readonly brand: Brand,
    private readonly expected: Recogniser,
    private readonly known: ReadonlyMap<string, Known>,
  ) {}

  /**
   * Writes every file that the brand could have delivered.
   * @param kept what its grafts and its art are made from, where those are to be compared too
   * @param onProgress told the share done, 0..1
   */
  static async of(brand: Brand, kept?: StoredFiles, onProgress?: (share: number) => void): Promise<Delivery> {
    return new Delivery(brand, new Recogniser(await expectedFiles(brand, kept, onProgress)), coloursOf(brand));
  }

  /** Tells whether a file's colours are what the brand decided, and where they are not. */
  async compare(file: DeliveredFile, older: OlderFiles = new Map()): Promise<ComparedFile> {
    const { brand, expected, known } = this;
    const same = expected.same(file);
    if (same)
      return {
        file: file.name,
        format: same.format,
        expected: same,
        state: 'identical',
        release: null,
        differences: [],
        equal: 0,
      };
    const release = older.get(await sha256(file.bytes)) ?? null;
    const found = expected.like(file);
    const { differences, equal } = found ? await compareWith(brand, known, file, found) : unknown(known, file);
    const state =
      release !== null ? 'older release' : differences.length > 0 ? 'differs' : equal > 0 ? 'same colours' : 'no colours';
    return { file: file.name, format: found?.format ?? null, expected: found, state, release, differences, equal };
  }
}

async function compareWith(
  brand: Brand,
  known: ReadonlyMap<string, Known>,
  file: DeliveredFile,
  expected: ExpectedFile,
): Promise<Compared> {
  if (expected.format === 'art' && /\.png$/.test(expected.path)) {
    const [ours, theirs] = [await readPng(expected.bytes), await readPng(file.bytes)];
    if (typeof ours === 'string' || typeof theirs === 'string') return { differences: [], equal: 0 };
    return comparePictures(known, ours, theirs);
  }
  const intakes = await readAlike(expected, file);
  if (intakes) return compareIntakes(brand, expected, ...intakes);
  const source = SourceText.of(file.bytes);
  if (!source) return { differences: [], equal: 0 };
  const text = new TextDecoder().decode(expected.bytes);
  return compareText(text, expected.marks ?? marksIn(text, known), source);
}

/** Both files as the reader of their format understands them; null for formats that are compared as text. */
async function readAlike(expected: ExpectedFile, file: DeliveredFile): Promise<[Intake, Intake] | null> {
  // Marks say more than a reader can, unless the same may be said in many ways.
  if (expected.marks && expected.format !== 'dtcg') return null;
  const as = readerById(expected.format)?.id ?? (/\.png$/.test(expected.path) ? 'picture' : null);
  if (as === null) return null;
  const tools = { decode: decodePng };
  const ours = await readFile({ name: expected.path, bytes: expected.bytes }, tools, as);
  const theirs = await readFile({ name: file.name, bytes: file.bytes }, tools, as);
  return ours && theirs ? [ours, theirs] : null;
}

async function decodePng(bytes: Uint8Array) {
  const picture = await readPng(bytes);
  if (typeof picture === 'string') throw new Error(picture);
  return picture;
}

/** In a file that says nothing of tokens: whatever is a colour in it. */
function marksIn(text: string, known: ReadonlyMap<string, Known>): Mark[] {
  return Array.from(literalsIn(text), ({ span, literal }) => ({
    ...span,
    ...known.get(literal.colour.hex),
    hex: literal.colour.hex,
  }));
}

/** A file of somebody else's: each of its colours is one of the brand's, or else how far from the nearest of them. */
function unknown(known: ReadonlyMap<string, Known>, file: DeliveredFile): Compared {
  const source = SourceText.of(file.bytes);
  if (!source) return { differences: [], equal: 0 };
  const { occurrences } = scanSource(source, kindOfSource(file.name, source), file.name);
  const nearest = new Map<string, Known | null>();
  const differences: Difference[] = [];
  let equal = 0;
  for (const { span, literal, aside } of occurrences) {
    if (aside !== null) continue;
    const { hex } = literal.colour;
    if (known.has(hex)) {
      equal++;
      continue;
    }
    if (!nearest.has(hex)) nearest.set(hex, nearestOf(known, hex));
    const near = nearest.get(hex);
    if (near) differences.push(differs(near, literal.colour, literal.text, source.placeOf(span.from).line));
  }
  return { differences, equal };
}

function nearestOf(known: ReadonlyMap<string, Known>, hex: string): Known | null {
  let [best, least]: [Known | null, number] = [null, Infinity];
  for (const colour of known.values()) {
    const distance = deltaE2000(colour.hex, hex);
    if (distance < least) [best, least] = [colour, distance];
  }
  return best;
}

/** Files that are alike in so many of their lines, colours left out, are of one kind. */
const ALIKE = 0.5;
/** Of files with the same name fewer are enough. */
const ALIKE_BY_NAME = 0.1;

/** Knows a delivered file by its bytes, by its path, or by its lines. */
class Recogniser {
  private readonly lines: ReadonlyMap<ExpectedFile, ReadonlySet<string>>;
  private readonly byLine = new Map<string, ExpectedFile[]>();

  constructor(private readonly files: readonly ExpectedFile[]) {
    this.lines = new Map(
      files.map((file) => [file, new Set(isText(file) ? lineKeys(new TextDecoder().decode(file.bytes)) : [])]),
    );
    for (const [file, keys] of this.lines) {
      for (const key of keys) {
        const having = this.byLine.get(key);
        if (having) having.push(file);
        else this.byLine.set(key, [file]);
      }
    }
  }

  same({ name, bytes }: DeliveredFile): ExpectedFile | null {
    const equal = this.files.filter(
      (file) => file.bytes.length === bytes.length && file.bytes.every((byte, at) => byte === bytes[at]),
    );
    return best(equal, (file) => sharedEnd(file.path, name) + (file.shipped ? 0.5 : 0));
  }

  like(file: DeliveredFile): ExpectedFile | null {
    const source = SourceText.of(file.bytes);
    const keys = source ? new Set(lineKeys(source.text)) : new Set<string>();
    const shares = new Map<ExpectedFile, number>();
    for (const key of keys) for (const having of this.byLine.get(key) ?? []) shares.set(having, (shares.get(having) ?? 0) + 1);
    const share = (one: ExpectedFile) => (shares.get(one) ?? 0) / Math.max(1, this.lines.get(one)!.size);
    const named = this.files.filter((one) => sharedEnd(one.path, file.name) > 0 && isText(one) === (source !== null));
    const byName = named.filter(
      (one) => !isText(one) || share(one) >= ALIKE_BY_NAME || one.path === file.name || file.name.endsWith(`/${one.path}`),
    );
    const nearest = best(byName, (one) => sharedEnd(one.path, file.name) + share(one) / 2 + (one.shipped ? 0.25 : 0));
    if (nearest) return nearest;
    const alike = [...shares.keys()].filter((one) => share(one) >= ALIKE);
    return best(alike, (one) => share(one) + (one.shipped ? 0.01 : 0));
  }
}

function isText({ path }: ExpectedFile): boolean {
  return !/\.(?:png|ase|aco|pal|xlsx|thmx)$/.test(path);
}

/** How many steps of two paths are the same, from their ends. */
function sharedEnd(one: string, two: string): number {
  const [ours, theirs] = [one.toLowerCase().split('/').reverse(), two.toLowerCase().split(/[\\/]/).reverse()];
  let count = 0;
  while (count < ours.length && count < theirs.length && ours[count] === theirs[count]) count++;
  return count;
}

function best<T>(list: readonly T[], score: (one: T) => number): T | null {
  return list.reduce<T | null>((leader, one) => (leader === null || score(one) > score(leader) ? one : leader), null);
}
