/** Chroma (OKLCH) below which a colour is a grey without hue. The smallest chroma of a true 8-bit non-grey is .00106. */
export const GREY_CHROMA = 5e-4;
