/** Questions from a plan, each at a knot of her own head: which way the hook goes, what it goes through, how the piece is held. */
import type { PlannedKnot } from '../knots/index.ts';
import { ENTRY_WORDS, type Entry, knotName, THROUGH_WORDS, type Through } from '../trade/index.ts';

export type Asks = 'way' | 'through' | 'held';

export interface Question {
  /** The same for the same situation, at whatever knot it is asked. */
  readonly id: string;
  readonly asks: Asks;
  readonly knotId: string;
  readonly options: ReadonlyArray<{ readonly value: string; readonly name: string }>;
  readonly right: string;
  /** Why it is so, as the plan says. */
  readonly because: string;
}

const MOST_OPTIONS = 4;

/** @param turn which of the knots in one situation is asked at: another one each time */
export function questionsOf(knots: readonly PlannedKnot[], turn = 0): Question[] {
  return [
    ...byValue(
      knots,
      turn,
      'way',
      (k) => k.entry,
      (v) => ENTRY_WORDS[v as Entry],
      Object.keys(ENTRY_WORDS),
    ),
    ...byValue(
      knots,
      turn,
      'through',
      (k) => k.through,
      (v) => THROUGH_WORDS[v as Through],
      Object.keys(THROUGH_WORDS),
    ),
    ...byValue(knots, turn, 'held', knotName, (v) => v, []),
  ];
}

/** One question for each value that the plan has, where there is more than one answer. */
function byValue(
  knots: readonly PlannedKnot[],
  turn: number,
  asks: Asks,
  keyOf: (knot: PlannedKnot) => string,
  nameOf: (value: string) => string,
  all: readonly string[],
): Question[] {
  const groups = new Map<string, PlannedKnot[]>();
  for (const k of knots) groups.set(keyOf(k), [...(groups.get(keyOf(k)) ?? []), k]);
  const there = [...groups.keys()];
  // Answers that her own plan has come first: they are the ones that are mixed up.
  const pool = [...there, ...all.filter((v) => !there.includes(v))].slice(0, Math.max(MOST_OPTIONS, there.length));
  if (pool.length < 2) return [];
  return [...groups].map(([right, at]) => {
    const knot = at[turn % at.length];
    const others = pool.filter((v) => v !== right).slice(0, MOST_OPTIONS - 1);
    const options = [right, ...others].sort();
    return {
      id: `${asks} ${right}`,
      asks,
      knotId: knot.id,
      options: options.map((value) => ({ value, name: nameOf(value) })),
      right,
      because: becauseOf(knot, asks),
    };
  });
}

/** Why is told rule by rule: how it is held second, what it goes through third, its way last. */
function becauseOf({ chain }: PlannedKnot, asks: Asks): string {
  const step = asks === 'held' ? chain[1] : asks === 'through' ? chain[2] : chain[chain.length - 1];
  return step?.because ?? '';
}
