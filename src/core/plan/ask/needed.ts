/** What an install takes besides hair: things that are used up, and tools that stay. Each route has its own list. */
import type { Plan } from '../result.ts';

export interface Needed {
  readonly name: string;
  readonly count: number;
  readonly unit: string;
  readonly because: string;
  /** Used up, or kept for next time. */
  readonly usedUp: boolean;
}

/** Names under which the base lists what the steps call by another. */
const SAME: Readonly<Record<string, string>> = {
  mirror: 'hand mirror',
  'two mirrors': 'hand mirror',
  clips: 'section clips',
  hook: 'latch hook',
  fingers: '',
  'a little oil': 'scalp oil',
  scissors: 'blunt scissors',
  'scissors with blunt tips': 'blunt scissors',
  comb: 'wide comb',
  'bent pins': 'bent hair pins',
};

const USED_UP = new Set(['small rubber bands', 'bent hair pins', 'wax for tips', 'scalp oil', 'serum']);
const isUsedUp = (name: string) => USED_UP.has(name) || /thread/.test(name);

export interface Missing extends Needed {
  readonly have: number;
  readonly inBag: number;
  /** Bags to buy, and what they cost. */
  readonly bags: number;
  readonly price: number;
}

/** A thing as she keeps it: how many, and how they are sold. */
export interface Kept {
  readonly name: string;
  readonly count: number;
  readonly inBag: number;
  readonly bagPrice: number;
}

/** @param cap what the cap is called, undefined without one */
export function neededBeside(plan: Pick<Plan, 'base' | 'worklist'>, cap: string | undefined): Needed[] {
  const list = new Map<string, Needed>();
  const add = (n: Needed) => {
    const before = list.get(n.name);
    list.set(n.name, before ? { ...before, count: Math.max(before.count, n.count) } : n);
  };
  if (cap !== undefined) add({ name: cap, count: 1, unit: '', because: 'what is hooked into', usedUp: false });
  for (const c of plan.base.consumables) add({ ...c, usedUp: isUsedUp(c.name) });
  add({ name: 'latch hook', count: 1, unit: '', because: 'every knot', usedUp: false });
  add({ name: 'blunt scissors', count: 1, unit: '', because: 'to trim, and to take out', usedUp: false });
  for (const step of plan.worklist)
    for (const tool of step.tools) {
      const name = SAME[tool] ?? tool;
      if (name !== '') add({ name, count: 1, unit: '', because: step.what, usedUp: isUsedUp(name) });
    }
  return [...list.values()];
}

/** "28 small rubber bands", "1 bottle scalp oil", "latch hook". */
export const neededWords = ({ count, unit, name }: Pick<Needed, 'count' | 'unit' | 'name'>): string =>
  count > 1 || unit ? [count, unit, name].filter(Boolean).join(' ') : name;

/** What of it she has to buy. Without a price it costs what she has not said yet: nothing is made up. */
export function missingOf(needed: readonly Needed[], kept: readonly Kept[]): Missing[] {
  return needed.map((n) => {
    const has = kept.find((k) => k.name === n.name);
    const have = Math.max(0, has?.count ?? 0);
    const inBag = Math.max(1, has?.inBag ?? 1);
    const bags = Math.max(0, Math.ceil((n.count - have) / inBag - 1e-9));
    return { ...n, have, inBag, bags, price: bags * (has?.bagPrice ?? 0) };
  });
}
