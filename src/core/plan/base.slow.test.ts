/** The base in the chain: what is closed to pieces, what is found, and how little a change works out anew. */

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryPart, hairOf, NO_CAP, named, PLAIN_HAIR, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { type BaseChoice, DEFAULT_BASE } from '../base/choice.ts';
import { nearestVertex } from '../geometry/surface-mesh.ts';
import { AS_FITTED, NO_OFFSET } from '../head/hairline.ts';
import type { Mark } from '../head/marks.ts';
import { FAMILY_INFO, type Family } from '../trade/bases.ts';
import type { PlanInputs } from './inputs.ts';

const pipeline = new Planner();
const familyOf = (family: Family, change: Partial<BaseChoice> = {}): BaseChoice => ({
  ...DEFAULT_BASE,
  family,
  ...FAMILY_INFO[family].start,
  ...change,
});
const stroke = (kind: Mark['kind'], azimuth: number, elevation: number, radiusMm = 22): Mark => ({
  kind,
  erase: false,
  place: {
    stroke: {
      points: [
        [azimuth, elevation],
        [azimuth + 18, elevation],
      ],
      radiusMm,
    },
  },
});

describe('places that are closed to pieces', () => {
  const maskAt = (inputs: PlanInputs, kind: 'noGo' | 'inSight') => {
    const head = pipeline.head(inputs);
    const plan = pipeline.plan(inputs);
    const isSight = (v: number) => plan.base.sections[plan.base.sectionOf[v]].role === 'inSight';
    return plan.knots.filter((k) => {
      const v = nearestVertex(head.mesh, k.xMm, k.yMm, k.zMm);
      return kind === 'noGo' ? plan.head.marks.noGo[v] === 1 : isSight(v);
    });
  };

  it('hold no knot, whatever the part, on either side', () => {
    fc.assert(
      fc.property(
        arbitraryPart,
        fc.double({ min: -170, max: 150, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        (part, azimuth, elevation) => {
          const marks = [stroke('noGo', azimuth, elevation), stroke('inSight', -azimuth, elevation + 10)];
          const inputs = plainInputs({ part, marks, meshFrequency: 28 });
          expect(maskAt(inputs, 'noGo').length).toBe(0);
          expect(maskAt(inputs, 'inSight').length).toBe(0);
        },
      ),
      { seed: 331, numRuns: 16 },
    );
  });

  it('take the pieces that would have gone there off the plan, and their cover is not owed', () => {
    const bare = pipeline.plan(plainInputs());
    const spot = pipeline.plan(plainInputs({ marks: [stroke('noGo', 160, 30, 30)] }));
    expect(spot.knots.length).toBeLessThan(bare.knots.length);
    expect(spot.knots.length).toBeGreaterThan(0.85 * bare.knots.length);
    const sight = pipeline.plan(plainInputs({ base: familyOf('halfUp') }));
    expect(sight.knots.length).toBeLessThan(0.75 * bare.knots.length);
    expect(sight.knots.length).toBeGreaterThan(0.2 * bare.knots.length);
  });

  it('a strip left out at the front and a ring round a puff stay free', () => {
    for (const base of [
      familyOf('tied', { leftOut: { where: 'front', fingers: 1, atEnd: 'stay' } }),
      familyOf('puff', { ringFingers: 2 }),
    ]) {
      const inputs = plainInputs({ base });
      expect(maskAt(inputs, 'inSight').length).toBe(0);
    }
  });

  it('a head with nothing left for a piece is told so and not refused', () => {
    const plan = pipeline.plan(
      plainInputs({
        base: familyOf('tied', { leftOut: { where: 'none', fingers: 1, atEnd: 'stay' } }),
        marks: [0, 60, 120, 180, -120, -60].flatMap((a) =>
          [-20, 20, 55, 85].map((e) => stroke('inSight', Math.min(150, a), e, 60)),
        ),
      }),
    );
    expect(plan.knots).toHaveLength(0);
    expect(plan.findings.map((f) => f.code)).toContain('rows.none');
    expect(plan.supply.pieces).toBe(0);
  });

  it('mirroring part, hairline and marks mirrors the plan', () => {
    const hairline = { ...AS_FITTED, left: { ...NO_OFFSET, temple: 14, corner: 6 }, right: NO_OFFSET };
    const part = { kind: 'line', frontMm: 34, endMm: 26, lengthMm: 108, bendMm: 4 } as const;
    const a = pipeline.plan(plainInputs({ part, hairline }));
    const b = pipeline.plan(
      plainInputs({
        part: { ...part, frontMm: -34, endMm: -26, bendMm: -4 },
        hairline: { ...hairline, left: hairline.right, right: hairline.left },
      }),
    );
    expect(b.knots).toHaveLength(a.knots.length);
    const far = (plan: typeof a) => plan.knots.map((k) => Math.abs(k.xMm) + k.yMm + k.zMm).sort((x, y) => x - y);
    far(a).forEach((v, i) => {
      expect(v).toBeCloseTo(far(b)[i], 6);
    });
    // Not the same as with both sides alike.
    expect(pipeline.plan(plainInputs({ part })).head.areaMm2).toBeGreaterThan(a.head.areaMm2);
  });
});

describe('findings of a base', () => {
  const found = (change: Partial<PlanInputs>) => pipeline.plan(plainInputs(change)).findings;
  const own = { ...PLAIN_HAIR, lengthMm: 240 };
  it.each<[string, Partial<PlanInputs>]>([
    ['base.tooShort', { ownHair: { ...own, lengthMm: 70 } }],
    [
      'base.cantReach',
      { ownHair: { ...own, lengthMm: 130 }, base: familyOf('tied', { parking: { all: 'wrapped', bySection: {} } }) },
    ],
    ['base.freshEnds', { ownHair: { ...own, freshEnds: true } }],
    [
      'base.boxTooSmall',
      {
        ownHair: { ...own, lengthMm: 60, fullness: 'thin' },
        base: familyOf('grid', { boxFingers: 0.75, boxes: 'brick' }),
      },
    ],
    ['base.acrossTender', { marks: [stroke('tender', 150, 30)] }],
    ['base.shifts', { base: familyOf('laidFlat') }],
    ['base.shifts', { base: familyOf('tied', { tail: 'smooth' }), cap: NO_CAP }],
    ['base.lump', { ownHair: own, base: familyOf('tied', { parking: { all: 'parcel', bySection: {} } }) }],
    ['base.parcelByPart', { part: { kind: 'line', frontMm: 20, endMm: 24, lengthMm: 120, bendMm: 0 } }],
    ['base.grownOut', { base: familyOf('found', { found: { what: 'rows', ageDays: 60, lines: [] } }) }],
    ['base.lostEdit', { base: familyOf('tied', { edits: [{ id: 'e1', op: 'merge', a: 'b1', b: 'gone' }] }) }],
    [
      'base.overCarried',
      {
        ownHair: { ...own, fullness: 'thin', lengthMm: 100 },
        cap: NO_CAP,
        ...hairOf({ packMassG: 900 }),
      },
    ],
    [
      'cap.overBase',
      {
        ownHair: { ...own, fullness: 'thick' },
        base: familyOf('tied', { parking: { all: 'wrapped', bySection: {} } }),
      },
    ],
    ['base.bandsLatex', {}],
    ['measure.hairlineAgainstTape', { hairline: { ...AS_FITTED, front: -20 } }],
  ])('%s is found', (code, change) => {
    const finding = found(change).find((f) => f.code === code);
    expect(finding).toBeDefined();
    expect(finding!.why.length).toBeGreaterThan(20);
  });

  it('a fix really mends: the tie is moved off the spot, the fresh tips hold, tails that are folded reach', () => {
    const tender = { marks: [stroke('tender', 156, 26)] };
    const across = found(tender).find((f) => f.code === 'base.acrossTender')!;
    expect(across.fix?.change.kind).toBe('editBase');
    if (across.fix?.change.kind === 'editBase') {
      const mended = found({ ...tender, base: { ...DEFAULT_BASE, edits: named('e', across.fix.change.edits) } });
      expect(mended.find((f) => f.code === 'base.acrossTender')?.fix).toBeUndefined();
    }
    const fresh = { ...own, freshEnds: true };
    expect(found({ ownHair: fresh, base: familyOf('tied', { tipsWaxed: true }) }).map((f) => f.code)).not.toContain(
      'base.freshEnds',
    );
    const far = { ownHair: { ...own, lengthMm: 130 } };
    const reach = found({ ...far, base: familyOf('tied', { parking: { all: 'wrapped', bySection: {} } }) }).find(
      (f) => f.code === 'base.cantReach',
    )!;
    if (reach.fix?.change.kind === 'park') {
      const bySection = reach.fix.change.parking;
      expect(
        found({ ...far, base: familyOf('tied', { parking: { all: 'wrapped', bySection } }) }).map((f) => f.code),
      ).not.toContain('base.cantReach');
    }
  });
});

describe('memory of the base', () => {
  it('parking works out no section anew, a spacing change no base, an edit no head', () => {
    const p = new Planner();
    const inputs = plainInputs({ meshFrequency: 20 });
    const base = p.base(inputs);
    p.plan({ ...inputs, reserveShare: 0.2 });
    expect(p.base({ ...inputs, reserveShare: 0.1 })).toBe(base);
    const parked = p.base({ ...inputs, base: { ...inputs.base, parking: { all: 'sewn', bySection: {} } } });
    expect(parked).not.toBe(base);
    expect(parked.map).toBe(base.map);
    const head = p.head(inputs);
    p.plan({ ...inputs, base: { ...inputs.base, edits: [{ id: 'e1', op: 'merge', a: 'b1', b: 'b2' }] } });
    expect(p.head(inputs)).toBe(head);
  });

  it('tries an edit without keeping it, and says why not', () => {
    const inputs = plainInputs({ meshFrequency: 20 });
    expect(pipeline.tryEdit(inputs, { op: 'merge', a: 'b1', b: 'b2' })).toEqual({});
    expect(pipeline.tryEdit(inputs, { op: 'merge', a: 'b1', b: 'b4' }).why).toMatch(/don’t touch/);
    expect(pipeline.plan(inputs).base.sections).toHaveLength(8);
  });
});
