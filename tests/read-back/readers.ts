import { charts } from './charts';
import { frameworks } from './frameworks';
import { programs } from './programs';
import { swatches } from './swatches';
import { systems } from './systems';
import type { Reader } from './files';

/** How each destination's files are read back: by the consumer itself where there is one, else by a parser that is not ours. */
export const READERS: Readonly<Record<string, Reader>> = { ...charts, ...frameworks, ...programs, ...systems, ...swatches };
