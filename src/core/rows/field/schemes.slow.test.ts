/** Row schemes on any head, part and brush: spacing, counts, symmetry. Properties of the whole layout, by fast-check. */

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryPart, everyZone, NO_CAP, PLAIN_CUT, plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import type { DirectionDeg } from '../../head/marks.ts';
import type { Part } from '../../head/part.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import type { Scheme } from '../../trade/rows.ts';
import { type BrushStroke, DEFAULT_ROWS, type RowChoice } from '../choice.ts';
import { gapAfterRule } from '../levels/dyadic.ts';

const FIELD_SCHEMES = ['joined', 'parallel', 'rings', 'straightBack'] as const satisfies readonly Scheme[];
const even = (fingers: number): PlanInputs['spacing'] => ({
  said: 'centres',
  fingers: { part: fingers, top: fingers, back: fingers, nape: fingers, faceEdge: fingers },
});
const rows = (change: Partial<RowChoice>): Pick<PlanInputs, 'rows'> => ({ rows: { ...DEFAULT_ROWS, ...change } });
const laid = (change: Partial<PlanInputs>) => {
  const pipeline = new Planner();
  const inputs = plainInputs(change);
  return {
    inputs,
    pipeline,
    layout: { ...pipeline.layout(inputs), pitch: pipeline.pitch(inputs) },
    result: pipeline.plan(inputs),
  };
};
const middle: Part = { kind: 'line', frontMm: 0, endMm: 0, lengthMm: 120, bendMm: 0 };
const side: Part = { kind: 'line', frontMm: 42, endMm: 36, lengthMm: 110, bendMm: 0 };

/** Tapes of plausible heads: each measure a few per cent off the others. */
const arbitraryTape = fc
  .record({
    girth: fc.double({ min: 535, max: 600, noNaN: true }),
    by: fc.array(fc.double({ min: 0.98, max: 1.02, noNaN: true }), { minLength: 5, maxLength: 5 }),
  })
  .map(({ girth, by }) => ({
    girth,
    frontToNape: 0.637 * girth * by[0],
    earToEarTop: 0.597 * girth * by[1],
    earToEarFront: 0.52 * girth * by[2],
    templeToTemple: 0.691 * girth * by[3],
    napeWidth: 0.231 * girth * by[4],
  }));

const arbitraryBrush: fc.Arbitrary<BrushStroke[]> = fc.array(
  fc.record({
    stroke: fc.record({
      points: fc.array(
        fc.tuple(fc.double({ min: -170, max: 170, noNaN: true }), fc.double({ min: 0, max: 85, noNaN: true })),
        { minLength: 1, maxLength: 4 },
      ),
      radiusMm: fc.double({ min: 14, max: 45, noNaN: true }),
    }),
    factor: fc.constantFrom(0.7, 0.85, 1, 1.2),
  }),
  { maxLength: 3 },
);

describe('whatever the head, part, scheme, zones and brush', () => {
  it('no two knots are nearer than 0.6 of their spacing, and none of a row gapes beyond 1.6', () => {
    fc.assert(
      fc.property(
        arbitraryTape,
        arbitraryPart,
        fc.constantFrom(...FIELD_SCHEMES),
        arbitraryBrush,
        fc.double({ min: 0.8, max: 1.6, noNaN: true }),
        (tape, part, scheme, brush, fingers) => {
          const { layout, inputs } = laid({ tape, part, spacing: even(fingers), ...rows({ scheme, brush }) });
          const mm = inputs.fingerMm * fingers;
          const spacing = (v: number) => mm * layout.pitch.spacingFactor[v] * Math.min(1, layout.pitch.faceEdge[v]);
          const { knots } = layout;
          for (let i = 0; i < knots.length; i++) {
            for (let j = i + 1; j < knots.length; j++) {
              const [a, b] = [knots[i], knots[j]];
              const d = Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm, a.zMm - b.zMm);
              expect(d).toBeGreaterThan(0.59 * Math.min(spacing(a.vertex), spacing(b.vertex)));
            }
          }
          for (let i = 1; i < knots.length; i++) {
            const [a, b] = [knots[i - 1], knots[i]];
            if (a.row !== b.row) continue;
            // Taken out where two rows meet, a knot leaves a gap that the other row fills.
            if (layout.thinnedOut > 0) continue;
            const gap = Math.max(spacing(a.vertex), spacing(b.vertex));
            expect((b.arcMm - a.arcMm) / gap).toBeLessThan(1.6 * 1.5);
          }
        },
      ),
      { seed: 411, numRuns: 40, endOnFailure: true },
    );
  });

  it('gaps between rows stay within 0.65 and 1.6 of the target after short rows are laid', () => {
    fc.assert(
      fc.property(arbitraryTape, arbitraryPart, fc.constantFrom(...FIELD_SCHEMES), (tape, part, scheme) => {
        const { layout } = laid({ tape, part, spacing: even(1), ...rows({ scheme }) });
        const ratios = layout.rows.flatMap((r) => Array.from(r.gapRatio, gapAfterRule)).sort((a, b) => a - b);
        const at = (q: number) => ratios[Math.floor(q * (ratios.length - 1))];
        expect(at(0.02)).toBeGreaterThan(0.6);
        expect(at(0.98)).toBeLessThan(1.6);
      }),
      { seed: 412, numRuns: 24, endOnFailure: true },
    );
  });

  it('a mirrored part and brush give the mirrored plan, knot for knot', () => {
    fc.assert(
      fc.property(arbitraryPart, fc.constantFrom(...FIELD_SCHEMES), arbitraryBrush, (part, scheme, brush) => {
        fc.pre(Math.abs(part.frontMm + part.endMm) > 1);
        const over = (p: readonly [number, number]): DirectionDeg => [-p[0], p[1]];
        const mirrored = brush.map((b) => ({ ...b, stroke: { ...b.stroke, points: b.stroke.points.map(over) } }));
        const a = laid({ part, ...rows({ scheme, brush }) }).result;
        const b = laid({
          part: { ...part, frontMm: -part.frontMm, endMm: -part.endMm, bendMm: -part.bendMm },
          ...rows({ scheme, brush: mirrored }),
        }).result;
        expect(b.knots.length).toBe(a.knots.length);
        const key = (x: number, y: number, z: number) => `${x.toFixed(3)} ${y.toFixed(3)} ${z.toFixed(3)}`;
        const places = new Set(a.knots.map((k) => key(k.xMm, k.yMm, k.zMm)));
        for (const k of b.knots) expect(places.has(key(0 - k.xMm, k.yMm, k.zMm).replace('-0.000', '0.000'))).toBe(true);
      }),
      { seed: 413, numRuns: 12 },
    );
  });
});

describe('counts', () => {
  const off = ({ inputs, pipeline, layout }: ReturnType<typeof laid>) =>
    Math.abs(layout.knots.length / pipeline.knotsAsked(inputs) - 1);

  it.each(
    FIELD_SCHEMES.flatMap((scheme) =>
      ([middle, side] as const).flatMap((part) => [0.8, 1, 1.3].map((f) => [scheme, f, part] as const)),
    ),
  )('%s at %f fingers agree with the integral of density over area, within 2 %%', (scheme, f, part) => {
    const plan = laid({ part, spacing: even(f), ...rows({ scheme }) });
    expect(off(plan)).toBeLessThan(0.02);
  });

  it('stay within 8 % where zones and a brush change the density', () => {
    const zones = { part: 0.8, top: 1, back: 1.25, nape: 1.5, faceEdge: 0.9 };
    const brush: BrushStroke[] = [
      { stroke: { points: [[150, 40]], radiusMm: 40 }, factor: 0.8 },
      { stroke: { points: [[-150, 20]], radiusMm: 40 }, factor: 1.25 },
    ];
    for (const scheme of ['joined', 'parallel', 'rings'] as const) {
      const plan = laid({ part: side, spacing: { said: 'centres', fingers: zones }, ...rows({ scheme, brush }) });
      expect(off(plan)).toBeLessThan(0.08);
    }
  });

  it('mean distance to the nearest knot lies between random and the densest packing (lattice bounds)', () => {
    for (const scheme of FIELD_SCHEMES) {
      const { layout, inputs, pipeline } = laid({ part: side, spacing: even(1), ...rows({ scheme }) });
      const { knots } = layout;
      const nearest = knots.map((a) =>
        Math.min(...knots.map((b) => (a === b ? Infinity : Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm, a.zMm - b.zMm)))),
      );
      const mean = nearest.reduce((s, d) => s + d, 0) / nearest.length;
      const perKnot = pipeline.head(inputs).areaMm2 / knots.length;
      // Densest: equal circles in the plane, π/√12 (Thue 1910, Fejes Tóth 1940; from memory); random: Poisson, 1/(2√λ).
      expect(mean).toBeLessThan(Math.sqrt((2 / Math.sqrt(3)) * perKnot) * 1.02);
      expect(mean).toBeGreaterThan(1.4 * 0.5 * Math.sqrt(perKnot));
    }
  });

  it('a looser back with bigger pieces takes less than its share of area (common practice)', () => {
    const zones = { part: 1, top: 1, back: 1.5, nape: 1.75, faceEdge: 1 };
    const { result } = laid({ part: side, spacing: { said: 'centres', fingers: zones } });
    const even_ = laid({ part: side, spacing: even(1) }).result;
    const behind = (r: typeof result) =>
      r.knots.filter((k) => k.zone === 'back' || k.zone === 'nape').length / r.knots.length;
    expect(behind(result)).toBeLessThan(0.85 * behind(even_));
  });
});

describe('the schemes', () => {
  it('parallel: rows follow a curved part, each point of a row as far from it as the next (common practice)', () => {
    const part: Part = { kind: 'line', frontMm: 44, endMm: 12, lengthMm: 130, bendMm: 20 };
    const { layout, pipeline, inputs } = laid({ part, spacing: even(1), ...rows({ scheme: 'parallel' }) });
    const { fromPart } = pipeline.part(inputs);
    for (const quarter of [0, 4, 8]) {
      const knots = layout.knots.filter((k) => layout.rows[k.row].quarter === quarter);
      const mean = knots.reduce((s, k) => s + fromPart[k.vertex], 0) / knots.length;
      for (const k of knots) expect(Math.abs(fromPart[k.vertex] - mean)).toBeLessThan(4);
    }
  });

  it('rings close about the crown; the first lies along the hairline', () => {
    const { result } = laid({ part: { kind: 'crown' }, spacing: even(1), ...rows({ scheme: 'rings' }) });
    // Knots that lie alone, at a sideburn or a corner of the nape, are no rings.
    const rowsOfMore = result.rows.filter((r) => r.knotCount > 1);
    expect(rowsOfMore.filter((r) => r.closed).length).toBeGreaterThan(rowsOfMore.length / 2 - 2);
  });

  it('straight back: every row runs from front to back', () => {
    const { result } = laid({ part: { kind: 'swept' }, spacing: even(1), ...rows({ scheme: 'straightBack' }) });
    const long = result.rows.filter((r) => r.lengthMm > 120);
    expect(long.length).toBeGreaterThan(6);
    for (const r of long) {
      const n = r.pointsMm.length;
      expect(r.pointsMm[2]).toBeGreaterThan(r.pointsMm[n - 1]);
    }
  });

  it('from the tie: rings go outwards, none on the coil; all over it if she wants', () => {
    const base = { ...plainInputs().base, family: 'puff' as const, tieAt: 'crown' as const };
    const round = laid({ base, cap: NO_CAP, ...rows({ scheme: 'fromTie' }) });
    const tie = round.pipeline.base(round.inputs).sections.find((s) => s.role === 'base')!.tieMm;
    const away = (k: { xMm: number; yMm: number; zMm: number }) =>
      Math.hypot(k.xMm - tie[0], k.yMm - tie[1], k.zMm - tie[2]);
    const [first] = round.result.knots;
    expect(away(first)).toBeLessThan(away(round.result.knots.at(-1)!));
    expect(Math.min(...round.result.knots.map(away))).toBeGreaterThan(15);
    expect(first.kind).toBe('roundCoil');
    const over = laid({
      base,
      cap: NO_CAP,
      schools: { ...plainInputs().schools, bun: 'overIt' },
      ...rows({ scheme: 'fromTie' }),
    });
    expect(Math.min(...over.result.knots.map(away))).toBeLessThan(15);
  });

  it('bands: one piece for each box; rods: as many as the stretch of the rod holds', () => {
    const grid = laid({
      base: { ...plainInputs().base, family: 'grid', boxFingers: 2 },
      cap: NO_CAP,
      ...rows({ scheme: 'grid' }),
    });
    expect(grid.result.knots.length).toBe(grid.result.base.sections.filter((s) => s.role === 'base').length);
    expect(new Set(grid.result.knots.map((k) => k.kind))).toEqual(new Set(['onBand']));
    const rods = (rodPieces: 'root' | 'along') =>
      laid({
        base: { ...plainInputs().base, family: 'threaded', count: 30, rodPieces },
        cap: NO_CAP,
        ...rows({ scheme: 'rods' }),
      }).result;
    const root = rods('root');
    expect(root.rows.length).toBe(30);
    expect(root.knots.every((k) => k.kind === 'onRod')).toBe(true);
    expect(rods('along').knots.length).toBeGreaterThan(2 * root.knots.length);
  });

  it('found rows: those that are there first, then the places between', () => {
    const base = { ...plainInputs().base, family: 'flatTwists' as const, count: 8 };
    const { result } = laid({ base, cap: NO_CAP, spacing: even(1), ...rows({ scheme: 'found' }) });
    const firstBetween = result.rows.findIndex((r) => r.kind === 'short');
    expect(result.rows.filter((r) => r.kind === 'given').length).toBeGreaterThanOrEqual(8);
    expect(firstBetween).toBeGreaterThan(0);
    expect(result.rows.slice(firstBetween).every((r) => r.kind === 'short')).toBe(true);
  });

  it('what a base can’t carry is said with two ways out, and lays nothing', () => {
    for (const scheme of ['grid', 'rods', 'fromTie', 'found'] as const) {
      const { result } = laid(rows({ scheme }));
      expect(result.knots).toHaveLength(0);
      const finding = result.findings.find((f) => f.code === 'rows.cannotLay');
      expect(finding?.severity).toBe('stop');
      expect([finding?.fix, finding?.otherwise].filter(Boolean)).toHaveLength(2);
    }
  });

  it('without a cap the foremost row hides the last band (common practice)', () => {
    expect(laid({ cap: NO_CAP }).result.rows.some((r) => r.kind === 'front')).toBe(true);
    expect(laid({}).result.rows.some((r) => r.kind === 'front')).toBe(false);
  });
});

describe('fringe and second pass', () => {
  it('a fringe begins on the midline, goes to both sides, and the row behind is offset', () => {
    const cuts = [PLAIN_CUT, { ...PLAIN_CUT, id: 'short', half: true }];
    const pieces = { ...everyZone('whole'), fringe: { cut: 'short' } };
    const { result } = laid({
      part: { kind: 'swept' },
      cuts,
      pieces,
      ...rows({ fringe: { how: 'short', widthFingers: 4, rows: 2 } }),
    });
    const fringe = result.rows.filter((r) => r.kind === 'fringe');
    expect(fringe).toHaveLength(2);
    const [front, behind] = fringe.map((r) => result.knots.slice(r.firstKnot, r.firstKnot + r.knotCount));
    expect(Math.abs(front[0].xMm)).toBeLessThan(1);
    expect(front.map((k) => Math.abs(k.xMm))).toEqual([...front.map((k) => Math.abs(k.xMm))].sort((a, b) => a - b));
    expect(Math.min(...behind.map((k) => Math.abs(k.xMm)))).toBeGreaterThan(4);
    for (const k of [...front, ...behind]) expect([k.cut, k.pieceZone]).toEqual(['short', 'fringe']);
    // Long ones over it: rows are laid after it.
    expect(result.rows.indexOf(fringe[0])).toBeLessThan(result.rows.length - 1);
  });

  it('windows: the same places in two passes, the second after all of the first', () => {
    const one = laid({}).result;
    const two = laid(rows({ secondPass: 'windows' })).result;
    expect(two.knots.length).toBe(one.knots.length);
    const firstSecond = two.rows.findIndex((r) => r.second);
    expect(two.rows.slice(firstSecond).every((r) => r.second)).toBe(true);
    const inSecond = two.knots.filter((k) => two.rows[k.row].second).length;
    expect(Math.abs(inSecond / two.knots.length - 0.5)).toBeLessThan(0.1);
    expect(new Set(two.knots.map((k) => k.id)).size).toBe(two.knots.length);
  });

  it('thin places: only a few more, each where the nearest knot was far', () => {
    const one = laid({}).result;
    const { result: two } = laid(rows({ secondPass: 'thin' }));
    const added = two.knots.length - one.knots.length;
    expect(added).toBeLessThanOrEqual(0.16 * one.knots.length);
    expect(two.knots.filter((k) => two.rows[k.row].second)).toHaveLength(added);
  });
});
