import { hexOf, readColour, type ReadColour } from '@/core/colour/read';
import { seenAs, type Vision } from '@/core/colour/vision';

/** What a screen's colour looks like to those eyes, as `#rrggbb`. */
export function hexSeen({ hex }: Pick<ReadColour, 'hex'>, vision: Vision, severity: number): string {
  return hexOf(seenAs(readColour(hex)!.rgb, vision, severity));
}
