/**
 * Stages of computing and what is kept of them. A stage is a pure function of what its `deps` hand out, and what they
 * hand out is also the key under which its result is kept: a key can't be incomplete, since the function sees nothing
 * else. Results of other stages compare by identity, values of the inputs deeply. The newest few results are kept, so
 * that a slider that moves back and forth finds both of its ends, and nothing is kept for ever.
 *
 * Cost of asking: one look at the deps of every stage below, some 50 comparisons for a whole plan.
 */
import { dequal } from 'dequal';

/** What a stage's deps may take from: what is asked for, and the results of other stages. */
export type From<A> = A & { of<T>(stage: Stage<A, T>): T };

export interface Stage<A, T> {
  readonly name: string;
  /** How many results are kept. */
  readonly keep: number;
  deps(from: From<A>): Deps;
  compute(deps: Deps): T;
}

type Deps = Readonly<Record<string, unknown>>;

const KEPT = 3;

/** Makes stages of what is asked for. */
export function stagesOf<A>() {
  return <D extends object, T>(
    name: string,
    deps: (from: From<A>) => D,
    compute: (deps: D) => T,
    keep = KEPT,
  ): Stage<A, T> => ({
    name,
    keep,
    deps: deps as unknown as (from: From<A>) => Deps,
    compute: compute as unknown as (deps: Deps) => T,
  });
}

interface KeptResult {
  readonly deps: Deps;
  readonly value: unknown;
}

export class Graph<A extends object> {
  private readonly kept = new Map<object, KeptResult[]>();
  private readonly results = new WeakSet<object>();
  /** How often each stage was worked out anew, by name. */
  readonly runs = new Map<string, number>();

  /** @param keep how many results of a stage are kept where it is not as many as the stage says, by name. */
  constructor(private readonly keep: Readonly<Record<string, number>> = {}) {}

  /** What is asked for, with every result that hangs on it. */
  ask(asked: A): From<A> {
    const now = new Map<object, unknown>();
    const from: From<A> = {
      ...asked,
      of: <T>(stage: Stage<A, T>): T => {
        if (now.has(stage)) return now.get(stage) as T;
        const value = this.result(stage, stage.deps(from));
        now.set(stage, value);
        return value;
      },
    };
    return from;
  }

  private result<T>(stage: Stage<A, T>, deps: Deps): T {
    const kept = this.kept.get(stage) ?? [];
    this.kept.set(stage, kept);
    const at = kept.findIndex((k) => this.same(k.deps, deps));
    if (at >= 0) {
      const [found] = kept.splice(at, 1);
      kept.unshift(found);
      return found.value as T;
    }
    const value = stage.compute(deps);
    this.runs.set(stage.name, (this.runs.get(stage.name) ?? 0) + 1);
    if (typeof value === 'object' && value !== null) this.results.add(value);
    kept.unshift({ deps, value });
    kept.length = Math.min(kept.length, this.keep[stage.name] ?? stage.keep);
    return value;
  }

  private same(a: Deps, b: Deps): boolean {
    const names = Object.keys(b);
    if (Object.keys(a).length !== names.length) return false;
    for (const name of names) {
      const x = a[name];
      const y = b[name];
      if (Object.is(x, y)) continue;
      const isResult = this.results.has(x as object) || this.results.has(y as object);
      if (isResult || !dequal(x, y)) return false;
    }
    return true;
  }
}
