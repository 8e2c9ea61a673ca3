/** A scan taken into a plan: for its shape or its measures, taken off again, and kept from friends. */
import { describe, expect, it } from 'vitest';
import type { HeldAgainst } from '../core/scan/index.ts';
import { TAPE_MEASURES } from '../core/trade/index.ts';
import { shoulderCurls } from '../demo/plans.ts';
import { asSheIs, herselfOf, withoutHerself } from './herself.ts';
import { asKnownHead } from './made-for.ts';
import { readPlan } from './read-plan.ts';
import { followScan, takeShape, withoutShape } from './scan-commands.ts';
import { planInputs } from './to-inputs.ts';

const RELIEF = '84'.repeat(861);
const held = (believed: HeldAgainst['believed'], tapeMm?: number): HeldAgainst[] =>
  TAPE_MEASURES.map((measure) => ({ measure, scanMm: 300, tapeMm, believed }));

describe('a scan', () => {
  it('taken for its shape leaves a tape that holds, and fills in what was not measured', () => {
    const { plan } = takeShape(shoulderCurls, '  phone ', RELIEF, held('tape', 1));
    expect(plan.tape).toEqual(shoulderCurls.tape);
    expect(plan.scan).toEqual({ name: 'phone', relief: RELIEF });
    expect(readPlan(structuredClone(plan)).ok).toBe(true);
    const blank = takeShape(shoulderCurls, '', RELIEF, held('scan'));
    expect(blank.plan.scan?.name).toBe('scan');
    expect(blank.plan.tape.girth).toEqual(['30.0 cm']);
    expect(planInputs(plan, 12).relief?.ratios[0]).toBeCloseTo(1 + 4 * 0.0015, 9);
  });

  it('taken for its measures is no shape', () => {
    const { plan } = followScan(takeShape(shoulderCurls, 'a', RELIEF, held('tape', 1)).plan, held('tape', 1));
    expect(plan).not.toHaveProperty('scan');
    for (const m of TAPE_MEASURES) expect(plan.tape[m]).toEqual(['30.0 cm']);
    expect(planInputs(plan, 12).relief).toBeUndefined();
  });

  it('of a head that was known by its size alone makes it one that is measured', () => {
    const bySize = { ...shoulderCurls, madeFor: { ...shoulderCurls.madeFor, whom: 'head', sizedBy: 'size' } } as const;
    for (const { plan } of [takeShape(bySize, 'a', RELIEF, held('scan')), followScan(bySize, held('scan'))]) {
      expect(plan.madeFor.sizedBy).toBe('tape');
      expect(planInputs(plan, 12).tape.frontToNape).toBe(300);
    }
    expect(planInputs(takeShape(bySize, 'a', RELIEF, held('scan')).plan, 12).relief).toBeDefined();
  });

  it('comes off, and what is left is what was', () => {
    const { plan } = takeShape(shoulderCurls, 'a', RELIEF, held('tape', 1));
    expect(withoutShape(plan).plan).toEqual(shoulderCurls);
  });

  it('is hers: it goes with her to another plan, and to no friend', () => {
    const { plan } = takeShape(shoulderCurls, 'a', RELIEF, held('tape', 1));
    expect(asSheIs(shoulderCurls, herselfOf(plan)).scan).toEqual(plan.scan);
    expect(asSheIs(plan, herselfOf(shoulderCurls))).not.toHaveProperty('scan');
    expect(withoutHerself(plan)).not.toHaveProperty('scan');
    expect(asKnownHead(shoulderCurls, plan).plan.scan).toEqual(plan.scan);
  });
});
