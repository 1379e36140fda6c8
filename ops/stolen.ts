import { readFileSync } from 'node:fs';

/**
 * Begins to watch what other guests of the same host take from this machine. Figures that were measured while much was taken tell of the host.
 * @returns what tells, of the processor time that was wanted since, how many per cent the host gave to others: “steal” in proc(5), of all that
 * was not idle or waiting for the disk
 */
export function watchStolen(): () => number {
  const before = processorTimes();
  return () => {
    const [user, nice, system, , , interrupts, softInterrupts, stolen] = processorTimes().map((now, at) => now - before[at]!);
    const wanted = user! + nice! + system! + interrupts! + softInterrupts! + stolen!;
    return wanted === 0 ? 0 : (stolen! / wanted) * 100;
  };
}

function processorTimes(): number[] {
  const [, line] = /^cpu +(.+)$/m.exec(readFileSync('/proc/stat', 'utf8'))!;
  return line!.split(' ').map(Number);
}
