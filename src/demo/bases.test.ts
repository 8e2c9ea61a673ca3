/** Every kind of base is an example that opens and can be worked out, each as its name says. */

import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { FAMILIES } from '../core/trade/bases.ts';
import { readPlan } from '../model/read-plan.ts';
import { planInputs } from '../model/to-inputs.ts';
import { basePlans } from './bases.ts';

const pipeline = new Planner();

describe('example bases', () => {
  it('cover every family, all three grids and a strip left out', () => {
    expect(new Set(basePlans.map((p) => p.base.family))).toEqual(new Set(FAMILIES));
    expect(new Set(basePlans.filter((p) => p.base.family === 'grid').map((p) => p.base.boxes)).size).toBe(3);
    expect(basePlans.some((p) => p.base.leftOut.where !== 'none')).toBe(true);
  });

  it.each(basePlans.map((p) => [p.name, p] as const))('%s', (_, plan) => {
    expect(readPlan(structuredClone(plan)).ok).toBe(true);
    const result = pipeline.plan(planInputs(plan, 24));
    const tied = result.base.sections.filter((s) => s.role === 'base');
    expect(tied.length).toBeGreaterThan(0);
    expect(result.knots.length).toBeGreaterThan(30);
    expect(result.base.lostEdits).toEqual([]);
    expect(result.base.minutes > 0).toBe(plan.base.family !== 'found');
    // An example is no bad one: nothing in its base stops her.
    expect(result.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    const codes = result.findings.map((f) => f.code);
    for (const code of ['base.tooShort', 'base.cantReach', 'base.boxTooSmall']) expect(codes).not.toContain(code);
  });
});
