import { readFileSync } from 'node:fs';
import { join } from 'node:path';

let rules: string | undefined;

/** The brand sheet's fonts as rules that carry them along; read once. */
export function sheetFonts(): string {
  return (rules ??= [
    ['Archivo Variable', 'archivo/files/archivo-latin-standard-normal.woff2', '62% 125%'],
    [
      'Archivo Variable',
      'archivo/files/archivo-latin-ext-standard-normal.woff2',
      '62% 125%',
      'U+0100-02BA,U+1E00-1E9F,U+1EF2-1EFF',
    ],
    ['Martian Mono Variable', 'martian-mono/files/martian-mono-latin-standard-normal.woff2', '75% 112.5%'],
  ]
    .map(([family, file, stretch, range]) => {
      const bytes = readFileSync(join(process.cwd(), 'node_modules/@fontsource-variable', file!));
      const only = range ? `unicode-range:${range};` : '';
      return `@font-face{font-family:'${family}';src:url(data:font/woff2;base64,${bytes.toString('base64')}) format('woff2');font-weight:100 900;font-stretch:${stretch};${only}}`;
    })
    .join(''));
}
