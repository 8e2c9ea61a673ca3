/**
 * Hours against what people say (common practice, no source): a cap of wide coils takes under an hour to hook, one of fine split
 * strands one to two, a head from three quarters of an hour to two. At the pace of who has done it a few times.
 */
import { expect, it } from 'vitest';
import { Planner } from '../../../tests/helpers/planner.ts';
import { deepPartStraight, shoulderCurls, sweptCoils } from '../../demo/plans.ts';
import { splitZones } from '../../model/cap-and-hair.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { planInputs } from '../../model/to-inputs.ts';
import { PIECE_ZONES } from '../trade/index.ts';

const planner = new Planner();
const hooking = (plan: PlanDocument) => planner.plan(planInputs({ ...plan, pace: 'some' }, 24)).time.knotMinutes;

it('wide coils are in within an hour', () => {
  expect(hooking(sweptCoils)).toBeLessThan(60);
});

it('fine split strands take one to two', () => {
  const fine = splitZones(shoulderCurls, PIECE_ZONES, 4, 'Split in four').plan;
  expect(hooking(fine)).toBeGreaterThan(60);
  expect(hooking(fine)).toBeLessThan(120);
});

it('a head takes three quarters of an hour to two', () => {
  for (const plan of [shoulderCurls, deepPartStraight]) {
    expect(hooking(plan), plan.name).toBeGreaterThan(45);
    expect(hooking(plan), plan.name).toBeLessThan(120);
  }
});

it('the part is the slow place (common practice, no source)', () => {
  for (const plan of [shoulderCurls, deepPartStraight]) {
    const { knots } = planner.plan(planInputs({ ...plan, pace: 'firstTime' }, 24));
    const mean = (isPart: boolean) => {
      const seconds = knots.filter((k) => (k.zone === 'part') === isPart).map((k) => k.seconds);
      return seconds.reduce((a, b) => a + b, 0) / seconds.length;
    };
    expect(mean(true) / mean(false), plan.name).toBeGreaterThan(1.3);
  }
});
