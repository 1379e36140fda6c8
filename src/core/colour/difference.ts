import { differenceCiede2000, differenceEuclidean, type Color } from 'culori';

/**
 * ΔE2000 between two CSS colours, 0 for equal, about 1 just noticeable side by side.
 * CIE 142-2001 with kL = kC = kH = 1, on Lab under D65 (the white point of sRGB), as throughout Breakwater.
 */
export const deltaE2000: (one: string, two: string) => number = differenceCiede2000();

/** ΔE-OK: the straight distance in OKLab, 0..about 1. CSS Color 4, section 13. */
export const deltaEOk: (one: string | Color, two: string | Color) => number = differenceEuclidean('oklab');
