import { appendFileSync, readFileSync } from 'node:fs';

/** The file that gathers what is measured beside its aim, one JSON line each; set by `ops/bench.ts` for its parts. */
export const AIMS_FILE = 'BREAKWATER_BENCH_AIMS';

interface Measured {
  readonly what: string;
  readonly is: number;
  readonly unit: string;
  /** The most it should be; the least where more is better. */
  readonly aim: number;
  readonly more: boolean;
}

function add(measured: Measured): void {
  const file = process.env[AIMS_FILE];
  if (file) appendFileSync(file, `${JSON.stringify(measured)}\n`);
}

/** Notes what should be at most its aim. */
export function atMost(aim: number, unit: string, what: string, is: number): void {
  add({ what, is, unit, aim, more: false });
}

/** Notes what should be at least its aim, such as how many times faster than another. */
export function atLeast(aim: number, unit: string, what: string, is: number): void {
  add({ what, is, unit, aim, more: true });
}

/** Everything that was noted as one table in Markdown, misses marked. */
export function aimsTable(file: string): string {
  const lines = readFileSync(file, 'utf8').split('\n').filter(Boolean);
  const rows = lines.map((line) => {
    const { what, is, unit, aim, more } = JSON.parse(line) as Measured;
    const met = more ? is >= aim : is <= aim;
    const shown = is.toLocaleString('en', { maximumFractionDigits: is < 10 ? 1 : 0 });
    return `| ${what} | ${shown} ${unit} | ${more ? 'at least' : 'at most'} ${aim.toLocaleString('en')} | ${met ? 'met' : '**missed**'} |`;
  });
  return ['| what | measured | aim |  |', '| --- | --- | --- | --- |', ...rows, ''].join('\n');
}
