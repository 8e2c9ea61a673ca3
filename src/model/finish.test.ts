import { describe, expect, it } from 'vitest';
import { NO_BORDER_ROW } from '../core/trade/index.ts';
import { newPlan } from './defaults.ts';
import { setEnough, setFinish, setGuess } from './finish.ts';
import versionThree from './fixtures/plan-3.json' with { type: 'json' };
import { setUnit } from './measure-commands.ts';
import type { PlanDocument } from './plan.ts';
import { readPlan } from './read-plan.ts';
import { planInputs } from './to-inputs.ts';

const plain = newPlan('p', 'Plain');
const why = (plan: PlanDocument) => {
  const read = readPlan(JSON.parse(JSON.stringify(plan)));
  return read.ok ? '' : read.why;
};

describe('the finish of a plan', () => {
  it('fullness, outline and reach are deeds with words, and go into the core in mm', () => {
    const full = setFinish(plain, { fullness: 'veryFull' });
    expect(full.words).toBe('Fullness: very full');
    const cut = setFinish(setFinish(full.plan, { outline: 'level' }).plan, { reach: '6 in' });
    expect(cut.words).toBe('Trimmed to 6 in');
    expect(why(cut.plan)).toBe('');
    const { reachMm, ...finish } = planInputs(cut.plan).finish;
    expect(finish).toEqual({ fullness: 'veryFull', outline: 'level', setMinutes: 0 });
    expect(reachMm).toBeCloseTo(152.4, 9);
    // A bare number keeps its meaning when the unit changes.
    const bare = setFinish(plain, { reach: '20' }).plan;
    expect(planInputs(setUnit(bare, 'in').plan).finish.reachMm).toBe(200);
  });

  it.each([
    ['200 cm', /should be from 1 to 70 cm/],
    ['long', /isn’t a length/],
    ['', /missing/],
  ])('refuses to trim to “%s” with a sentence', (reach, sentence) => {
    expect(why(setFinish(plain, { reach }).plan)).toMatch(sentence);
  });

  it('what enough is lies from 0 to 1', () => {
    expect(setEnough(plain, 0.9).words).toBe('Cover matters more');
    expect(setEnough(plain, 0.1).words).toBe('Lightness matters more');
    expect(why(setEnough(plain, 0.9).plan)).toBe('');
    expect(why(setEnough(plain, 1.2).plan)).toMatch(/at most 1/);
  });
});

describe('guesses of her own', () => {
  it('stand in for the table’s, and go back to it', () => {
    const mine = setGuess(plain, 'opacity', 0.6).plan;
    expect(planInputs(mine).guesses.opacity).toBe(0.6);
    expect(planInputs(mine).guesses.fanRad).toBe(0.9);
    expect(why(mine)).toBe('');
    expect(setGuess(mine, 'opacity', undefined).plan.guesses).toEqual({});
    expect(why(setGuess(plain, 'opacity', 3).plan)).toMatch(/What a strand hides can be at most 0.95/);
    expect(why({ ...plain, guesses: { width: 3 } as never })).toMatch(/width/);
  });
});

describe('a plan of version 3', () => {
  it('opens with nothing trimmed, rows where they were, and the table’s guesses', () => {
    const read = readPlan(structuredClone(versionThree));
    expect(read.ok ? '' : read.why).toBe('');
    if (!read.ok) return;
    expect(read.value.finish).toEqual({ fullness: 'enough', outline: 'none', reach: '15 cm', setMinutes: 0 });
    expect(read.value.rows).toEqual({
      ...versionThree.rows,
      offset: 0,
      follow: 'base',
      off: [],
      keepLines: false,
      intoBase: [],
      borderRow: NO_BORDER_ROW,
    });
    expect(read.value.guesses).toEqual({});
    expect(read.value.name).toBe(versionThree.name);
  });
});
