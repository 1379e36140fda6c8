import { scanCss } from '../../source/css';
import { problem, type Problem } from '../../source/problem';
import { SourceText } from '../../source/source-text';
import { DrawnColours } from '../drawings/drawn-colours';
import { intakeOf, tidyName, type Intake } from '../intake';

/** Files of a page that are fetched, itself among them; how large each may be; and how much of all of it is read. */
export const PAGE_LIMITS = { parts: 24, bytes: 1_000_000, text: 1_250_000 } as const;

/** What stands at an address. */
export interface FetchedPart {
  readonly is: 'page' | 'style sheet' | 'drawing';
  /** Where it was found, after all redirects. */
  readonly address: string;
  readonly text: string;
}

/** Something of a page that says colours, as CSS. */
export interface StyledPart {
  /** What it is called to people, such as `site.css` or `drawings`. */
  readonly name: string;
  readonly text: string;
  /** Whether it is the inside of style attributes and not a whole sheet. */
  readonly isDeclarations: boolean;
}

/** A page of the web as far as its colours go. */
export interface WebPage {
  readonly address: string;
  /** What it calls itself; empty when it does not. */
  readonly title: string;
  readonly parts: readonly StyledPart[];
  /** What could not be looked at, each as a sentence. */
  readonly unseen: readonly string[];
}

/** Whether a text is the address of a page and nothing else. */
export function isAddress(text: string): boolean {
  return /^\s*https?:\/\/\S+\s*$/i.test(text) && URL.canParse(text.trim());
}

/** The addresses that a style sheet imports (CSS Cascading and Inheritance Level 4, section 2). */
export function importsOf(sheet: string): string[] {
  const text = sheet.replace(/\/\*[^]*?\*\//g, '');
  return [...text.matchAll(/@import\s+(?:url\(\s*)?(?:"([^"]*)"|'([^']*)'|([^\s"')]+))/g)].map(([, one, two, three]) =>
    (one ?? two ?? three ?? '').trim(),
  );
}

/** The name of a file in an address, or its host where it has none. */
export function partName(address: string): string {
  const { pathname, host } = new URL(address);
  return pathname.split('/').at(-1) || host;
}

/**
 * The colours of a page, each once with how often and where it stands: one palette, named after the page. Colours that custom properties name
 * keep their names.
 */
export function readWebPage({ address, title, parts, unseen }: WebPage): Intake {
  const problems: Problem[] = unseen.map((sentence) => problem(sentence, {}, 'warning'));
  // One text, so that each colour has a place, whichever of the parts it stands in.
  let all = '';
  const spans = parts.flatMap((part) => {
    const from = all.length;
    if (from + part.text.length > PAGE_LIMITS.text) {
      problems.push(problem(`${part.name} was not read: together, the styles of this page are too long.`, {}, 'warning'));
      return [];
    }
    all += `${part.text}\n`;
    return [{ part, span: { from, to: from + part.text.length } }];
  });
  const source = SourceText.ofText(all);
  const uses = new DrawnColours(source);
  for (const { part, span } of spans) {
    const { occurrences } = scanCss(source, span, part.isDeclarations ? 'declarationList' : 'stylesheet');
    uses.addCss(occurrences, part.name);
  }
  const { host, pathname } = new URL(address);
  // A sheet has lines of its own; what was gathered from attributes has none that anybody could go to.
  const entries = uses.entries().map((entry) => {
    const from = entry.span!.from;
    const { part, span } = spans.findLast((one) => one.span.from <= from)!;
    if (part.isDeclarations) return { ...entry, line: 0, column: 0 };
    const before = source.placeOf(span.from);
    return { ...entry, line: entry.line - before.line + 1 };
  });
  if (entries.length === 0) problems.push(problem('No colour stands in the styles of this page.'));
  const about = { source: { file: tidyName(host + pathname) } };
  return intakeOf('web page', [{ name: tidyName(title) || host, kind: 'loose', about, entries }], problems);
}
