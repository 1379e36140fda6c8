import { hexOf, readColour } from '@/core/colour/read';
import { cssText } from '@/core/formats/kit/css-text';
import type { Seen } from '@/core/screens/screen';

/** A place on a screen where a token is to be seen, as the screen names it. */
interface Place {
  readonly token: string;
  readonly element?: Element;
  readonly property?: string;
  readonly canvas?: HTMLCanvasElement;
  readonly x?: number;
  readonly y?: number;
}

/**
 * Reads back what a simulated screen really shows: canvas pixels, the attributes of drawn SVG, and otherwise the style the
 * browser computed. The screen says only where to look.
 * @returns each token once; a place whose colour cannot be told is left out
 */
export function readScreen(screen: Window): Seen[] {
  const { shown } = screen as Window & { shown?: readonly Place[] };
  const found = new Map<string, Seen>();
  for (const place of shown ?? []) {
    const colour = place.canvas ? pixel(place.canvas, place.x ?? 0, place.y ?? 0) : style(screen, place);
    if (colour) found.set(place.token, { colour, token: place.token, share: 0, where: whereOf(place), state: 'rest' });
  }
  return [...found.values()];
}

function whereOf({ element, property, x, y }: Place): string {
  return element
    ? `${property} of ${element.localName}${[...element.classList].map((name) => `.${name}`).join('')}`
    : `pixel ${x}, ${y}`;
}

function pixel(canvas: HTMLCanvasElement, x: number, y: number): string | undefined {
  const data = canvas.getContext('2d')?.getImageData(x, y, 1, 1).data;
  return data && hexOf([data[0]! / 255, data[1]! / 255, data[2]! / 255]);
}

function style(screen: Window, { element, property }: Place): string | undefined {
  if (!element || !property) return undefined;
  const drawn = element.namespaceURI === 'http://www.w3.org/2000/svg' ? element.getAttribute(property) : null;
  const text = drawn ?? screen.getComputedStyle(element).getPropertyValue(property);
  const colour = readColour(text);
  return colour ? cssText(colour) : undefined;
}
