/**
 * Names of which no two are the same: one that is there already is given the next free number.
 * @param taken what is there from the start
 * @param numbered how a name stands with its number, which counts from 2
 * @param folded what two names have in common that count as the same
 * @returns gives a wanted name, or that name with a number, and keeps it
 */
export function uniqueNames(
  taken: Iterable<string>,
  numbered: (name: string, number: number) => string = spaced,
  folded: (name: string) => string = (name) => name,
): (wanted: string) => string {
  const there = new Set([...taken].map(folded));
  // Where counting goes on: counted from 2 each time, twenty thousand equal names would take two hundred million looks.
  const next = new Map<string, number>();
  return (wanted) => {
    let name = wanted;
    let number = next.get(wanted) ?? 2;
    while (there.has(folded(name))) name = numbered(wanted, number++);
    next.set(wanted, number);
    there.add(folded(name));
    return name;
  };
}

function spaced(name: string, number: number): string {
  return `${name} ${number}`;
}
