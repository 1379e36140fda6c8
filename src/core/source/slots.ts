import { banksOf, type Bank } from './banks';
import type { Slot } from './slot';
import { inOrder, ordersBy, tellByteOrders, type FoundOrders } from './byte-order';
import type { ByteOrder, Literal } from './literal';
import { pathText, type Occurrence, type Step } from './occurrence';
import type { Problem } from './problem';
import { scanSource, type SourceKind } from './scan';
import type { SourceText } from './source-text';

/** What of a host may be replaced. */
export interface Slots {
  readonly kind: SourceKind;
  /** In the file's order. */
  readonly slots: readonly Slot[];
  /** Runs of slots that take a palette in order. */
  readonly banks: readonly Bank[];
  readonly orders: FoundOrders;
  /** How many colours stand in comments and sentences, which are no slots unless asked for. */
  readonly spokenOf: number;
  readonly problems: readonly Problem[];
}

/** How a host is to be understood where it does not say so itself. */
export interface SlotWishes {
  readonly order?: ByteOrder | undefined;
  /** Whether colours in comments and sentences are slots too. */
  readonly asides?: boolean | undefined;
}

/** Every slot of a host file. @param onProgress told the share of the file that was read, 0..1 */
export function slotsOf(
  source: SourceText,
  kind: SourceKind,
  name: string,
  { order, asides = false }: SlotWishes = {},
  onProgress?: (share: number) => void,
): Slots {
  const { occurrences, problems } = scanSource(source, kind, name, onProgress);
  const wanted = apart(occurrences.filter(({ aside }) => asides || aside === null));
  // In style sheets eight digits are what the standard says (CSS Color 4, section 5.2).
  const orders =
    order !== undefined
      ? ordersBy(order, 'chosen by hand')
      : kind === 'css'
        ? ordersBy('rgba', 'style sheets have opacity last')
        : tellByteOrders(source.text, wanted);
  const upper = mostlyCapitals(wanted);
  const counts = new Map<string, number>();
  const slots = wanted.map(({ span, path, literal }): Slot => {
    const place = `/${pathText(path)}`;
    const number = (counts.get(place) ?? 0) + 1;
    counts.set(place, number);
    return {
      key: number === 1 ? place : `${place}~${number}`,
      label: labelOf(path),
      path,
      span,
      literal: inCase(inOrder(literal, orders), upper),
    };
  });
  return {
    kind,
    slots,
    banks: banksOf(slots),
    orders,
    spokenOf: occurrences.filter(({ aside }) => aside !== null).length,
    problems,
  };
}

/** Whether most of the codes with letters are in capitals. */
function mostlyCapitals(occurrences: readonly Occurrence[]): boolean {
  let lead = 0;
  for (const { literal } of occurrences) {
    const { manner, text } = literal;
    if (manner.kind === 'code' && /[a-f]/i.test(text.slice(manner.prefix.length))) lead += manner.upper ? 1 : -1;
  }
  return lead > 0;
}

/** A code of figures only has no case of its own; it has that of the other codes of its file. */
function inCase(literal: Literal, upper: boolean): Literal {
  const { manner, text } = literal;
  if (manner.kind !== 'code' || manner.upper === upper || /[a-f]/i.test(text.slice(manner.prefix.length))) return literal;
  return { ...literal, manner: { ...manner, upper } };
}

/** Without what overlaps another: the one that begins first is kept, for only one of them can be replaced. */
function apart(occurrences: readonly Occurrence[]): Occurrence[] {
  let end = 0;
  return occurrences.filter(({ span }) => {
    if (span.from < end) return false;
    end = span.to;
    return true;
  });
}

/** Keys that say no more of a colour than that it is one. */
const SAYS_NOTHING = /^(?:value|val|data|default|hex|code|colou?r|rgb|argb|c|v|line)$/i;

/** What a slot is called: the nearest name on the way to it, and its own key where that says something. */
function labelOf(path: readonly Step[]): string {
  const named = path.findLast(({ label }) => label !== '')?.label ?? '';
  const keys = path.map(({ key }) => key.replace(/^@/, '')).filter((key) => key !== '');
  const own = keys.findLast((key) => !SAYS_NOTHING.test(key)) ?? keys.at(-1) ?? '';
  // The name of an element says more than what kind of element it is.
  const last = path.at(-1);
  const isElements = !last || last.at !== null || SAYS_NOTHING.test(last.key.replace(/^@/, ''));
  return named === '' ? own : isElements ? named : `${named} ${own}`;
}
