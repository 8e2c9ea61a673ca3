import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryScores, REFERENCE_SCORES } from '../../../tests/helpers/heads.ts';
import { landmarks } from './landmarks.ts';
import { HEAD_PARAMETERS, parametersFromScores } from './parameters.ts';
import { gauge, headShape, rayLength } from './shape.ts';

describe('head parameters', () => {
  it('are the prior medians at score 0', () => {
    expect([...parametersFromScores(new Float64Array(8))]).toEqual(HEAD_PARAMETERS.map((p) => p.median));
  });

  it('never leave 3.5 prior deviations, whatever the score', () => {
    for (const score of [-1e6, -50, 50, 1e6]) {
      parametersFromScores(new Float64Array(8).fill(score)).forEach((value, i) => {
        const p = HEAD_PARAMETERS[i];
        expect(Math.abs(Math.log(value / p.median) / p.logSd)).toBeLessThanOrEqual(3.5 + 1e-9);
      });
    }
  });
});

describe('head surface', () => {
  const direction = fc.tuple(
    fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
    fc.double({ min: -0.9, max: 1.5, noNaN: true }),
  );

  it('is met by every ray above the nape, where the gauge is 0, and only once', () => {
    fc.assert(
      fc.property(arbitraryScores, direction, (scores, [azimuth, elevation]) => {
        const head = headShape(scores);
        const d = [
          Math.sin(azimuth) * Math.cos(elevation),
          Math.sin(elevation),
          Math.cos(azimuth) * Math.cos(elevation),
        ] as const;
        const t = rayLength(head, 0, 0, 0, ...d);
        expect(Math.abs(gauge(head, t * d[0], t * d[1], t * d[2]))).toBeLessThan(1e-7);
        for (const share of [0.3, 0.7, 0.95])
          expect(gauge(head, share * t * d[0], share * t * d[1], share * t * d[2])).toBeLessThan(0);
      }),
      { seed: 21, numRuns: 200 },
    );
  });

  it('is the same on both sides', () => {
    fc.assert(
      fc.property(arbitraryScores, direction, (scores, [a, e]) => {
        const head = headShape(scores);
        const left = rayLength(head, 0, 0, 0, Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
        const right = rayLength(head, 0, 0, 0, -Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e));
        expect(left).toBeCloseTo(right, 9);
      }),
      { seed: 22 },
    );
  });

  it('says so when a ray leaves through the neck', () => {
    expect(() => rayLength(headShape(REFERENCE_SCORES), 0, 0, 0, 0, -1, 0)).toThrow(/does not meet/);
  });

  it('holds every landmark', () => {
    fc.assert(
      fc.property(arbitraryScores, (scores) => {
        const head = headShape(scores);
        for (const p of Object.values(landmarks(head)))
          expect(Math.abs(gauge(head, p[0], p[1], p[2]))).toBeLessThan(1e-6);
      }),
      { seed: 23 },
    );
  });

  it('has the prior’s length and breadth, 198 by 157 mm', () => {
    const head = headShape(REFERENCE_SCORES);
    expect(head.frontDepthMm + head.backDepthMm).toBeCloseTo(197.7, 0);
    expect(2 * head.halfBreadthMm).toBeCloseTo(156.9, 0);
  });
});
