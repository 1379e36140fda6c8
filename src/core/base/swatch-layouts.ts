/** What the swatch files that many programs share look like: known here once, for reading and for writing. */

/**
 * ACO, the colour table that drawing programs share. Big-endian 16-bit: version 1 is a count and five numbers a colour
 * (its space and four channels); version 2 follows with the same colours and their names in UTF-16. Layout and channel
 * ranges as published for the file format, from memory.
 */
export const ACO = {
  title: 'Colour table (ACO)',
  extension: '.aco',
  versions: { plain: 1, named: 2 },
  spaces: { rgb: 0, hsb: 1, cmyk: 2, lab: 7, grey: 8, wideCmyk: 9 },
  /** What a channel of RGB is at its most. */
  most: 65_535,
} as const;

/**
 * ASE, the swatch exchange file that drawing programs share. Big-endian: "ASEF", version, number of blocks; a block is
 * its kind, its length, and for a colour its name in UTF-16, a model of four letters and 32-bit floats. The layout is
 * common knowledge of the trade without an official publication.
 */
export const ASE = {
  title: 'Swatch exchange (ASE)',
  extension: '.ase',
  magic: 'ASEF',
  blocks: { colour: 0x0001, group: 0xc001, groupEnd: 0xc002 },
  models: { rgb: 'RGB ', cmyk: 'CMYK', lab: 'LAB ', grey: 'Gray' },
} as const;

/**
 * RIFF palette: little-endian chunks; "data" holds version 3, a count, and red, green, blue, flags a colour; a list of
 * kind "INFO" may hold the palette's name as "INAM". Multimedia Programming Interface 1.0 (1991), "Palette File Format".
 */
export const RIFF_PAL = {
  title: 'RIFF palette (PAL)',
  extension: '.pal',
  magic: 'RIFF',
  form: 'PAL ',
  chunks: { data: 'data', list: 'LIST', info: 'INFO', name: 'INAM' },
  version: 0x0300,
} as const;

/** GPL, the text palette that open painting programs share: a first line, `Name:`, then red, green, blue 0..255 and a name a line; `#` begins a comment. */
export const GPL = {
  title: 'Text palette (GPL)',
  extension: '.gpl',
  magic: 'GIMP Palette',
} as const;

/** SOC, the colour table of office programs that keep to OpenDocument: `draw:color` elements with name and code. */
export const SOC = {
  title: 'OpenDocument colour table (SOC)',
  extension: '.soc',
  table: 'color-table',
  colour: { element: 'color', name: 'name', code: 'color' },
} as const;

/** `.hex`: hex digits, a code a line and nothing else, as palette collections for games hand them out. */
export const HEX_LIST = { title: 'List of hex codes', extension: '.hex' } as const;
