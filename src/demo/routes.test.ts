/** Every route and row scheme is an example that opens and can be worked out, each as its name says. */

import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { SCHEMES } from '../core/trade/rows.ts';
import { readPlan } from '../model/read-plan.ts';
import { planInputs, schemeOf } from '../model/to-inputs.ts';
import { basePlans } from './bases.ts';
import { routePlans } from './routes.ts';

const pipeline = new Planner();
const planned = (id: string) => {
  const plan = routePlans.find((p) => p.id === `route-${id}`)!;
  return pipeline.plan(planInputs(plan, 24));
};

describe('example routes', () => {
  it('cover every row scheme, every opening that is cut, a block, a wig, a fringe and a second pass', () => {
    expect(new Set([...basePlans, ...routePlans].map(schemeOf))).toEqual(new Set(SCHEMES));
    expect(new Set(routePlans.map((p) => p.cap.opening))).toEqual(new Set(['none', 'cut', 'stitchedU']));
    expect(routePlans.some((p) => p.cap.wig && p.cap.filledOn === 'block')).toBe(true);
  });

  it.each(routePlans.map((p) => [p.name, p] as const))('%s', (_, plan) => {
    expect(readPlan(structuredClone(plan)).ok).toBe(true);
    const result = pipeline.plan(planInputs(plan, 24));
    expect(result.knots.length).toBeGreaterThan(60);
    expect(result.rowScheme.lostChanges).toEqual([]);
    expect(result.findings.filter((f) => f.severity === 'stop')).toEqual([]);
    expect(new Set(result.knots.map((k) => k.id)).size).toBe(result.knots.length);
    expect(result.worklist.length).toBeGreaterThan(5);
  });

  it('a wig has no anchors but blending pieces, and quarters beside the part', () => {
    const r = planned('wig-on-a-block');
    expect(r.knots.some((k) => k.kind === 'anchor')).toBe(false);
    expect(r.knots.filter((k) => k.blending).length).toBeGreaterThan(0);
    expect(r.knots.filter((k) => k.pieceZone === 'part').every((k) => k.cut === 'cut-2')).toBe(true);
    // Worn as a wig the net carries nearly all; what blends or lies in the cut-out hangs on own hair alone.
    const bare = r.knots.filter((k) => k.through === 'hair').reduce((sum, k) => sum + k.massG, 0);
    const onHair = r.load.sections.reduce((sum, s) => sum + s.onHairG[1], 0);
    expect(onHair).toBeCloseTo(bare + 0.15 * (r.load.massG - bare), 6);
  });

  it('a cut part has knots in own hair alone; a long U has a surplus', () => {
    expect(planned('cut-part').knots.filter((k) => k.onNet === 'cutOut').length).toBeGreaterThan(3);
    expect(planned('stitched-u').cap.opening.surplusMm).toBeGreaterThan(20);
  });

  it('loose hair is folded by hand; layers mix two lengths', () => {
    expect(planned('loose-bulk').knots.some((k) => k.kind === 'fold')).toBe(true);
    expect(new Set(planned('layers').knots.map((k) => k.cut)).size).toBe(2);
  });
});
