import { readScreen } from './read-screen';

/** A screen as far as it is looked at: the places it names, and the styles its browser computes. */
const screen = (shown: object[] | undefined) =>
  ({ shown, getComputedStyle: ({ style }: { style: CSSStyleDeclaration }) => style }) as unknown as Window;
const html = (property: string, value: string) => ({
  element: {
    namespaceURI: 'http://www.w3.org/1999/xhtml',
    localName: 'p',
    classList: [],
    style: { getPropertyValue: (name: string) => (name === property ? value : '') },
  },
  property,
});
const read = (...shown: object[]) => Object.fromEntries(readScreen(screen(shown)).map(({ token, colour }) => [token, colour]));

test('reads the style a browser computed, with its opacity', () => {
  expect(read({ token: 'text', ...html('color', 'rgb(31, 111, 120)') })).toEqual({ text: '#1f6f78' });
  expect(read({ token: 'veil', ...html('background-color', 'rgba(255, 0, 0, 0.5)') })).toEqual({ veil: '#ff000080' });
});

test('reads what a drawing says of itself, not the style around it', () => {
  const path = {
    namespaceURI: 'http://www.w3.org/2000/svg',
    localName: 'path',
    classList: [],
    getAttribute: () => '#da452c',
    style: html('fill', 'red').element.style,
  };
  expect(read({ token: 'bar', element: path, property: 'fill' })).toEqual({ bar: '#da452c' });
});

test('reads the pixel a canvas has at the place named', () => {
  const getImageData = (x: number, y: number) => ({ data: x === 3 && y === 4 ? [218, 69, 44, 255] : [0, 0, 0, 255] });
  expect(read({ token: 'flag', canvas: { getContext: () => ({ getImageData }) }, x: 3, y: 4 })).toEqual({ flag: '#da452c' });
});

test('what cannot be told is left out, and a screen that says nothing has no colours', () => {
  expect(read({ token: 'lost' }, { token: 'none', ...html('color', '') })).toEqual({});
  expect(readScreen(screen(undefined))).toEqual([]);
});
