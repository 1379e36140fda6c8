/** The shorter way round from one hue to another: degrees in −180..180, positive towards higher hues. Both in 0..360. */
export function hueTurn(from: number, to: number): number {
  return ((to - from + 540) % 360) - 180;
}
