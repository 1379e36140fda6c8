/** In a process of its own: decodes the PNG that it is told and brings it into the palette. Prints the memory that this took at most, in MB. */
import { readFileSync } from 'node:fs';
import { readPng } from '@/core/image/png-read';
import { distinctColours } from '@/core/image/distinct-colours';
import { recolour } from '@/core/image/recolour';
import { MOST_LISTED, planRecolouring } from '@/core/image/recolour-plan';

const bytes = new Uint8Array(readFileSync(process.argv[2]!));
const before = most();
const picture = await readPng(bytes);
if (typeof picture === 'string') throw new Error(picture);
const { colours } = distinctColours(picture, MOST_LISTED);
const palette = Array.from({ length: 64 }, (_, at) => (Math.imul(at + 1, 0x9e3779b1) >>> 8) & 0xffffff);
recolour(
  picture,
  planRecolouring(colours, { palette, map: new Map(), key: null, keepOrder: false, dither: 'none', limit: null }),
);
process.stdout.write(String(most() - before));

/** The most that this process ever held, in MB: what is asked of the kernel by other ways begins with the parent's. */
function most(): number {
  return Number(/VmHWM:\s+(\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))![1]) / 1024;
}
