/** Kinds that people bring and no reader takes, by their first bytes, with what to do instead. */
const KINDS: readonly (readonly [mark: RegExp, sentence: string])[] = [
  [/^%PDF-/, 'This is a PDF. Copy the text with the colours out of it and paste that, or paste a screenshot of the page.'],
  [/^PK[^]{28}mimetypeapplication\/vnd\.oasis\.opendocument/, 'This is an OpenDocument file. Save it as XLSX or CSV.'],
  [/^\xd0\xcf\x11\xe0/, 'This is an office file of the old kind. Save it as XLSX or CSV.'],
  [
    /^(?:BM[^]{4}\0\0\0\0|II\*\0|MM\0\*|8BPS\0|[^]{4}ftyp(?:hei|avif))/,
    'This picture is of a kind that is not read here. Save it as PNG or JPEG.',
  ],
];

/** Whether bytes are of one of these kinds, although they may look like any text. */
export function isNeverRead(bytes: Uint8Array): boolean {
  return known(bytes) !== undefined;
}

function known(bytes: Uint8Array): string | undefined {
  const start = String.fromCharCode(...bytes.subarray(0, 120));
  return KINDS.find(([mark]) => mark.test(start))?.[1];
}

/** The sentence for a file that no reader knows. */
export function whyNotRead(bytes: Uint8Array): string {
  return (
    known(bytes) ??
    'This file is of a kind that is not read here; give a swatch file, a table, a picture, a style sheet, tokens or any text.'
  );
}
