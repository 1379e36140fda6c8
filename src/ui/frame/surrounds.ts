/** What the person may have around the colours, lightest first. */
export const SURROUNDS = ['paper', 'mid', 'ink'] as const;
export type Surround = (typeof SURROUNDS)[number];
