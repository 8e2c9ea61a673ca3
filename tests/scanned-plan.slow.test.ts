/** Every stage on the surface of a scan: rows, knots, cap, fall and paper lie on it, on either side of the part, in the size of the tape. */
import { describe, expect, it } from 'vitest';
import { AS_FITTED, gauge, headShape, reliefOf, reliefText } from '../src/core/head/index.ts';
import { paperTemplate } from '../src/core/plan/ask/paper-template.ts';
import { capOutside, headScene } from '../src/core/plan/ask/scene.ts';
import { cleaned, headIn, poseIn, proposedMarks, reliefFrom, scanTape } from '../src/core/scan/index.ts';
import { installPlans } from '../src/demo/installs.ts';
import { deepPartStraight, shoulderCurls, sweptCoils } from '../src/demo/plans.ts';
import { routePlans } from '../src/demo/routes.ts';
import { demoScan } from '../src/demo/scan.ts';
import type { PlanDocument } from '../src/model/plan.ts';
import { headInputs, planInputs } from '../src/model/to-inputs.ts';
import { Planner } from './helpers/planner.ts';

const { mesh } = cleaned(demoScan({ hairMm: 4 }));
const { seat, ...radii } = headIn(mesh, poseIn(mesh));
const tape = scanTape(radii.mm, proposedMarks(seat));
const relief = reliefText(reliefFrom(radii.mm, tape, AS_FITTED));
const scanned = (plan: PlanDocument): PlanDocument => ({ ...plan, scan: { name: 'phone', relief } });
const onHerRight = {
  ...shoulderCurls,
  id: 'right',
  part: { ...shoulderCurls.part, frontMm: -32, endMm: -20 } as PlanDocument['part'],
};

describe('a plan on a scan', () => {
  const planner = new Planner();
  it.each(
    [shoulderCurls, onHerRight, sweptCoils, deepPartStraight, routePlans[0], installPlans[2]].map(
      (plan) => [plan.name, plan] as const,
    ),
  )('%s', (_, plan) => {
    const inputs = planInputs(scanned(plan), 24);
    const result = planner.plan(inputs);
    const plain = new Planner().plan(planInputs(plan, 24));
    const shape = headShape(result.head.fit.scores, { relief: reliefOf(relief) });
    for (const k of result.knots) expect(Math.abs(gauge(shape, k.xMm, k.yMm, k.zMm)) * 95, k.id).toBeLessThan(1.5);
    // Another shape in the same size: no other style.
    expect(result.knots.length / plain.knots.length).toBeGreaterThan(0.85);
    expect(result.knots.length / plain.knots.length).toBeLessThan(1.18);
    expect(Math.abs(result.head.areaMm2 / plain.head.areaMm2 - 1)).toBeLessThan(0.08);
    expect(result.rowScheme.cannotLay).toBeUndefined();
    const paper = paperTemplate(planner.graph, { inputs, cut: 'sixGores' });
    expect(paper.knots).toHaveLength(result.knots.length);
  });

  it('is drawn as it is: the cap lies over its surface, the bust under it', () => {
    const inputs = headInputs(scanned(shoulderCurls), 16);
    const shape = headShape(new Planner().plan(planInputs(scanned(shoulderCurls), 16)).head.fit.scores, {
      relief: reliefOf(relief),
    });
    const { positions } = capOutside(inputs);
    for (let i = 0; i < positions.length; i += 3) {
      const off = gauge(shape, positions[i], positions[i + 1], positions[i + 2]) * 95;
      expect(off).toBeGreaterThan(0.3);
      expect(off).toBeLessThan(2.2);
    }
    expect(headScene(inputs).bust.triangles.length).toBeGreaterThan(1000);
  });
});
