import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryPart, arbitraryScores, REFERENCE_SCORES, wholeHead } from '../../../../tests/helpers/heads.ts';
import { bricksOnPatch } from '../../../../tests/helpers/spheres.ts';
import { distanceFrom } from '../../geometry/eikonal.ts';
import { type Part, partPolyline } from '../../head/part.ts';
import { sweptCounter } from '../../head/scalp-fields.ts';
import { rowField } from '../../rows/field/row-field.ts';
import { EVEN_ZONES } from '../../rows/field/zones.ts';
import { layRows } from '../../rows/levels/lay.ts';
import { PLAIN_ROWS } from '../../rows/levels/row.ts';
import { rowSlopes } from '../../rows/levels/slopes.ts';
import { layKnots } from './layout.ts';
import { brickScore } from './score.ts';

type Head = ReturnType<typeof wholeHead>;

function layoutFor(head: Head, part: Part, mm: number) {
  const fromPart =
    part.kind === 'line'
      ? distanceFrom(head.mesh, { pointsMm: partPolyline(head.shape, head.line, part) })
      : part.kind === 'crown'
        ? distanceFrom(head.mesh, { pointsMm: head.mark.crown })
        : sweptCounter(head.line, head.mesh, head.scalp.scale);
  const field = rowField(head.mesh, head.scalp, fromPart, EVEN_ZONES);
  const spacing = { gapMm: mm, pitchMm: mm };
  const swept = part.kind === 'swept';
  const { rows } = layRows(
    { ...head, field, slopes: rowSlopes(head.mesh, field), spacing, spacingFactor: field.spacingFactor },
    { ...PLAIN_ROWS, frontRow: swept, swept, besidePart: !swept },
  );
  const pitch = { spacingFactor: field.spacingFactor, faceEdge: new Float64Array(head.mesh.vertexCount).fill(1) };
  const layout = layKnots(head.mesh, rows, pitch, spacing);
  return { rows, layout, score: brickScore(rows, layout.knots, pitch, spacing), fromPart };
}

function nearestPair(knots: ReturnType<typeof layoutFor>['layout']['knots']): number {
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i < knots.length; i++) {
    for (let j = i + 1; j < knots.length; j++) {
      const d =
        (knots[i].xMm - knots[j].xMm) ** 2 + (knots[i].yMm - knots[j].yMm) ** 2 + (knots[i].zMm - knots[j].zMm) ** 2;
      if (d < best) best = d;
    }
  }
  return Math.sqrt(best);
}

const prior = wholeHead(REFERENCE_SCORES, 40);
const area = prior.mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
const side: Part = { kind: 'line', frontMm: 42, endMm: 36, lengthMm: 110, bendMm: 0 };
const middle: Part = { kind: 'line', frontMm: 0, endMm: 0, lengthMm: 120, bendMm: 0 };

describe('bricks on a flat patch', () => {
  const { levels, rows, pitch, spacing, knots } = bricksOnPatch();

  it('stand exactly over the gaps of the row below (score 1) and 18 mm apart', () => {
    expect(brickScore(rows, knots, pitch, spacing)).toBeGreaterThan(0.98);
    const second = knots.filter((k) => k.row === 1);
    for (let i = 1; i < second.length; i++) expect(second[i].arcMm - second[i - 1].arcMm).toBeCloseTo(18, 1);
  });

  it('are about as many as area over spacing squared', () => {
    expect(Math.abs(knots.length - (180 * 180) / (18 * 18))).toBeLessThan(12);
  });

  it('a score of knots one above the other is 0', () => {
    const aligned = rows.flatMap((_, index) =>
      [20, 38, 56, 74, 92, 110, 128, 146].map((x) => ({
        row: index,
        arcMm: x,
        xMm: x,
        yMm: levels[index],
        zMm: 0,
        vertex: 0,
      })),
    );
    // Curves may run either way; the arc is read from the position.
    const placed = aligned.map((k) => ({ ...k, arcMm: rows[k.row].curve.pointsMm[0] < 1 ? k.xMm : 180 - k.xMm }));
    expect(brickScore(rows, placed, pitch, spacing)).toBeLessThan(0.02);
  });
});

describe('knots on the prior head', () => {
  it.each([
    ['middle', middle],
    ['side', side],
    ['slanted', { kind: 'line', frontMm: 58, endMm: -22, lengthMm: 135, bendMm: 0 } as Part],
    ['crown', { kind: 'crown' } as Part],
    ['swept', { kind: 'swept' } as Part],
  ])('%s part, 18 mm: as many as area over spacing squared (within 8 %%), none nearer than 0.6 of it', (_, part) => {
    const { layout } = layoutFor(prior, part, 18);
    expect(Math.abs(layout.knots.length / (area / (18 * 18)) - 1)).toBeLessThan(0.08);
    expect(nearestPair(layout.knots)).toBeGreaterThan(0.59 * 18);
  });

  it('stand in bricks better than at random (0.5): 0.75 and more, rings 0.65 and more', () => {
    for (const part of [middle, side, { kind: 'swept' } as Part])
      expect(layoutFor(prior, part, 18).score).toBeGreaterThan(0.75);
    expect(layoutFor(prior, { kind: 'crown' }, 18).score).toBeGreaterThan(0.65);
  });

  it('are as many as area over spacing squared, within 8 %, for spacings of 12 to 40 mm', () => {
    for (const mm of [12, 14, 16, 18, 20, 22, 24, 26, 28, 30, 32, 36, 40]) {
      const share = layoutFor(prior, side, mm).layout.knots.length / (area / (mm * mm));
      expect(share, `${mm} mm`).toBeGreaterThan(0.92);
      expect(share, `${mm} mm`).toBeLessThan(1.08);
    }
  });

  it('stay off the hairline and off the part', () => {
    const { layout, fromPart } = layoutFor(prior, side, 18);
    for (const k of layout.knots) {
      expect(prior.scalp.fromHairline[k.vertex]).toBeGreaterThan(1.5);
      expect(fromPart[k.vertex]).toBeGreaterThan(5);
    }
  });
});

describe('knots on random heads', () => {
  it('never collide, and lie in their rows in order', () => {
    fc.assert(
      fc.property(arbitraryScores, arbitraryPart, fc.double({ min: 13, max: 36, noNaN: true }), (scores, part, mm) => {
        const { layout, rows } = layoutFor(wholeHead(scores, 24), part, mm);
        expect(nearestPair(layout.knots)).toBeGreaterThan(0.55 * mm);
        for (let i = 1; i < layout.knots.length; i++) {
          const [a, b] = [layout.knots[i - 1], layout.knots[i]];
          expect(b.row > a.row || (b.row === a.row && b.arcMm > a.arcMm)).toBe(true);
        }
        for (const k of layout.knots) {
          expect(k.arcMm).toBeGreaterThanOrEqual(0);
          expect(k.arcMm).toBeLessThanOrEqual(rows[k.row].curve.lengthMm);
        }
      }),
      { seed: 71, numRuns: 30 },
    );
  });
});
