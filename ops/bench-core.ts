/** The readers and the colour core, against other libraries in the same run; for docs/performance.md. */
import { colourTable } from './bench-colour';
import { extractionTable, worstOfBadFiles } from './bench-readers';

process.stdout.write(`${await extractionTable()}\n${await worstOfBadFiles()}\n${colourTable()}\n`);
