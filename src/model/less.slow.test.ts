/** Ways to do with fewer packs: every step is a plan that can be kept, saves more than the one before, and what is told is so. */
import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { leastThatDoes, lessFigures } from '../core/search/less.ts';
import { basePlans } from '../demo/bases.ts';
import { installPlans } from '../demo/installs.ts';
import { deepPartStraight, shoulderCurls, sweptCoils } from '../demo/plans.ts';
import { routePlans } from '../demo/routes.ts';
import { type LessWay, lessWays } from './less.ts';
import type { PlanDocument } from './plan.ts';
import { refusalOf } from './read-plan.ts';
import { planInputs } from './to-inputs.ts';

const COARSE = 24;
const planner = new Planner();
const inputs = (plan: PlanDocument) => planInputs(plan, COARSE);
const worn = (plan: PlanDocument) => [{ product: { ...plan.products[0], condition: 'worn' as const }, loose: 30 }];
const waysOf = (plan: PlanDocument): LessWay[] =>
  lessWays(plan, planner.plan(inputs(plan)).spacing.fingers, worn(plan));
const second = routePlans.find((p) => p.rows.secondPass !== 'none');
const plans = [shoulderCurls, sweptCoils, deepPartStraight, basePlans[0], installPlans[2], ...(second ? [second] : [])];

describe.each(plans.map((p) => [p.name, p] as const))('%s', (_, plan) => {
  const ways = waysOf(plan);

  it('every step is a plan that can be kept, and another one than it is', () => {
    expect(ways.length).toBeGreaterThan(3);
    expect(new Set(ways.map((w) => w.key)).size).toBe(ways.length);
    for (const way of ways)
      for (const step of way.steps) {
        expect(refusalOf(step.plan), `${way.key}: ${step.words}`).toBeUndefined();
        expect(step.plan).not.toEqual(plan);
        expect(step.words.length).toBeGreaterThan(8);
      }
  });

  it('what is told to suffice does, on the same head, and the step before does not', () => {
    const now = lessFigures(inputs(plan));
    for (const way of ways.filter((w) => w.steps.length > 1)) {
      const steps = way.steps.map((s) => inputs(s.plan));
      const packs = now.packs - 1;
      const found = leastThatDoes({ steps, packs });
      if (!found?.does) continue;
      expect(found.figures, way.key).toEqual(lessFigures(steps[found.step]));
      expect(found.figures.packs).toBeLessThanOrEqual(packs);
      if (found.step > 0) expect(lessFigures(steps[found.step - 1]).packs, way.key).toBeGreaterThan(packs);
    }
  });
});

/** Packs that knots take, fractions and all: whole ones hide what is saved. */
function hairOf(plan: PlanDocument): number {
  const { supply } = planner.plan(inputs(plan));
  return supply.lines.reduce((sum, l) => sum + l.pieces / l.piecesPerPack, 0);
}
const step = (plan: PlanDocument, key: string, n = 0) => {
  const way = waysOf(plan).find((w) => w.key === key);
  if (!way) throw new Error(`There is no way ${key}.`);
  return way.steps[n].plan;
};

it('only what can be opened is: straight hair is not', () => {
  expect(waysOf(deepPartStraight).map((w) => w.key)).not.toContain('opened');
  expect(waysOf(shoulderCurls).map((w) => w.key)).toContain('opened');
});

describe('facts of the trade (common practice, no source)', () => {
  it('a finer split saves a fifth at least', () => {
    for (const plan of [shoulderCurls, sweptCoils])
      expect(hairOf(step(plan, 'finer'))).toBeLessThan(0.8 * hairOf(plan));
  });

  it('cut in half, a piece hangs twice: upper halves half as long, lower ones by their fold a quarter', () => {
    const cut = step(shoulderCurls, 'halves');
    const { pieces, supply } = planner.plan(inputs(cut));
    const whole = planner.plan(inputs(shoulderCurls)).pieces[0];
    const upper = pieces.find((p) => p.cut === cut.pieces.back.cut);
    const lower = pieces.find((p) => p.cut === cut.pieces.nape.cut);
    expect((upper?.lengthMm ?? 0) / whole.lengthMm).toBeCloseTo(0.5, 1);
    expect((lower?.lengthMm ?? 0) / whole.lengthMm).toBeCloseTo(0.25, 1);
    // A raw piece gives both.
    expect((upper?.perPack ?? 0) + (lower?.perPack ?? 0)).toBe(2 * whole.perPack);
    expect(supply.packs).toBeLessThanOrEqual(planner.plan(inputs(shoulderCurls)).supply.packs);
  });

  it('behind there may be next to nothing where long hair hangs over it: little of the cover is lost', () => {
    const now = lessFigures(inputs(shoulderCurls));
    const then = lessFigures(inputs(step(shoulderCurls, 'bareBehind')));
    expect(then.packs).toBeLessThan(now.packs);
    expect(now.hidden - then.hidden).toBeLessThan(0.08);
  });

  it('worn pieces at the nape leave as many new ones for the rest', () => {
    const used = step(shoulderCurls, 'worn');
    const { supply } = planner.plan(inputs(used));
    const bought = supply.lines.filter((l) => !/worn/.test(l.name)).reduce((sum, l) => sum + l.pieces, 0);
    expect(bought).toBeLessThan(planner.plan(inputs(shoulderCurls)).supply.pieces);
  });
});

it('under a fringe another cut does', () => {
  const fringe = routePlans.find((p) => p.rows.fringe.how !== 'none');
  if (!fringe) throw new Error('A route has a fringe.');
  expect(waysOf(fringe).map((w) => w.key)).toContain('underFringe');
  expect(hairOf(step(fringe, 'underFringe'))).toBeLessThan(hairOf(fringe));
  expect(waysOf(shoulderCurls).map((w) => w.key)).not.toContain('underFringe');
});
