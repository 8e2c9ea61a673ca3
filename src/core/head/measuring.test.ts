/** Repeated readings, her own hairline, marks on her scalp, and where she stands among measured heads. */

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryScores, plainInputs, REFERENCE_SCORES, sphereOf, wholeHead } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { nearestVertex, validateDiscMesh } from '../geometry/surface-mesh.ts';
import type { MarkKind, Region } from '../trade/marks.ts';
import { TAPE_INFO } from '../trade/tape.ts';
import { fitHead } from './fit.ts';
import { AS_FITTED, HAIRLINE_LIMIT_MM, hairline, hairlinePoints, SIDE_POINTS, turnedOffsets } from './hairline.ts';
import { directionDeg, directionOf, type Mark, markMasks, onSurface } from './marks.ts';
import { EFFECTS_FREQUENCY, measureEffects } from './measure-effects.ts';
import { HEAD_NORMS, normalShareBelow, standings } from './norms.ts';
import { meanReading } from './readings.ts';
import { scalpMesh } from './scalp.ts';
import { headShape } from './shape.ts';

describe('readings of one measure', () => {
  it('one is as sure as a careful reading; more are surer, but not endlessly: they share how the tape was laid', () => {
    const sd = (...mm: number[]) => meanReading(mm, 6).sdMm;
    expect(sd(340)).toBe(6);
    expect(sd(340, 341)).toBeLessThan(6);
    expect(sd(340, 341, 340)).toBeLessThan(sd(340, 341));
    expect(sd(340, 340, 340)).toBeGreaterThan(3);
  });

  it('have the mean and the spread of the textbook (n − 1), and a wide spread makes them less sure', () => {
    const r = meanReading([336, 340, 347], 6);
    expect(r.meanMm).toBeCloseTo(341, 9);
    expect(r.spreadMm).toBeCloseTo(Math.sqrt((25 + 1 + 36) / 2), 9);
    expect(meanReading([325, 340, 355], 6).sdMm).toBeGreaterThan(r.sdMm);
    expect(() => meanReading([], 6)).toThrow(RangeError);
  });

  it('a surer measure draws the head nearer to itself', () => {
    const tape = { girth: 575, frontToNape: 352, earToEarTop: 330 };
    const off = (sd: number) => Math.abs(fitHead(tape, { girth: sd }).measures[0].fittedMm - 575);
    expect(off(2)).toBeLessThan(off(5));
  });

  it('one that she insists on is followed and no longer named', () => {
    const tape = { ...plainInputs().tape, earToEarTop: 395 };
    expect(fitHead(tape).contradictory).toBe('earToEarTop');
    const kept = fitHead(tape, { earToEarTop: TAPE_INFO.earToEarTop.readingSdMm / 3 }, ['earToEarTop']);
    expect(kept.contradictory).not.toBe('earToEarTop');
    const fitted = (f: typeof kept) => f.measures.find((m) => m.measure === 'earToEarTop')!.fittedMm;
    expect(Math.abs(fitted(kept) - 395)).toBeLessThan(Math.abs(fitted(fitHead(tape)) - 395));
  });
});

describe('what a centimetre more does', () => {
  it('agrees with a head that is really fitted to it, within a sixth of the change', () => {
    const pipeline = new Planner();
    const inputs = plainInputs();
    const head = pipeline.head(inputs);
    const effects = measureEffects(head, 200, AS_FITTED, sphereOf(EFFECTS_FREQUENCY));
    expect(effects).toHaveLength(6);
    for (const { measure, areaCm2PerCm, piecesPerCm } of effects) {
      const more = pipeline.head({
        ...inputs,
        tape: { ...inputs.tape, [measure]: (inputs.tape[measure] as number) + 4 },
      });
      const real = (more.areaMm2 - head.areaMm2) / 100 / 0.4;
      expect(Math.abs(areaCm2PerCm - real), measure).toBeLessThan(Math.max(0.4, Math.abs(real) / 6));
      expect(piecesPerCm).toBeCloseTo((areaCm2PerCm * 100 * 200) / head.areaMm2, 9);
    }
    // The girth says most about the size: 2 per cent more area for 1 per cent more girth.
    expect(effects[0].areaCm2PerCm).toBeGreaterThan(4);
  });
});

describe('her own hairline', () => {
  const arbitraryOffset = fc.double({ min: -HAIRLINE_LIMIT_MM, max: HAIRLINE_LIMIT_MM, noNaN: true });
  const arbitrarySide = fc.record({
    corner: arbitraryOffset,
    temple: arbitraryOffset,
    sideburn: arbitraryOffset,
    behindEar: arbitraryOffset,
    napeCorner: arbitraryOffset,
  });
  const arbitraryOffsets = fc.record({
    front: arbitraryOffset,
    nape: arbitraryOffset,
    left: arbitrarySide,
    right: arbitrarySide,
  });

  it('makes a sound scalp wherever its points are dragged, on any head', () => {
    fc.assert(
      fc.property(arbitraryScores, arbitraryOffsets, (scores, offsets) => {
        const shape = headShape(scores);
        const mesh = scalpMesh(shape, hairline(shape, offsets), sphereOf(24));
        expect(validateDiscMesh(mesh)).toEqual([]);
      }),
      { seed: 321, numRuns: 60 },
    );
  });

  it('higher is less hair, lower more; the sides are hers apart', () => {
    const shape = headShape(REFERENCE_SCORES);
    const area = (offsets: typeof AS_FITTED, side: -1 | 0 | 1 = 0) => {
      const mesh = scalpMesh(shape, hairline(shape, offsets), sphereOf(32));
      let sum = 0;
      for (let v = 0; v < mesh.vertexCount; v++) if (side * mesh.positionsMm[3 * v] >= 0) sum += mesh.vertexAreasMm2[v];
      return sum;
    };
    for (const point of SIDE_POINTS) {
      const left = { ...AS_FITTED.left, [point]: 15 };
      const moved = { ...AS_FITTED, left };
      expect(area(moved)).toBeLessThan(area(AS_FITTED) - 50);
      expect(Math.abs(area(moved, -1) / area(AS_FITTED, -1) - 1)).toBeLessThan(0.004);
      expect(Math.abs(area(turnedOffsets(moved), -1) / area(moved, 1) - 1)).toBeLessThan(0.01);
    }
    expect(area({ ...AS_FITTED, nape: -15 })).toBeGreaterThan(area(AS_FITTED));
  });

  it('its beads lie on it, as far from where they were as they were dragged', () => {
    const shape = headShape(REFERENCE_SCORES);
    const at = (offsets: typeof AS_FITTED) => hairlinePoints(shape, hairline(shape, offsets));
    const before = at(AS_FITTED);
    const after = at({ ...AS_FITTED, front: 12, left: { ...AS_FITTED.left, temple: -9 } });
    const moved = (name: string, side: string) => {
      const find = (list: typeof before) => list.find((p) => p.name === name && p.side === side)!.at;
      return Math.sqrt(find(before).reduce((sum, v, i) => sum + (v - find(after)[i]) ** 2, 0));
    };
    expect(moved('front', 'middle')).toBeGreaterThan(10);
    expect(moved('front', 'middle')).toBeLessThan(16);
    expect(moved('temple', 'left')).toBeGreaterThan(8);
    expect(moved('temple', 'right')).toBeLessThan(0.01);
    expect(before).toHaveLength(2 + 2 * SIDE_POINTS.length);
  });
});

describe('marks', () => {
  const head = wholeHead(REFERENCE_SCORES, 32);
  const region = (r: Region, kind: MarkKind = 'tender', erase = false): Mark => ({ kind, erase, place: { region: r } });
  const inside = (marks: readonly Mark[], x: number, y: number, z: number, kind: MarkKind = 'tender') =>
    markMasks(head, marks)[kind][nearestVertex(head.mesh, x, y, z)] === 1;
  const area = (marks: readonly Mark[], kind: MarkKind = 'tender', on = head) => {
    const mask = markMasks(on, marks)[kind];
    return mask.reduce((sum, m, v) => sum + m * on.mesh.vertexAreasMm2[v], 0);
  };

  it('regions lie where they are called, on both sides', () => {
    for (const side of [1, -1]) {
      expect(inside([region('overEars')], side * 78, -5, 10)).toBe(true);
      expect(inside([region('temples')], side * 66, 38, 50)).toBe(true);
      expect(inside([region('overEars')], side * 30, -30, -85)).toBe(false);
    }
    expect(inside([region('nape')], 0, -66, -72)).toBe(true);
    expect(inside([region('crown')], 0, 107, -10)).toBe(true);
    expect(inside([region('frontEdge')], 0, 55, 92)).toBe(true);
    expect(inside([region('frontEdge')], 0, 107, -10)).toBe(false);
  });

  const dab = (radiusMm: number, erase = false): Mark => ({
    kind: 'tender',
    erase,
    place: { stroke: { points: [[150, 40]], radiusMm } },
  });

  it('a dab is a disc of its radius; a stroke is a disc drawn along', () => {
    expect(Math.abs(area([dab(15)]) / (Math.PI * 225) - 1)).toBeLessThan(0.08);
    const stroke: Mark = {
      kind: 'tender',
      erase: false,
      place: {
        stroke: {
          points: [
            [170, 40],
            [140, 40],
            [110, 40],
          ],
          radiusMm: 12,
        },
      },
    };
    const points = [170, 140, 110].map((a) => onSurface(head.shape, directionOf([a, 40])));
    const length = [0, 1].reduce(
      (sum, i) => sum + Math.sqrt(points[i].reduce((s, v, c) => s + (v - points[i + 1][c]) ** 2, 0)),
      0,
    );
    expect(Math.abs(area([stroke]) / (Math.PI * 144 + 24 * length) - 1)).toBeLessThan(0.08);
  });

  it('later marks win: what is wiped out is gone, what is painted again is back', () => {
    expect(area([dab(15), dab(20, true)])).toBe(0);
    expect(area([dab(15), dab(20, true), dab(15)])).toBeCloseTo(area([dab(15)]), 9);
    expect(area([region('nape'), dab(20, true)])).toBeCloseTo(area([region('nape')]), 9);
    expect(area([dab(15)], 'thin')).toBe(0);
  });

  it('stay where they were painted when her head is measured anew', () => {
    const larger = wholeHead([1.2, 0, 0, 0, 0, 0, 0, 0], 32);
    expect(Math.abs(area([dab(15)], 'tender', larger) / (Math.PI * 225) - 1)).toBeLessThan(0.08);
    fc.assert(
      fc.property(
        fc.double({ min: -179, max: 179, noNaN: true }),
        fc.double({ min: 0, max: 85, noNaN: true }),
        (a, e) => {
          const [back, up] = directionDeg(directionOf([a, e]));
          expect(Math.abs(back - a)).toBeLessThan(e > 80 ? 1 : 0.06);
          expect(Math.abs(up - e)).toBeLessThan(0.06);
        },
      ),
      { seed: 322, numRuns: 60 },
    );
  });
});

describe('where she stands', () => {
  it('shares of a normal distribution are those of the table (Abramowitz and Stegun 26.1)', () => {
    for (const [z, share] of [
      [0, 0.5],
      [1, 0.8413447],
      [-1, 0.1586553],
      [1.96, 0.9750021],
      [-2.5, 0.0062097],
    ]) {
      expect(normalShareBelow(z)).toBeCloseTo(share, 6);
    }
  });

  it('a mean girth is over half, two deviations more over 97 of 100', () => {
    const shape = headShape(REFERENCE_SCORES);
    const { meanMm, sdMm } = HEAD_NORMS.girth.women;
    expect(standings(shape, meanMm)[0].ofWomen).toBe(50);
    expect(standings(shape, meanMm + 2 * sdMm)[0].ofWomen).toBe(98);
    expect(standings(shape, meanMm)[0].ofMen).toBeLessThan(10);
  });

  it('the prior head has a length and breadth that measured heads have', () => {
    const shape = headShape(REFERENCE_SCORES);
    for (const s of standings(shape, 565)) {
      expect(s.ofWomen).toBeGreaterThan(1);
      expect(s.ofMen).toBeLessThan(99.5);
    }
  });
});
