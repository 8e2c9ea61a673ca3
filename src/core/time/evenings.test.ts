/** Work over evenings: nothing lost, nothing out of order, nobody later than she said. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Evening, eveningFor, overEvenings, spanOf, type Task } from './evenings.ts';

const HABIT = { minutes: 120, breakEvery: 60, breakFor: 10 };
const task = (what: string, minutes: number, waitMinutes = 0): Task => ({ what, minutes, waitMinutes });
const tasksOf = fc.array(
  fc.record({
    what: fc.constantFrom('row', 'cap', 'open', 'trim'),
    minutes: fc.integer({ min: 1, max: 90 }),
    waitMinutes: fc.constantFrom(0, 0, 0, 20),
  }),
  { minLength: 1, maxLength: 40 },
);
const habits = fc.record({
  minutes: fc.integer({ min: 30, max: 400 }),
  breakEvery: fc.integer({ min: 20, max: 120 }),
  breakFor: fc.integer({ min: 0, max: 25 }),
});
const worked = (evenings: readonly Evening[]) => evenings.reduce((sum, e) => sum + e.workMinutes, 0);

describe('an evening', () => {
  it('holds what fits, with a break after an hour, and none after the last stroke', () => {
    const [first, second] = overEvenings([task('a', 50), task('b', 60), task('c', 30)], HABIT);
    expect(first).toEqual({
      does: [
        { what: 'a', minutes: 50 },
        { what: 'b', minutes: 60 },
      ],
      workMinutes: 110,
      breakMinutes: 10,
      waitMinutes: 0,
    });
    expect(spanOf(first)).toBe(120);
    expect(second).toMatchObject({ workMinutes: 30, breakMinutes: 0 });
    expect(overEvenings([task('a', 60)], HABIT)[0].breakMinutes).toBe(0);
  });

  it('lets hair set beside it, or overnight where there is no time left', () => {
    const beside = overEvenings([task('set', 30, 45), task('comb', 20)], HABIT);
    expect(beside).toHaveLength(1);
    expect(beside[0].waitMinutes).toBe(45);
    const overnight = overEvenings([task('set', 90, 45), task('comb', 5)], HABIT);
    expect(overnight.map((e) => [e.workMinutes, e.waitMinutes])).toEqual([
      [90, 0],
      [5, 0],
    ]);
  });

  it('takes what is longer than itself over several, and starts nothing that it can’t end', () => {
    const three = overEvenings([task('open', 250)], HABIT);
    expect(three.map((e) => e.workMinutes)).toEqual([110, 110, 30]);
    const put = overEvenings([task('a', 100), task('cap', 40)], HABIT);
    expect(put.map((e) => e.does[0].what)).toEqual(['a', 'cap']);
  });

  it('without time is refused', () => {
    expect(() => overEvenings([task('a', 1)], { ...HABIT, minutes: 0 })).toThrow(RangeError);
  });
});

describe('of any work', () => {
  it('all is done, in its order, within the evening', () => {
    fc.assert(
      fc.property(tasksOf, habits, (tasks, habit) => {
        const evenings = overEvenings(tasks, habit);
        expect(worked(evenings)).toBeCloseTo(
          tasks.reduce((sum, t) => sum + t.minutes, 0),
          6,
        );
        const runs = (list: readonly { readonly what: string }[]) =>
          list.map((t) => t.what).filter((w, i, all) => w !== all[i - 1]);
        expect(runs(evenings.flatMap((e) => e.does))).toEqual(runs(tasks));
        for (const e of evenings) expect(spanOf(e)).toBeLessThanOrEqual(habit.minutes + 1);
      }),
      { endOnFailure: true },
    );
  });

  it('no more than a break apart from the least that there could be: whole evenings of work', () => {
    fc.assert(
      fc.property(tasksOf, habits, (tasks, habit) => {
        const least = worked(overEvenings(tasks, habit)) / habit.minutes;
        expect(overEvenings(tasks, habit).length).toBeGreaterThanOrEqual(Math.ceil(least - 0.02));
      }),
      { endOnFailure: true },
    );
  });

  it('the shortest evening that does it does it, and five minutes less does not', () => {
    fc.assert(
      fc.property(tasksOf, fc.integer({ min: 1, max: 6 }), (tasks, evenings) => {
        const minutes = eveningFor(tasks, evenings, HABIT);
        const count = (m: number) => overEvenings(tasks, { ...HABIT, minutes: m }).length;
        if (minutes === undefined) expect(count(720)).toBeGreaterThan(evenings);
        else {
          expect(count(minutes)).toBeLessThanOrEqual(evenings);
          if (minutes > 5) expect(count(minutes - 5)).toBeGreaterThan(evenings);
        }
      }),
      { endOnFailure: true },
    );
  });
});
