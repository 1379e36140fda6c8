import { joinedBytes } from '../../base/bytes';
import { converter } from 'culori';
import { hexOf, readColour, type ReadColour } from '../../colour/read';
import { problem, type Problem } from '../../source/problem';
import { SourceText } from '../../source/source-text';
import { XmlStream } from '../../source/xml-stream';
import { unpack, type Unpacked } from '../../source/zip';
import { officeTheme, type OfficeTheme } from '../office/office-theme';
import { columnOf } from './cell-range';
import type { TableCell, TableRow } from './table';

/** Unpacked, more than this of a workbook is not read: a zip of a few kilobytes may hold gigabytes. */
const MOST_BYTES = 64 * 1024 * 1024;
const LARGEST_THEME = 4 * 1024 * 1024;
/** Rows with something in them that are kept of a sheet; those beyond are counted. */
const MOST_ROWS = 20_000;
const MOST_COLUMNS = 16_384;
const MOST_CELLS = 200_000;

export interface Sheet {
  readonly name: string;
  readonly rows: readonly TableRow[];
  readonly problems: readonly Problem[];
}

/** Sheets of a workbook that are read. */
const MOST_SHEETS = 200;

export interface Workbook {
  readonly sheets: readonly Sheet[];
  readonly theme: OfficeTheme | null;
  readonly problems: readonly Problem[];
}

/**
 * The cells of a workbook with their texts and fills, sheet by sheet: SpreadsheetML of ECMA-376 part 1, 18. Its parts
 * are read as they are unpacked, and only those that hold cells, words, styles and the theme.
 * @returns null when the zip is no workbook; a word when it cannot be unpacked
 */
export function readWorkbook(bytes: Uint8Array): Workbook | Exclude<Unpacked, 'whole'> | null {
  const about = readAbout(bytes);
  if (typeof about === 'string' || about === null) return about;
  const sheets = new Map<string, SheetReader>();
  const listed = about.sheets.slice(0, MOST_SHEETS);
  const wanted = new Set(listed.map(({ path }) => path));
  const ending = unpack(
    bytes,
    (path) => {
      if (sheets.has(path) || !wanted.has(path)) return null;
      const reader = new SheetReader(about);
      sheets.set(path, reader);
      return (piece, last) => reader.stream.write(piece, last);
    },
    MOST_BYTES,
  );
  if (ending === 'damaged' && sheets.size === 0) return ending;
  const problems = [...about.problems];
  if (about.sheets.length > listed.length)
    problems.push(
      problem(
        `This workbook has ${about.sheets.length.toLocaleString('en')} sheets, and the first ${MOST_SHEETS} are read. Save others by themselves.`,
      ),
    );
  if (ending === 'large')
    problems.push(
      problem(
        `This workbook unpacks to more than ${MOST_BYTES / 1_048_576} MB; what came before that is here. Save the sheet with the colours by itself.`,
      ),
    );
  if (ending === 'damaged') problems.push(problem('A sheet of this workbook is damaged; what could be unpacked is here.'));
  return {
    sheets: listed.map(({ name, path }) => {
      const reader = sheets.get(path);
      if (!reader)
        return { name, rows: [], problems: [problem(`Sheet ${name} is not in this workbook, although it is listed.`)] };
      return { name, rows: reader.rows, problems: reader.problems(name) };
    }),
    theme: about.theme,
    problems,
  };
}

interface About {
  readonly sheets: readonly { readonly name: string; readonly path: string }[];
  readonly words: readonly string[];
  readonly fills: readonly (ReadColour | null)[];
  readonly theme: OfficeTheme | null;
  readonly problems: readonly Problem[];
}

/** Everything but the cells. */
function readAbout(bytes: Uint8Array): About | Exclude<Unpacked, 'whole'> | null {
  const listed: { name: string; id: string }[] = [];
  const targets = new Map<string, string>();
  const words: string[] = [];
  const styles = new StyleReader();
  const streams = new Map<string, XmlStream>();
  const theme: Uint8Array[] = [];
  let themeSize = 0;
  const handlersOf = (path: string): XmlStream | null => {
    switch (path) {
      case 'xl/workbook.xml':
        return new XmlStream({
          open: (name, attribute) => {
            if (name === 'sheet') listed.push({ name: attribute('name') ?? '', id: attribute('r:id') ?? attribute('id') ?? '' });
          },
          close: () => {},
          text: () => {},
        });
      case 'xl/_rels/workbook.xml.rels':
        return new XmlStream({
          open: (name, attribute) => {
            const target = attribute('Target') ?? '';
            if (name === 'Relationship') targets.set(attribute('Id') ?? '', partPath(target));
          },
          close: () => {},
          text: () => {},
        });
      case 'xl/sharedStrings.xml':
        return wordStream(words);
      case 'xl/styles.xml':
        return styles.stream;
      default:
        return null;
    }
  };
  const ending = unpack(
    bytes,
    (path) => {
      if (/^xl\/theme\/theme1?\.xml$/.test(path) && theme.length === 0)
        return (piece) => {
          themeSize += piece.length;
          if (themeSize <= LARGEST_THEME) theme.push(piece);
        };
      const stream = streams.has(path) ? null : handlersOf(path);
      if (!stream) return null;
      streams.set(path, stream);
      return (piece, last) => stream.write(piece, last);
    },
    MOST_BYTES,
  );
  if (!streams.has('xl/workbook.xml')) return ending === 'whole' ? null : ending;
  if (ending === 'large') return ending;
  const source = theme.length > 0 && themeSize <= LARGEST_THEME ? SourceText.of(joinedBytes(theme)) : null;
  const read = source && officeTheme(source);
  const problems = [...streams].flatMap(([path, { fault }]) =>
    fault === null ? [] : [problem(`The part ${path} of this workbook is damaged: ${fault} What came before is read.`)],
  );
  return {
    sheets: listed.flatMap(({ name, id }) => (targets.has(id) ? [{ name, path: targets.get(id)! }] : [])),
    words,
    fills: styles.fills(read),
    theme: read,
    problems,
  };
}

/** A part's path in the zip, from the target of a relationship of the workbook. */
function partPath(target: string): string {
  return target.startsWith('/') ? target.slice(1) : `xl/${target}`;
}

/** Words that cells share: 18.4 (sst). Phonetic hints are left out. */
function wordStream(words: string[]): XmlStream {
  let word = '';
  let inText = false;
  let hint = false;
  return new XmlStream({
    open: (name) => {
      if (name === 'si') word = '';
      if (name === 'rPh') hint = true;
      inText = name === 't' && !hint;
    },
    close: (name) => {
      if (name === 'si') words.push(word);
      if (name === 'rPh') hint = false;
      inText = false;
    },
    text: (text) => {
      if (inText && word.length < MOST_CHARACTERS) word += text;
    },
  });
}

/** Longer texts of a cell are cut: a colour stands in none of them. */
const MOST_CHARACTERS = 4_000;

type FillColour = {
  readonly rgb?: string | undefined;
  readonly theme?: string | undefined;
  readonly indexed?: string | undefined;
  readonly tint?: string | undefined;
};

/** Fills by the style of a cell: 18.8 (styleSheet). */
class StyleReader {
  private readonly patterns: (FillColour | null)[] = [];
  private readonly styles: number[] = [];
  private readonly indexed: string[] = [];
  private part = '';
  private solid = false;
  readonly stream = new XmlStream({
    open: (name, attribute) => this.open(name, attribute),
    close: (name) => {
      if (name === this.part) this.part = '';
    },
    text: () => {},
  });

  private open(name: string, attribute: (name: string) => string | undefined): void {
    if (name === 'fills' || name === 'cellXfs' || name === 'indexedColors') this.part = name;
    else if (name === 'rgbColor' && this.part === 'indexedColors') this.indexed.push(attribute('rgb') ?? '');
    else if (name === 'xf' && this.part === 'cellXfs') this.styles.push(Number(attribute('fillId') ?? 0));
    else if (this.part === 'fills') {
      if (name === 'fill') this.patterns.push(null);
      else if (name === 'patternFill') this.solid = attribute('patternType') === 'solid';
      else if (name === 'fgColor' && this.solid)
        this.patterns[this.patterns.length - 1] = {
          rgb: attribute('rgb'),
          theme: attribute('theme'),
          indexed: attribute('indexed'),
          tint: attribute('tint'),
        };
    }
  }

  /** Fills by the number of a style; null for a style without one. */
  fills(theme: OfficeTheme | null): (ReadColour | null)[] {
    const patterns = this.patterns.map((pattern) => (pattern ? this.colourOf(pattern, theme) : null));
    return this.styles.map((fill) => patterns[fill] ?? null);
  }

  /** 18.8.3 (bgColor), 18.8.19 (fgColor): by its code, by its place in the theme, or by its number in the palette. */
  private colourOf({ rgb, theme: place, indexed, tint }: FillColour, theme: OfficeTheme | null): ReadColour | null {
    const number = Number(indexed);
    const code =
      rgb ??
      (indexed === undefined ? undefined : (this.indexed[number] ?? INDEXED[number < 8 ? number + 8 : number]?.padStart(8, 'F')));
    const base =
      place === undefined
        ? code && readColour(`#${code.slice(-6).toLowerCase()}`)
        : theme?.colours.get(THEME_ORDER[Number(place)] ?? '');
    return base ? tinted(base, Number(tint ?? 0)) : null;
  }
}

/** The order in which cells name theme colours: light and dark stand the other way round than in the theme part. */
const THEME_ORDER = [
  ...['Light 1', 'Dark 1', 'Light 2', 'Dark 2'],
  ...['Accent 1', 'Accent 2', 'Accent 3', 'Accent 4', 'Accent 5', 'Accent 6', 'Link', 'Visited link'],
];

/** The palette that numbers mean where a workbook has none of its own: 18.8.27 (indexedColors). 0 to 7 repeat 8 to 15. */
const INDEXED: readonly string[] = [
  ...Array<string>(8).fill(''),
  ...'000000 FFFFFF FF0000 00FF00 0000FF FFFF00 FF00FF 00FFFF 800000 008000 000080 808000 800080 008080 C0C0C0 808080'.split(' '),
  ...'9999FF 993366 FFFFCC CCFFFF 660066 FF8080 0066CC CCCCFF 000080 FF00FF FFFF00 00FFFF 800080 800000 008080 0000FF'.split(' '),
  ...'00CCFF CCFFFF CCFFCC FFFF99 99CCFF FF99CC CC99FF FFCC99 3366FF 33CCCC 99CC00 FFCC00 FF9900 FF6600 666699 969696'.split(' '),
  ...'003366 339966 003300 333300 993300 993366 333399 333333'.split(' '),
];

const toHsl = converter('hsl');
const toRgb = converter('rgb');

/** A theme colour made lighter (0..1) or darker (-1..0) by its HSL lightness: 18.8.19 (color, tint). */
function tinted(colour: ReadColour, tint: number): ReadColour {
  if (!(tint >= -1 && tint <= 1) || tint === 0) return colour;
  const hsl = toHsl(colour.hex)!;
  const { r, g, b } = toRgb({ ...hsl, l: tint < 0 ? hsl.l * (1 + tint) : hsl.l * (1 - tint) + tint });
  return readColour(hexOf([r, g, b]))!;
}

/** Rows and cells of a sheet as they come: 18.3.1.4 (c) and 18.3.1.73 (row). Both may leave out where they stand. */
class SheetReader {
  readonly rows: TableRow[] = [];
  private beyond = 0;
  private cells = 0;
  private row = 0;
  private column = 0;
  private current: (TableCell | undefined)[] = [];
  /** Whether the row has anything in it. */
  private filled = false;
  private type = '';
  private style = -1;
  private value = '';
  private inValue = false;
  private hint = false;

  constructor(private readonly about: About) {}

  readonly stream: XmlStream = new XmlStream({
    open: (name, attribute) => {
      if (name === 'row') {
        this.row = Number(attribute('r')) || this.row + 1;
        this.column = 0;
        this.current = [];
        this.filled = false;
      } else if (name === 'c') {
        const letters = /^[A-Z]{1,3}/i.exec(attribute('r') ?? '')?.[0];
        this.column = letters ? columnOf(letters) : this.column + 1;
        this.type = attribute('t') ?? 'n';
        this.style = Number(attribute('s') ?? -1);
        this.value = '';
      } else if (name === 'rPh') this.hint = true;
      this.inValue = (name === 'v' || name === 't') && !this.hint;
    },
    close: (name) => {
      this.inValue = false;
      if (name === 'rPh') this.hint = false;
      else if (name === 'c') this.cell();
      else if (name === 'row' && this.filled) {
        if (this.rows.length < MOST_ROWS) this.rows.push({ line: this.row, cells: this.current });
        else this.beyond++;
      }
    },
    text: (text) => {
      if (this.inValue && this.value.length < MOST_CHARACTERS) this.value += text;
    },
  });

  private cell(): void {
    const text = this.type === 's' ? (this.about.words[Number(this.value)] ?? '') : this.type === 'e' ? '' : this.value;
    const fill = this.about.fills[this.style] ?? null;
    if (text === '' && !fill) return;
    this.filled = true;
    if (this.column > MOST_COLUMNS || this.rows.length >= MOST_ROWS || ++this.cells > MOST_CELLS) return;
    this.current[this.column - 1] = { text, ...(fill && { fill }) };
  }

  problems(sheet: string): Problem[] {
    const { fault } = this.stream;
    const place = { line: this.row, column: 1 };
    return [
      ...(fault === null ? [] : [problem(`Sheet ${sheet} is damaged: ${fault} What came before is read.`, place)]),
      ...(this.beyond === 0
        ? []
        : [
            problem(
              `Sheet ${sheet} has ${this.beyond} more rows than the ${MOST_ROWS} that are read; give it in parts.`,
              place,
              'warning',
              this.beyond,
            ),
          ]),
      ...(this.cells <= MOST_CELLS
        ? []
        : [
            problem(
              `Sheet ${sheet} has ${this.cells} cells with something in them, and the first ${MOST_CELLS} are read.`,
              place,
              'warning',
            ),
          ]),
    ];
  }
}
