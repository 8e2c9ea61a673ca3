import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryPart, arbitraryScores, REFERENCE_SCORES, wholeHead } from '../../../../tests/helpers/heads.ts';
import { sphere } from '../../../../tests/helpers/spheres.ts';
import { distanceFrom } from '../../geometry/eikonal.ts';
import { smoothField } from '../../geometry/smooth.ts';
import { nearestVertex } from '../../geometry/surface-mesh.ts';
import { aboveHairline } from '../../head/hairline.ts';
import { type LinePart, partInWords, partPolyline, walkPart } from '../../head/part.ts';
import type { ScalpFields } from '../../head/scalp-fields.ts';
import { ramp, rowField } from './row-field.ts';
import { CountTable, EVEN_ZONES, FactorTable, faceEdgeFactor, napeFactor, partFactor } from './zones.ts';

const head = wholeHead(REFERENCE_SCORES, 40);
const fieldFor = (part: LinePart, zones = EVEN_ZONES, options = {}) => {
  const fromPart = distanceFrom(head.mesh, { pointsMm: partPolyline(head.shape, head.line, part) });
  return { fromPart, ...rowField(head.mesh, head.scalp, fromPart, zones, options) };
};
const middle: LinePart = { kind: 'line', frontMm: 0, endMm: 0, lengthMm: 120, bendMm: 0 };
const side: LinePart = { kind: 'line', frontMm: 42, endMm: 36, lengthMm: 110, bendMm: 0 };

/** Of every vertex the one at its mirror image, which has to be there. */
function mirrorOf(p: Float64Array): number[] {
  const keyOf = (x: number, y: number, z: number) => [x, y, z].map((mm) => Math.round(1e4 * mm) + 0).join();
  const at = new Map<string, number>();
  for (let i = 0; i < p.length; i += 3) at.set(keyOf(p[i], p[i + 1], p[i + 2]), i / 3);
  return Array.from({ length: p.length / 3 }, (_, v) => {
    const found = at.get(keyOf(-p[3 * v], p[3 * v + 1], p[3 * v + 2]));
    expect(found).toBeDefined();
    return found as number;
  });
}

describe('part', () => {
  it('is as long as it says, starts on the hairline and ends where it says', () => {
    fc.assert(
      fc.property(arbitraryPart, (part) => {
        const p = partPolyline(head.shape, head.line, part);
        let length = 0;
        for (let i = 3; i < p.length; i += 3)
          length += Math.sqrt((p[i] - p[i - 3]) ** 2 + (p[i + 1] - p[i - 2]) ** 2 + (p[i + 2] - p[i - 1]) ** 2);
        expect(Math.abs(length - part.lengthMm)).toBeLessThan(0.01 * part.lengthMm);
        expect(p[0]).toBeCloseTo(part.frontMm, 6);
        // A part can't go further aside than it is long.
        if (Math.abs(part.endMm - part.frontMm) < 0.4 * part.lengthMm)
          expect(p[p.length - 3]).toBeCloseTo(part.endMm, 0);
        const v = nearestVertex(head.mesh, p[0], p[1], p[2]);
        expect(head.scalp.fromFrontHairline[v]).toBeLessThan(6);
      }),
      { seed: 51, numRuns: 30 },
    );
  });

  // biome-ignore lint/complexity/noExcessiveCognitiveComplexity: five loops over what a part may be
  it('keeps within the scalp and to its length on any head, or is ended at the hairline: every legal part', () => {
    const heads = [-2, 0, 2].map((q) => wholeHead(Float64Array.of(q, 0, 0, q / 2, 0, 0, 0, 0), 12));
    for (const { shape, line } of heads)
      for (const frontMm of [-65, -40, 0, 22, 50, 65])
        for (const endMm of [-65, -20, 0, 50, 65])
          for (const lengthMm of [30, 110, 260])
            for (const bendMm of [-35, 0, 35]) {
              const walk = walkPart(shape, line, { kind: 'line', frontMm, endMm, lengthMm, bendMm });
              const p = walk.pointsMm;
              expect(p.every(Number.isFinite)).toBe(true);
              let length = 0;
              for (let i = 3; i < p.length; i += 3) {
                length += Math.hypot(p[i] - p[i - 3], p[i + 1] - p[i - 2], p[i + 2] - p[i - 1]);
                expect(aboveHairline(line, p[i], p[i + 1], p[i + 2])).toBeGreaterThan(0);
              }
              expect(length).toBeLessThanOrEqual(1.01 * lengthMm);
              expect(Math.abs(length - walk.lengthMm)).toBeLessThan(0.05 * lengthMm + 1);
              if (walk.lengthMm < lengthMm) {
                const end = p.length - 3;
                // At the hairline, or where the nape begins behind.
                const isAtNape = p[end + 2] < 0 && p[end + 1] < 0.4 * -p[end + 2];
                if (!isAtNape) expect(aboveHairline(line, p[end], p[end + 1], p[end + 2])).toBeLessThan(0.06);
              }
            }
  });

  it('on the other side is its mirror image', () => {
    const a = partPolyline(head.shape, head.line, { ...side, bendMm: 8 });
    const b = partPolyline(head.shape, head.line, {
      kind: 'line',
      frontMm: -42,
      endMm: -36,
      lengthMm: 110,
      bendMm: -8,
    });
    a.forEach((v, i) => {
      expect(b[i]).toBeCloseTo(i % 3 === 0 ? -v : v, 6);
    });
  });

  it.each([
    [{ ...middle }, 'middle part'],
    [{ ...side }, 'left part'],
    [{ ...side, frontMm: -56, endMm: 10 }, 'deep right part, slanted'],
    [{ ...side, frontMm: 54, endMm: 40, bendMm: 12 }, 'deep left part, curved'],
    [{ kind: 'crown' } as const, 'no part, from the crown'],
  ])('says what it is: %o', (part, words) => {
    expect(partInWords(part)).toBe(words);
  });
});

describe('zones', () => {
  it('count rows as the integral of one over the factor (closed form for an even zone, numeric else)', () => {
    const even = new CountTable(() => 1.25, 200);
    expect(even.at(100)).toBeCloseTo(80, 9);
    const zones = { part: 0.7, back: 1.2, nape: 1.6, faceEdge: 0.8 };
    const table = new CountTable((d) => napeFactor(zones, d, 1), 260);
    let sum = 0;
    for (let d = 0.0005; d < 143.2; d += 0.001) sum += 0.001 / napeFactor(zones, d, 1);
    expect(table.at(143.2)).toBeCloseTo(sum, 2);
  });

  it('are read from a table to 1e-4', () => {
    const zones = { part: 0.7, back: 1.2, nape: 1.6, faceEdge: 0.8 };
    const table = new FactorTable((d) => napeFactor(zones, d, 1), 240);
    for (let d = 0; d < 239; d += 0.37) expect(Math.abs(table.at(d) - napeFactor(zones, d, 1))).toBeLessThan(2e-4);
  });

  it('begin and end at their own factor', () => {
    const zones = { part: 0.7, back: 1.2, nape: 1.6, faceEdge: 0.8 };
    expect(napeFactor(zones, 0, 1)).toBeCloseTo(1.6, 9);
    expect(napeFactor(zones, 85, 1)).toBeCloseTo(1.2, 9);
    expect(napeFactor(zones, 200, 1)).toBe(1);
    expect([partFactor(zones, 0), partFactor(zones, 80)]).toEqual([0.7, 1]);
    expect([faceEdgeFactor(zones.faceEdge, 0), faceEdgeFactor(zones.faceEdge, 80)]).toEqual([0.8, 1]);
  });
});

describe('row field', () => {
  it('has a ramp with rounded corners: exact values', () => {
    const at = (r: number) => ramp(r, 0.3, 0.9);
    const expected: ReadonlyArray<readonly [number, number]> = [
      [0.228, 0],
      [0.3, 0.03],
      [0.45, 0.25],
      [0.6, 0.5],
      [0.9, 0.97],
      [0.972, 1],
    ];
    for (const [r, w] of expected) expect(at(r)).toBeCloseTo(w, 9);
  });

  it('on a sphere with the part at the pole and the nape on a parallel is the distance from the pole', () => {
    const mesh = sphere(90, 24);
    const fromPart = distanceFrom(mesh, { pointsMm: [0, 90, 0] });
    const fromNape = fromPart.map((d) => Math.max(0, 140 - d));
    const kept = Uint8Array.from(fromPart, (d) => (d <= 140 ? 1 : 0));
    const cap = { ...mesh, vertexAreasMm2: mesh.vertexAreasMm2.map((a, v) => a * kept[v]) };
    const scalp = { scale: 1, fromNape } as unknown as ScalpFields;
    const f = rowField(cap, scalp, fromPart, EVEN_ZONES, { smooth: false });
    expect(f.total).toBeCloseTo(140, 1);
    expect(f.mismatch).toBeLessThan(0.003);
    f.field.forEach((v, i) => {
      if (kept[i]) expect(Math.abs(v - fromPart[i])).toBeLessThan(0.4);
    });
  });

  it('of a middle part: total 231.4 and mismatch 0.023, as tried out', () => {
    const f = fieldFor(middle);
    expect(Math.abs(f.total - 231.4)).toBeLessThan(1);
    expect(Math.abs(f.mismatch - 0.023)).toBeLessThan(0.005);
  });

  it('is the distance from the part itself near a middle part', () => {
    const f = fieldFor(middle);
    let checked = 0;
    f.field.forEach((v, i) => {
      const sum = f.fromPartCount[i] + head.scalp.fromNape[i];
      if (f.fromPartCount[i] / sum > 0.3 - 0.12 * 0.6 || f.fromPart[i] >= 27) return;
      expect(v).toBe(f.fromPartCount[i]);
      checked++;
    });
    expect(checked).toBeGreaterThan(500);
  });

  it('with the ramp W = r is the ratio field T fP / (fP + fN)', () => {
    const f = fieldFor(side, EVEN_ZONES, { smooth: false, rampOf: (r: number) => r });
    f.field.forEach((v, i) => {
      const p = f.fromPartCount[i];
      expect(v).toBeCloseTo((f.total * p) / (p + head.scalp.fromNape[i]), 6);
    });
  });

  it('counts less where the nape is wide: zone 1.4 lowers the total from 231.4 to 216.2', () => {
    expect(Math.abs(fieldFor(middle, { ...EVEN_ZONES, nape: 1.4 }).total - 216.2)).toBeLessThan(1);
  });

  it('mirrors when the part is mirrored, vertex for vertex: the mesh of any head is its own mirror image', () => {
    const over: LinePart = { kind: 'line', frontMm: -42, endMm: -36, lengthMm: 110, bendMm: -6 };
    fc.assert(
      fc.property(arbitraryScores, (scores) => {
        const { shape, line, mesh, scalp } = wholeHead(scores, 14);
        const onHead = (part: LinePart) => {
          const fromPart = distanceFrom(mesh, { pointsMm: partPolyline(shape, line, part) });
          return rowField(mesh, scalp, fromPart, EVEN_ZONES).field;
        };
        const a = onHead({ ...side, bendMm: 6 });
        const b = onHead(over);
        const other = mirrorOf(mesh.positionsMm);
        for (let v = 0; v < mesh.vertexCount; v++) expect(Math.abs(a[v] - b[other[v]])).toBeLessThan(0.02);
      }),
      { seed: 75, numRuns: 12, endOnFailure: true },
    );
  });

  it('has no inner extremum: no closed rows, on random heads and parts', () => {
    fc.assert(
      fc.property(arbitraryScores, arbitraryPart, (scores, part) => {
        const h = wholeHead(scores, 20);
        const fromPart = distanceFrom(h.mesh, { pointsMm: partPolyline(h.shape, h.line, part) });
        const { field } = rowField(h.mesh, h.scalp, fromPart, EVEN_ZONES);
        const onBorder = new Set(h.mesh.borders[0]);
        let extrema = 0;
        for (let v = 0; v < h.mesh.vertexCount; v++) {
          if (onBorder.has(v) || fromPart[v] < 12) continue;
          let above = 0;
          let below = 0;
          for (let k = h.mesh.neighbourStart[v]; k < h.mesh.neighbourStart[v + 1]; k++) {
            if (field[h.mesh.neighbours[k]] > field[v]) above++;
            else below++;
          }
          if (above === 0 || below === 0) extrema++;
        }
        expect(extrema).toBe(0);
      }),
      { seed: 52, numRuns: 20 },
    );
  });
});

describe('smoothing', () => {
  it('leaves the border and a constant alone, and lowers a spike', () => {
    const { mesh } = head;
    const flat = new Float64Array(mesh.vertexCount).fill(7);
    expect(smoothField(mesh, flat, 5, () => 1).every((v) => Math.abs(v - 7) < 1e-12)).toBe(true);
    const onBorder = new Set(mesh.borders[0]);
    const inner = flat.findIndex((_, v) => !onBorder.has(v));
    const spiky = flat.slice();
    spiky[inner] = 100;
    spiky[mesh.borders[0][3]] = 100;
    const out = smoothField(mesh, spiky, 4, () => 0.9);
    expect(out[inner]).toBeLessThan(40);
    expect(out[mesh.borders[0][3]]).toBe(100);
  });
});
