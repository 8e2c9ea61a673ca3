/**
 * Calls to a worker: every job ends as done, failed, stale or crashed. A newer call of the same job makes the
 * waiting one stale and takes its place, so that a dragged slider never queues up old work.
 */
import { type Remote, wrap } from 'comlink';
import type { JobResult, Jobs } from './jobs.ts';

export type Outcome<T> =
  | JobResult<T>
  | { readonly state: 'stale' }
  | { readonly state: 'crashed'; readonly message: string };

export type JobName = keyof Jobs;
export type Input<N extends JobName> = Parameters<Jobs[N]>[0];
export type Output<N extends JobName> = Awaited<ReturnType<Jobs[N]>> extends JobResult<infer T> ? T : never;

interface Waiting {
  readonly run: () => Promise<void>;
  readonly drop: () => void;
}

export interface WorkerLike extends EventTarget {
  postMessage(message: unknown, transfer?: Transferable[]): void;
  terminate?(): void;
}

export class CoreClient {
  private remote: Remote<Jobs>;
  private worker: WorkerLike;
  private running: Promise<void> | undefined;
  private readonly waiting = new Map<JobName, Waiting>();
  /** Settles what runs, in place of the answer that won't come. */
  private settle: ((outcome: { state: 'stale' } | { state: 'crashed'; message: string }) => void) | undefined;
  private isStopped = false;

  constructor(private readonly start: () => WorkerLike) {
    this.worker = this.boot();
    this.remote = wrap<Jobs>(this.worker as never);
  }

  /** Runs the job once what runs now has ended; only the newest waiting call of each job is kept. */
  call<N extends JobName>(name: N, input: Input<N>): Promise<Outcome<Output<N>>> {
    return new Promise((resolve) => {
      if (this.isStopped) return resolve({ state: 'stale' });
      this.waiting.get(name)?.drop();
      this.waiting.set(name, {
        drop: () => resolve({ state: 'stale' }),
        run: async () => resolve(await this.ask(name, input)),
      });
      void this.next();
    });
  }

  /** Ends the worker; what waits and what runs is stale at once, and so is what is asked afterwards. */
  stop() {
    this.isStopped = true;
    for (const w of this.waiting.values()) w.drop();
    this.waiting.clear();
    this.worker.terminate?.();
    this.settle?.({ state: 'stale' });
  }

  private boot(): WorkerLike {
    const worker = this.start();
    worker.addEventListener('error', (event) => this.crash((event as ErrorEvent).message ?? 'the worker stopped'));
    return worker;
  }

  /** A worker that died is replaced, and whoever waits on it is told. */
  private crash(message: string) {
    this.worker.terminate?.();
    this.worker = this.boot();
    this.remote = wrap<Jobs>(this.worker as never);
    this.settle?.({ state: 'crashed', message });
  }

  private async ask<N extends JobName>(name: N, input: Input<N>): Promise<Outcome<Output<N>>> {
    const unanswered = new Promise<Outcome<Output<N>>>((resolve) => {
      this.settle = resolve;
    });
    const job = this.remote[name] as unknown as (i: Input<N>) => Promise<Outcome<Output<N>>>;
    try {
      return await Promise.race([job(input), unanswered]);
    } catch (error) {
      return { state: 'crashed', message: error instanceof Error ? error.message : String(error) };
    }
  }

  private async next() {
    if (this.running) return;
    const [first] = this.waiting;
    if (!first) return;
    const [name, job] = first;
    this.waiting.delete(name);
    this.running = job.run();
    await this.running;
    this.running = undefined;
    void this.next();
  }
}
