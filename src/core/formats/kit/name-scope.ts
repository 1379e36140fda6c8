import { finding, type Finding } from '../../findings/finding';

/**
 * The names of one scope of a written file: a module, a class, the macros of a header, the keys of a group. Whatever a
 * name is put together from, it is claimed here, and one that stands there already is an error. Files are kept, and many
 * a consumer looks names up, without regard to case: that counts as the same.
 */
export class NameScope {
  private readonly owners = new Map<string, string>();
  readonly findings: Finding[] = [];

  /** @param reserved names that the file itself has in this scope, each with what it is */
  constructor(reserved: Readonly<Record<string, string>> = {}) {
    for (const [name, owner] of Object.entries(reserved)) this.owners.set(name.toLowerCase(), owner);
  }

  /** @param owner what the name stands for, in words: a path, a theme, a path in a theme */
  claim(name: string, owner: string): string {
    const folded = name.toLowerCase();
    const first = this.owners.get(folded);
    if (first === undefined) this.owners.set(folded, owner);
    else this.findings.push(finding('clash', 'error', `${first} and ${owner} would both be written as ${name}; rename one.`));
    return name;
  }
}
