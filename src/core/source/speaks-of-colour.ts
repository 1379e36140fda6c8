/** Keys and attributes in which a plain word may be the name of a colour, and numbers its channels. */
export const COLOURED =
  /colou?r|rgb|fill|stroke|ground|border|accent|palette|tint|ink|shade|swatch|(?:^|[^a-z])bg|(?:^|[^a-z])fg/i;
/** Keys that end in what is measured or counted: `stroke-width`, `paletteSize`. */
const MEASURED =
  /(?:width|height|size|count|opacity|alpha|version|id|index|radius|length|offset|time|date|limit|depth|mode|style|type|weight|number|rate|max|min|name|key|x|y)s?$/i;
/** Keys under which people read and no program does. */
const SPOKEN = /^(?:description|desc|notes?|comment|remark|title|label|text|help|tooltip|message|caption|legend)$/i;

/** Whether what stands under a key may be a colour by name or by its figures alone. @param around the key or section around it */
export function speaksOfColour(key: string, around = ''): boolean {
  return !MEASURED.test(key) && (COLOURED.test(key) || (COLOURED.test(around) && !SPOKEN.test(key)));
}

/** Whether what stands under a key is for people, so that a colour within a text there is only spoken of. */
export function isForPeople(key: string): boolean {
  return SPOKEN.test(key);
}
