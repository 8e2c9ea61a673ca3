/** Hair in a tie: all of it that is long enough comes together there, the rest stays as it falls. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../tests/helpers/heads.ts';
import { distance } from '../geometry/index.ts';
import { isDrawn, isHeld, outOfTie, tieOf, waysToTie } from './tied.ts';
import { StrandTracer } from './trace.ts';
import { isTied, WORN_AS, waysToWear } from './worn-as.ts';

const { mesh, mark } = wholeHead(REFERENCE_SCORES, 24);
const p = mesh.positionsMm;
const rootAt = (vertex: number) => ({ xMm: p[3 * vertex], yMm: p[3 * vertex + 1], zMm: p[3 * vertex + 2], vertex });
const vertex = fc.integer({ min: 0, max: mesh.vertexCount - 1 });

describe.each(['tiedUp', 'halfUp'] as const)('%s', (as) => {
  const tie = tieOf(as, mesh, mark);
  if (!tie) throw new Error('no tie');
  const tracer = new StrandTracer(mesh, waysToTie(mesh, tie));

  it('sits behind, on the midline, above the back of the head', () => {
    expect(Math.abs(tie.atMm[0])).toBeLessThan(mesh.meanEdgeMm);
    expect(tie.atMm[2]).toBeLessThan(0);
    expect(tie.atMm[1]).toBeGreaterThan(mark.occiput[1]);
    expect(tie.atMm[1]).toBeLessThan(mark.crown[1]);
  });

  it('a strand from anywhere comes to it, by hardly more than the shortest way, and ends there', () => {
    fc.assert(
      fc.property(vertex, (v) => {
        const { xMm, yMm, zMm } = rootAt(v);
        tracer.trace(xMm, yMm, zMm, v, 0, 60, 600);
        const end = 3 * tracer.steps;
        const at = [tracer.pointsMm[end], tracer.pointsMm[end + 1], tracer.pointsMm[end + 2]] as const;
        expect(distance(at, tie.atMm)).toBeLessThan(24);
        // Chords of a mesh are a little shorter than the ways along it.
        expect(tracer.arcMm[tracer.steps]).toBeLessThan(1.12 * tie.fromTieMm[v] + 8);
      }),
      { seed: 7, numRuns: 200 },
    );
  });

  it('holds what is drawn to it and longer than its way; longer hair is never held less', () => {
    fc.assert(
      fc.property(vertex, fc.double({ min: 10, max: 900, noNaN: true }), (v, length) => {
        const root = rootAt(v);
        const held = isHeld(tie, root, length);
        if (held) expect(isDrawn(tie, root) && length > tie.fromTieMm[v]).toBe(true);
        if (held) expect(isHeld(tie, root, length + 50)).toBe(true);
        expect(isDrawn(tie, root)).toBe(as === 'tiedUp' || root.yMm >= mark.earTop[1] + 12);
      }),
      { seed: 8 },
    );
  });

  it('strands leave it outwards, no two the same way', () => {
    const ways = Array.from({ length: 60 }, (_, i) => outOfTie(tie, i));
    for (const w of ways) {
      expect(Math.hypot(...w)).toBeCloseTo(1, 9);
      expect(w[0] * tie.out[0] + w[1] * tie.out[1] + w[2] * tie.out[2]).toBeGreaterThan(0.85);
    }
    expect(new Set(ways.map((w) => w.map((c) => c.toFixed(4)).join())).size).toBe(60);
  });
});

it('hair worn down has no tie', () => {
  for (const as of [undefined, ...WORN_AS.filter((w) => !isTied(w))]) expect(tieOf(as, mesh, mark)).toBeUndefined();
});

it('over a puff or an upper half that is tied there is no second tie (common practice, no source)', () => {
  expect(waysToWear('puff').some(isTied)).toBe(false);
  expect(waysToWear('halfUp').some(isTied)).toBe(false);
  expect(waysToWear('tied')).toEqual(WORN_AS);
});
