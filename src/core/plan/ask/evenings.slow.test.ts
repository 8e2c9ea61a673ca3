/** Evenings and hours of real plans. */
import { describe, expect, it } from 'vitest';
import { Planner } from '../../../../tests/helpers/planner.ts';
import { basePlans } from '../../../demo/bases.ts';
import { installPlans } from '../../../demo/installs.ts';
import { shoulderCurls, sweptCoils } from '../../../demo/plans.ts';
import { planInputs } from '../../../model/to-inputs.ts';
import { type EveningsWish, eveningsOf, tasksOf } from './evenings.ts';
import { hoursBy } from './hours.ts';

const COARSE = 24;
const planner = new Planner();
const wish: EveningsWish = {
  first: '2026-12-04',
  startsAt: 19 * 60,
  minutes: 90,
  days: ['friday', 'saturday', 'sunday'],
  breakEvery: 60,
  breakFor: 10,
};
const plans = [shoulderCurls, sweptCoils, basePlans[0], installPlans[0], installPlans[4], installPlans[9]];

describe.each(plans.map((p) => [p.name, p] as const))('%s', (_, plan) => {
  const result = planner.plan(planInputs(plan, COARSE));

  it('over evenings takes the hours that it tells', () => {
    const laid = eveningsOf(result, wish);
    expect(laid.workMinutes).toBeCloseTo(result.time.totalMinutes, 6);
    expect(laid.doneOn).toBe(laid.evenings.at(-1)?.day);
    const [low, high] = laid.countRange;
    expect(low).toBeLessThanOrEqual(laid.evenings.length);
    expect(high).toBeGreaterThanOrEqual(laid.evenings.length);
    expect(laid.doneRange[0] <= laid.doneOn && laid.doneOn <= laid.doneRange[1]).toBe(true);
    for (const e of laid.evenings) expect(['2026-12-04', '2026-12-05', '2026-12-06']).toContain(earlier(e.day));
  });

  it('no row is broken off between two evenings', () => {
    const rows = result.worklist.flatMap((s) => (s.knots ? [s] : []));
    for (const step of rows) {
      const parts = tasksOf(result).filter((t) => t.what === step.what);
      const inStep = result.rows.filter(
        (r) => r.knotCount > 0 && r.firstKnot >= step.knots![0] && r.firstKnot + r.knotCount <= step.knots![1],
      );
      expect(parts.length).toBeLessThanOrEqual(
        Math.max(1, rows.filter((r) => r.what === step.what).length * inStep.length),
      );
    }
  });

  it('a day that can’t be kept says what would keep it', () => {
    const { finishBy } = eveningsOf(result, { ...wish, finishBy: '2026-12-04' });
    if (!finishBy) throw new Error('A day was asked for.');
    expect(finishBy.evenings).toBe(1);
    for (const [reach, factor] of [
      [finishBy.likely, 1],
      [finishBy.slow, result.time.range[1] / result.time.totalMinutes],
    ] as const) {
      if (reach.minutes === undefined) continue;
      // With evenings so long it is kept.
      const longer = eveningsOf(result, { ...wish, minutes: reach.minutes });
      if (factor === 1) expect(longer.evenings).toHaveLength(1);
      else expect(longer.countRange[1]).toBe(1);
    }
    const begun = eveningsOf(result, { ...wish, first: finishBy.likely.beginBy });
    expect(begun.doneOn <= '2026-12-04').toBe(true);
  });

  it('hours by step, by kind and by zone add up to what is told', () => {
    const by = hoursBy(result);
    const sum = (of: readonly { readonly minutes: number }[]) => of.reduce((s, l) => s + l.minutes, 0);
    expect(sum(by.steps)).toBe(result.time.totalMinutes);
    expect(sum(by.kinds)).toBe(Math.round(result.time.knotMinutes));
    expect(sum(by.zones)).toBe(Math.round(result.time.knotMinutes));
    for (const { minutes, range } of by.steps) expect(range[0] < minutes && minutes < range[1]).toBe(true);
  });
});

/** The same weekday of the first week. */
function earlier(day: string): string {
  const date = new Date(`${day}T12:00:00Z`);
  while (date > new Date('2026-12-07T00:00:00Z')) date.setUTCDate(date.getUTCDate() - 7);
  return date.toISOString().slice(0, 10);
}
