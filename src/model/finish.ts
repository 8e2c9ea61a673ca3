/** What she can do to the finish of a style: how full, what outline, what enough is, and what she found a guess to be. */
import { FALL_GUESSES, type FallGuess, FULLNESS_INFO, OUTLINE_INFO } from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export function setFinish(plan: PlanDocument, change: Partial<PlanDocument['finish']>): PlanChange {
  const { fullness, outline, reach, setMinutes } = change;
  const words = fullness
    ? `Fullness: ${FULLNESS_INFO[fullness].name}`
    : outline
      ? `Outline: ${OUTLINE_INFO[outline].name}`
      : setMinutes !== undefined
        ? `Tied down for ${setMinutes} minutes`
        : `Trimmed to ${reach}`;
  return { words, plan: { ...plan, finish: { ...plan.finish, ...change } } };
}

export function setEnough(plan: PlanDocument, enough: number): PlanChange {
  const words = enough > 0.66 ? 'Cover matters more' : enough < 0.34 ? 'Lightness matters more' : 'Cover and lightness';
  return { words, plan: { ...plan, enough } };
}

/** @param value undefined goes back to the table */
export function setGuess(plan: PlanDocument, guess: FallGuess, value: number | undefined): PlanChange {
  const { [guess]: _, ...others } = plan.guesses;
  return {
    words: value === undefined ? `${FALL_GUESSES[guess].name}: the table’s` : `${FALL_GUESSES[guess].name}: your own`,
    plan: { ...plan, guesses: value === undefined ? others : { ...others, [guess]: value } },
  };
}

/** What a photo said of them, all at once; how loosely hair lies it does not say. */
export function setGuesses(plan: PlanDocument, found: Readonly<Record<FallGuess, number>>): PlanChange {
  const { loft: _, ...told } = found;
  return { words: 'Guesses set by a photo', plan: { ...plan, guesses: { ...plan.guesses, ...told } } };
}
