import { wrap, type Remote } from 'comlink';
import { brandPatch } from '@/core/brand/document/brand-patch';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { Finding } from '@/core/findings/finding';
import type { FindingsWorker } from './findings.worker';

/** The rules in a worker of their own, which follows the brand: from one state to the next it is told what has changed. */
export class FindingWorker {
  private readonly worker = new Worker(new URL('./findings.worker.ts', import.meta.url), { type: 'module' });
  private readonly remote: Remote<FindingsWorker> = wrap<FindingsWorker>(this.worker);
  /** The state that the worker has. */
  private told: Brand | null = null;

  /** @throws when the worker cannot be started, or stops */
  async find(brand: Brand): Promise<readonly Finding[]> {
    return this.failing(this.remote.find(await this.follow(brand)));
  }

  /** What is found in one state of a brand and was not in an earlier one, and what no longer is. */
  since(before: Brand, now: Brand): Promise<{ readonly came: readonly Finding[]; readonly went: readonly Finding[] }> {
    return this.failing(this.remote.since(before, now));
  }

  /** What writing the destinations finds, of the brand that was asked about last. */
  ofDestinations(): Promise<readonly Finding[]> {
    return this.failing(this.remote.ofDestinations());
  }

  /** What would put findings of one rule right; null where nothing can be done. */
  async mend(brand: Brand, findings: readonly Finding[], label: string): Promise<Command | null> {
    const patch = await this.follow(brand);
    if (patch) await this.failing(this.remote.find(patch));
    return this.failing(this.remote.mend(findings, label) as Promise<Command | null>);
  }

  close(): void {
    this.worker.terminate();
  }

  private async follow(brand: Brand) {
    if (this.told?.id !== brand.id) {
      this.told = brand;
      await this.failing(this.remote.open(brand));
      return null;
    }
    const patch = brandPatch(this.told, brand);
    this.told = brand;
    return patch;
  }

  /** A worker whose program cannot be fetched never answers; that is told by its error. */
  private async failing<T>(answer: Promise<T>): Promise<T> {
    let fail = () => {};
    const failed = new Promise<never>((_, reject) => {
      fail = () => reject(new Error('What is wrong with the brand cannot be looked for: the worker did not start.'));
    });
    this.worker.addEventListener('error', fail);
    try {
      return await Promise.race([answer, failed]);
    } finally {
      this.worker.removeEventListener('error', fail);
    }
  }
}
