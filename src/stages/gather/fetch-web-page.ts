import { importsOf, PAGE_LIMITS, partName, type FetchedPart, type StyledPart, type WebPage } from '@/core/intake/web/web-page';
import { Declined, request } from '@/ui/asked/request';

/** The attributes of drawings that hold a colour: SVG 2, "Presentation attributes". */
const DRAWN = ['fill', 'stroke', 'stop-color', 'flood-color', 'lighting-color', 'color'];
/** Those of old pages: HTML, section 15.3, "Non-replaced elements". */
const AGED = ['bgcolor', 'text', 'link', 'vlink', 'alink'];

/** What a page or a drawing says of colours, and the addresses at which it says more. */
interface Found {
  readonly parts: StyledPart[];
  readonly more: string[];
}

/**
 * A page of the web with the style sheets and drawings that it names. The server fetches each, one after the other; what they say is taken apart
 * here, by the browser's own parser, which runs, draws and loads nothing.
 */
export async function fetchWebPage(
  brand: string,
  address: string,
  signal: AbortSignal,
  onProgress: (share: number) => void,
): Promise<WebPage> {
  const fetchPart = (wanted: string) => request<FetchedPart>(`/api/brands/${brand}/web-pages`, 'POST', { address: wanted });
  const first = await fetchPart(address);
  const { parts, more, title, unseen } = takenApart(first);
  const asked = new Set([first.address]);
  for (let at = 0; at < more.length; at++) {
    signal.throwIfAborted();
    const next = more[at]!;
    if (asked.has(next)) continue;
    if (asked.size === PAGE_LIMITS.parts) {
      unseen.push(`Further style sheets and drawings were not fetched: ${PAGE_LIMITS.parts} files of a page are looked at.`);
      break;
    }
    asked.add(next);
    onProgress(at / more.length);
    try {
      const found = takenApart(await fetchPart(next));
      parts.push(...found.parts);
      more.push(...found.more);
    } catch (error) {
      if (!(error instanceof Declined)) throw error;
      unseen.push(`${partName(next)} was not read: ${error.message}`);
    }
  }
  return { address: first.address, title, parts, unseen };
}

function takenApart({ is, address, text }: FetchedPart): Found & { readonly title: string; readonly unseen: string[] } {
  const name = partName(address);
  if (is === 'style sheet')
    return { parts: [{ name, text, isDeclarations: false }], more: resolved(importsOf(text), address), title: '', unseen: [] };
  const parsed = new DOMParser().parseFromString(text, is === 'drawing' ? 'image/svg+xml' : 'text/html');
  const base = is === 'page' ? parsed.querySelector('base[href]')?.getAttribute('href') : null;
  const from = base && URL.canParse(base, address) ? new URL(base, address).href : address;
  const { parts, more } = stylesOf(parsed, is === 'page' ? null : name);
  return { parts, more: resolved(more, from), title: parsed.title.trim(), unseen: is === 'page' ? notSeen(parsed) : [] };
}

/** @param drawing what a drawing is called; null for a page, which may hold several */
function stylesOf(parsed: Document, drawing: string | null): Found {
  const declared = (elements: Iterable<Element>, names: readonly string[]) =>
    [...elements]
      .flatMap((element) => names.map((attribute) => [attribute, element.getAttribute(attribute)] as const))
      // Of a value nothing but itself can be said by it.
      .flatMap(([attribute, value]) => (value === null || /[;{}]/.test(value) ? [] : `${attribute}: ${value};`))
      .join('\n');
  const sheets = [...parsed.querySelectorAll('style')].map(({ textContent: text }) => text);
  const inline = [...parsed.querySelectorAll('[style]')].map((element) => `${element.getAttribute('style')};`).join('\n');
  const drawn = declared(parsed.querySelectorAll('svg, svg *'), DRAWN);
  const aged = declared(parsed.querySelectorAll('[bgcolor], body, font[color]'), [...AGED, 'color']);
  const meta = [...parsed.querySelectorAll('meta[name="theme-color"]')].map(
    (one) => `theme-color: ${one.getAttribute('content')};`,
  );
  const parts: StyledPart[] = [
    ...sheets.map((text) => ({ name: drawing ?? 'the page', text, isDeclarations: false })),
    { name: drawing ?? 'style attributes', text: inline, isDeclarations: true },
    { name: drawing ?? 'drawings', text: drawn, isDeclarations: true },
    { name: 'attributes', text: aged, isDeclarations: true },
    { name: 'the head', text: meta.join('\n'), isDeclarations: true },
  ].filter(({ text }) => text.trim() !== '');
  const more = [
    ...[...parsed.querySelectorAll('link[rel~="stylesheet" i][href]')].map((link) => link.getAttribute('href')!),
    ...sheets.flatMap(importsOf),
    ...[...parsed.querySelectorAll('img[src], object[data]')]
      .map((image) => image.getAttribute('src') ?? image.getAttribute('data')!)
      .filter(isDrawing),
  ];
  return { parts, more };
}

const isDrawing = (source: string) => /^[^?#]*\.svg(?:[?#]|$)/i.test(source);

function resolved(addresses: readonly string[], base: string): string[] {
  return addresses.flatMap((address) => {
    if (address.trim() === '' || !URL.canParse(address, base)) return [];
    const url = new URL(address, base);
    url.hash = '';
    return /^https?:$/.test(url.protocol) ? [url.href] : [];
  });
}

/** What of a page is there and was not looked at. */
function notSeen(parsed: Document): string[] {
  const pictures = [...parsed.querySelectorAll('img[src]')].filter((image) => !isDrawing(image.getAttribute('src')!)).length;
  const said: string[] = [];
  if (parsed.querySelector('script')) said.push('This page runs scripts; what they style or draw was not seen.');
  if (pictures > 0)
    said.push(
      `${pictures === 1 ? 'A picture of this page was' : `${pictures} pictures of this page were`} not looked at; save what you like and drop it here.`,
    );
  if (parsed.querySelector('iframe, frame')) said.push('This page shows other pages within itself; those were not read.');
  return said;
}
