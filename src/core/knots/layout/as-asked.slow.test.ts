/** As many knots as gaps ask for, without jumps from millimetre to millimetre, and alike on both sides. */
import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../../../tests/helpers/heads.ts';
import { Planner } from '../../../../tests/helpers/planner.ts';
import type { Part } from '../../head/part.ts';
import type { PlanInputs } from '../../plan/inputs.ts';
import { DEFAULT_ROWS } from '../../rows/choice.ts';
import type { Scheme } from '../../trade/rows.ts';

const atelier = new Planner();
/** A head that was measured, and one that nobody measured. */
const HEADS: Readonly<Record<string, PlanInputs['tape']>> = {
  measured: {
    girth: 560,
    frontToNape: 356,
    earToEarTop: 336,
    earToEarFront: 294,
    templeToTemple: 388,
    napeWidth: 129,
  },
  unmeasured: {},
};
type Shape = Readonly<Record<'part' | 'top' | 'back' | 'nape' | 'faceEdge', number>>;
const EVEN: Shape = { part: 1, top: 1, back: 1, nape: 1, faceEdge: 1 };
const BY_ZONE: Shape = { part: 0.8, top: 1, back: 1.1, nape: 1.25, faceEdge: 0.7 };
const gaps = (topMm: number, by: Shape): PlanInputs['spacing'] => ({
  said: 'centres',
  fingers: Object.fromEntries(Object.entries(by).map(([z, f]) => [z, (f * topMm) / 18])),
});
const aside = (mm: number): Part => ({ kind: 'line', frontMm: mm, endMm: mm, lengthMm: 110, bendMm: 0 });
const MIDDLE = aside(0);
const SWEPT: Part = { kind: 'swept' };

/** Steps of a walk through plans: how many knots more, how many more were asked for, how many one row is worth. */
function steps(plans: readonly PlanInputs[]) {
  const counted = plans.map((inputs) => {
    const { knots, rows } = atelier.layout(inputs);
    const asked = atelier.knotsAsked(inputs);
    return { knots: knots.length, asked, row: asked / rows.filter((r) => r.kind === 'whole').length };
  });
  return counted.slice(1).map((now, i) => ({
    more: now.knots - counted[i].knots,
    asked: now.asked - counted[i].asked,
    row: now.row,
  }));
}

describe.each(Object.entries(HEADS))('a head that is %s', (_, tape) => {
  it.each([
    ['even gaps', EVEN, 22.5],
    ['gaps by zone', BY_ZONE, 27],
    ['wide gaps', EVEN, 36],
  ] as const)(
    'part moved by 1 mm, %s: no step is off by more than half a row’s worth, none the wrong way by more than one knot',
    (_name, by, mm) => {
      const plans = Array.from({ length: 56 }, (_, i) => plainInputs({ tape, part: aside(i), spacing: gaps(mm, by) }));
      for (const { more, asked, row } of steps(plans)) {
        expect(Math.abs(more - asked)).toBeLessThan(row / 2);
        if (more * asked < 0) expect(Math.abs(more)).toBeLessThanOrEqual(1);
      }
    },
  );

  it.each([
    ['along a part', aside(30)],
    ['swept back', SWEPT],
    ['from the crown', { kind: 'crown' } as Part],
  ])('gaps wider by half a millimetre, %s: the same, and never more than one knot more', (_name, part) => {
    for (const by of [EVEN, BY_ZONE]) {
      const plans = Array.from({ length: 37 }, (_, i) => plainInputs({ tape, part, spacing: gaps(18 + i / 2, by) }));
      for (const { more, asked, row } of steps(plans)) {
        expect(Math.abs(more - asked)).toBeLessThan(row / 2);
        expect(more).toBeLessThanOrEqual(1);
      }
    }
  });

  it('parted in the middle, swept or laid straight back is alike on both sides to a tenth of a millimetre', () => {
    for (const [part, scheme] of [
      [MIDDLE, 'joined'],
      [MIDDLE, 'parallel'],
      [SWEPT, 'joined'],
      [SWEPT, 'straightBack'],
    ] as const)
      for (const mm of [18, 22.5, 27, 36]) {
        const rows = { ...DEFAULT_ROWS, scheme };
        const { knots } = atelier.layout(plainInputs({ tape, part, rows, spacing: gaps(mm, BY_ZONE) }));
        expect(knots.filter((k) => k.xMm > 0.1).length).toBe(knots.filter((k) => k.xMm < -0.1).length);
        for (const a of knots) {
          const nearest = Math.min(...knots.map((b) => Math.hypot(a.xMm + b.xMm, a.yMm - b.yMm, a.zMm - b.zMm)));
          expect(nearest).toBeLessThan(0.1);
        }
      }
  });

  /** Of all places on her scalp that `within` takes, how far the farthest lies from a row, in gaps. */
  const barest = (part: Part, scheme: Scheme, mm: number, within: (fromNapeMm: number) => boolean) => {
    const inputs = plainInputs({ tape, part, rows: { ...DEFAULT_ROWS, scheme }, spacing: gaps(mm, EVEN) });
    const { mesh, scalp } = atelier.head(inputs);
    const rows = atelier.layout(inputs).rows.map((r) => r.curve.pointsMm);
    let worst = 0;
    for (let v = 0; v < mesh.vertexCount; v++) {
      if (!within(scalp.fromNape[v])) continue;
      const [x, y, z] = mesh.positionsMm.subarray(3 * v, 3 * v + 3);
      let nearest = Infinity;
      for (const p of rows)
        for (let i = 0; i < p.length; i += 3)
          nearest = Math.min(nearest, (p[i] - x) ** 2 + (p[i + 1] - y) ** 2 + (p[i + 2] - z) ** 2);
      worst = Math.max(worst, nearest);
    }
    return Math.sqrt(worst) / mm;
  };

  it.each([40, 50, 60])(
    'swept back in parallel rows %i mm apart: the nape is no barer than two thirds of a gap',
    (mm) => {
      expect(barest(SWEPT, 'parallel', mm, (fromNape) => fromNape < 3)).toBeLessThan(0.67);
    },
  );

  it('no place is much farther than a gap from a row: sideburns, corners of the nape, the middle of the front', () => {
    for (const scheme of ['joined', 'parallel'] as const)
      for (const part of [SWEPT, aside(36)])
        for (const mm of [20, 30, 40, 50]) expect(barest(part, scheme, mm, () => true)).toBeLessThan(1.2);
  });
});
