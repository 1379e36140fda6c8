import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { Proposed } from '@/core/graft/sure-bindings';
import type { Brand } from '@/core/brand/document/document';
import type { Graft } from '@/core/brand/document/graft-shape';
import type { HostWishes } from '@/core/graft/host';
import type { GraftWorker, Rebinding, ShownHost, WrittenHost } from './graft.worker';

/** A host kept in a worker of its own, until it is closed: reading, writing and comparing it never hold the page up. */
export class OpenHost {
  private readonly worker = new Worker(new URL('./graft.worker.ts', import.meta.url), { type: 'module' });
  private readonly remote: Remote<GraftWorker> = wrap<GraftWorker>(this.worker);

  /** @param onProgress told the share read, 0..1 @returns one sentence when the file can be no host */
  open(
    name: string,
    bytes: Uint8Array,
    { order, asides }: HostWishes,
    onProgress: (share: number) => void = () => {},
  ): Promise<ShownHost | string> {
    const copy = bytes.slice();
    return this.remote.open(name, transfer(copy, [copy.buffer]), { order, asides }, proxy(onProgress)) as Promise<
      ShownHost | string
    >;
  }

  write(brand: Brand, graft: Graft): Promise<WrittenHost> {
    return this.remote.write(brand, graft) as Promise<WrittenHost>;
  }

  propose(brand: Brand, theme: string): Promise<Proposed> {
    return this.remote.propose(brand, theme) as Promise<Proposed>;
  }

  rebind(name: string, bytes: Uint8Array, graft: Graft): Promise<Rebinding | string> {
    return this.remote.rebind(name, bytes, graft) as Promise<Rebinding | string>;
  }

  close(): void {
    this.worker.terminate();
  }
}
