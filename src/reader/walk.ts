/**
 * Looks through a page of somebody else and tells which colour stands where. It runs inside that page: it imports nothing, and each
 * function of it is used by others here alone.
 *
 * It reads what the browser computed (CSSOM, `getComputedStyle`), for elements and their `::before`, `::after`, `::marker` and
 * `::placeholder`, what is drawn as SVG, and the pixels of canvases. It looks into open shadow roots. What it cannot see it says.
 */

/** A colour that stands somewhere: the same of all elements is told once, with where it was first found. */
export interface Sight {
  /** `#rrggbb`, or `#rrggbbaa` when translucent. */
  colour: string;
  /** About the share of the page's area that it covers, 0..1: boxes for grounds, lines for borders, a fifth of its box for text. */
  share: number;
  /** A property of an element, such as `color of p.note`. */
  where: string;
}

export interface Sights {
  seen: Sight[];
  /** What could not be looked into, in words, each once. */
  unseen: string[];
}

const MOST_ELEMENTS = 20_000;
const MOST_SEEN = 400;
/** Of a canvas: colours with less than this share of it are left out, such as the edges of letters. */
const LEAST_SHARE = 0.002;
const CANVAS_PIXELS = 4_000_000;

/** @param within only this element with what is in it; the whole page without */
export function walk(within?: Element): Sights {
  const page = document.documentElement;
  const area = Math.max(1, page.scrollWidth * page.scrollHeight);
  const found = new Map<string, Sight>();
  const unseen = new Set<string>();
  const note = (value: string, size: number, property: string, where: string) => {
    for (const text of colourTexts(value)) {
      const colour = hexOf(text);
      if (!colour || (colour.endsWith('00') && colour.length === 9)) continue;
      const key = `${colour} ${property}`;
      const known = found.get(key);
      if (known) known.share = Math.min(1, known.share + size / area);
      else if (found.size < MOST_SEEN)
        found.set(key, { colour, share: Math.min(1, size / area), where: `${property} of ${where}`.slice(0, 160) });
    }
  };
  let count = 0;
  const look = (element: Element) => {
    if (++count > MOST_ELEMENTS) {
      unseen.add(`more than ${MOST_ELEMENTS} elements; those after are not looked at`);
      return;
    }
    const style = getComputedStyle(element);
    if (style.display === 'none') return;
    const box = element.getBoundingClientRect();
    const size = box.width * box.height;
    if (style.visibility === 'visible' && Number(style.opacity) > 0 && (size > 0 || style.display === 'contents')) {
      lookAt(element, style, box, note, unseen);
      for (const pseudo of ['::before', '::after', '::marker', '::placeholder']) lookAtPseudo(element, pseudo, size, note);
    }
    if (Number(style.opacity) === 0) return;
    for (const child of element.children) look(child);
    if (element.shadowRoot) for (const child of element.shadowRoot.children) look(child);
  };
  look(within ?? page);
  return { seen: [...found.values()].sort((one, two) => two.share - one.share), unseen: [...unseen] };
}

type Note = (value: string, size: number, property: string, where: string) => void;

function lookAt(element: Element, style: CSSStyleDeclaration, box: DOMRect, note: Note, unseen: Set<string>): void {
  const where = called(element);
  const size = box.width * box.height;
  const isDrawn = element.namespaceURI === 'http://www.w3.org/2000/svg' && element.localName !== 'svg';
  if (isDrawn) {
    const isShape = 'getBBox' in element && !['g', 'defs', 'symbol', 'clipPath', 'mask', 'pattern'].includes(element.localName);
    if (!isShape) return;
    if (style.fill !== 'none') note(style.fill, size, 'fill', where);
    if (style.stroke !== 'none' && parseFloat(style.strokeWidth) > 0)
      note(style.stroke, lineOf(box, style.strokeWidth), 'stroke', where);
    if (element.localName === 'stop') note(style.stopColor, 0, 'stop-color', where);
    return;
  }
  // What children with a ground of their own lie over is not this one's to be seen.
  const covered = [...element.children].reduce((sum, child) => {
    const { backgroundColor } = getComputedStyle(child);
    const { width, height } = child.getBoundingClientRect();
    return hexOf(backgroundColor)?.length === 7 ? sum + width * height : sum;
  }, 0);
  note(style.backgroundColor, Math.max(0, size - covered), 'background-color', where);
  if (style.backgroundImage.includes('gradient(')) note(style.backgroundImage, size, 'background-image', where);
  if (style.backgroundImage.includes('url(')) unseen.add('pictures as backgrounds');
  for (const side of ['top', 'right', 'bottom', 'left']) {
    const width = style.getPropertyValue(`border-${side}-width`);
    const isVisible = parseFloat(width) > 0 && !['none', 'hidden'].includes(style.getPropertyValue(`border-${side}-style`));
    if (isVisible) note(style.getPropertyValue(`border-${side}-color`), lineOf(box, width) / 4, `border-${side}-color`, where);
  }
  if (parseFloat(style.outlineWidth) > 0 && style.outlineStyle !== 'none')
    note(style.outlineColor, lineOf(box, style.outlineWidth), 'outline-color', where);
  if (style.boxShadow !== 'none') note(style.boxShadow, 0, 'box-shadow', where);
  const isText =
    [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent!.trim() !== '') ||
    (element as HTMLInputElement).value;
  if (isText) {
    note(style.color, size / 5, 'color', where);
    if (style.textDecorationLine !== 'none') note(style.textDecorationColor, 0, 'text-decoration-color', where);
    if (style.textShadow !== 'none') note(style.textShadow, 0, 'text-shadow', where);
  }
  if (element.localName === 'canvas') lookAtPixels(element as HTMLCanvasElement, size, note, unseen);
  if (['img', 'video', 'picture', 'object', 'embed'].includes(element.localName)) unseen.add('pictures and films');
  if (element.localName === 'iframe') unseen.add('pages within the page');
}

function lookAtPseudo(element: Element, pseudo: string, size: number, note: Note): void {
  if (pseudo === '::placeholder' && !(element as HTMLInputElement).placeholder) return;
  const style = getComputedStyle(element, pseudo);
  const isThere =
    pseudo === '::marker'
      ? getComputedStyle(element).display === 'list-item'
      : pseudo === '::placeholder' || !['none', 'normal'].includes(style.content);
  if (!isThere || style.display === 'none') return;
  const where = called(element) + pseudo;
  if (pseudo !== '::marker') note(style.backgroundColor, 0, 'background-color', where);
  if (pseudo !== '::before' && pseudo !== '::after') note(style.color, size / 20, 'color', where);
  else if (style.content !== '""') note(style.color, 0, 'color', where);
  if (parseFloat(style.borderTopWidth) > 0 && style.borderTopStyle !== 'none')
    note(style.borderTopColor, 0, 'border-top-color', where);
}

function lookAtPixels(canvas: HTMLCanvasElement, size: number, note: Note, unseen: Set<string>): void {
  const pixels = canvas.width * canvas.height;
  if (pixels === 0) return;
  try {
    if (pixels > CANVAS_PIXELS) throw new Error('large');
    // A canvas that is drawn by other means gives no 2d context; it is drawn over into one that does.
    const copy = Object.assign(document.createElement('canvas'), { width: canvas.width, height: canvas.height });
    const context = copy.getContext('2d', { willReadFrequently: true })!;
    context.drawImage(canvas, 0, 0);
    const words = new Uint32Array(context.getImageData(0, 0, canvas.width, canvas.height).data.buffer);
    const counts = new Map<number, number>();
    for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
    for (const [word, of] of counts) {
      if (word >>> 24 !== 255 || of / pixels < LEAST_SHARE) continue;
      const channels = [word & 255, (word >> 8) & 255, (word >> 16) & 255];
      note(`rgb(${channels.join(', ')})`, (size * of) / pixels, 'pixels', called(canvas));
    }
  } catch {
    unseen.add('a canvas that may not be read');
  }
}

/** The colours in a computed value: one, or those of a gradient or of shadows. */
function colourTexts(value: string): string[] {
  return value.match(/(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]*\)|#[0-9a-f]{3,8}\b/gi) ?? [];
}

let painter: CanvasRenderingContext2D | null | undefined;

/** What the screen shows of a computed colour: browsers give sRGB as rgb() and others as they were written. */
function hexOf(text: string): string | null {
  const rgb = /^rgba?\((\d+),\s*(\d+),\s*(\d+)(?:,\s*([\d.]+))?\)$/.exec(text);
  if (rgb) return digits([Number(rgb[1]), Number(rgb[2]), Number(rgb[3])], Number(rgb[4] ?? 1));
  painter ??= Object.assign(document.createElement('canvas'), { width: 1, height: 1 }).getContext('2d', {
    willReadFrequently: true,
  });
  if (!painter) return null;
  // Painted without its opacity, which stands after the slash.
  const opacity = /\/\s*([\d.]+)(%?)\s*\)$/.exec(text);
  painter.fillStyle = '#000';
  painter.fillStyle = text.replace(/\/[^)]*/, '');
  painter.clearRect(0, 0, 1, 1);
  painter.fillRect(0, 0, 1, 1);
  const { data } = painter.getImageData(0, 0, 1, 1);
  return digits([data[0]!, data[1]!, data[2]!], opacity ? Number(opacity[1]) / (opacity[2] ? 100 : 1) : 1);
}

function digits(channels: readonly number[], alpha: number): string {
  const all = alpha < 1 ? [...channels, Math.round(alpha * 255)] : channels;
  return `#${all.map((channel) => channel.toString(16).padStart(2, '0')).join('')}`;
}

/** The area of a line around a box. */
function lineOf({ width, height }: DOMRect, thickness: string): number {
  return 2 * (width + height) * parseFloat(thickness);
}

/** An element as people know it. */
function called(element: Element): string {
  const id = element.id ? `#${element.id}` : '';
  return (
    element.localName +
    (id ||
      [...element.classList]
        .slice(0, 3)
        .map((name) => `.${name}`)
        .join(''))
  );
}
