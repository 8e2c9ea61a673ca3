/** Every way of sectioning: a tiling of her scalp in even bites; areas against closed forms and d3-geo on a sphere. */
import { geoArea, geoRotation } from 'd3-geo';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryScores, groundOf, PLAIN_HAIR, REFERENCE_SCORES } from '../../../../tests/helpers/heads.ts';
import { hemisphereContext } from '../../../../tests/helpers/spheres.ts';
import { partPolyline } from '../../head/part.ts';
import { BOX_SHAPES, FAMILIES, FAMILY_INFO, type Family, STRIPS } from '../../trade/bases.ts';
import { type BaseChoice, DEFAULT_BASE } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import { borders } from './borders.ts';
import { generateSections } from './generate.ts';
import { connectedPieces, type SectionMap } from './section-map.ts';

const NO_PART = { pointsMm: new Float64Array(0) };
const choiceOf = (family: Family, change: Partial<BaseChoice> = {}): BaseChoice => ({
  ...DEFAULT_BASE,
  family,
  ...FAMILY_INFO[family].start,
  ...change,
});
const partOf = (ground: BaseContext, frontMm = 30) => ({
  pointsMm: partPolyline(ground.shape, ground.line, { kind: 'line', frontMm, endMm: 22, lengthMm: 110, bendMm: 0 }),
});
const masses = (ground: BaseContext, map: SectionMap) => {
  const out = map.sections.map(() => 0);
  for (let v = 0; v < map.labels.length; v++) out[map.labels[v]] += ground.massG[v];
  return out;
};
const areas = (ground: BaseContext, map: SectionMap) => {
  const out = map.sections.map(() => 0);
  for (let v = 0; v < map.labels.length; v++) out[map.labels[v]] += ground.mesh.vertexAreasMm2[v];
  return out;
};

function expectTiling(ground: BaseContext, map: SectionMap) {
  const whole = ground.mesh.vertexAreasMm2.reduce((a, b) => a + b, 0);
  const all = areas(ground, map);
  expect(all.reduce((a, b) => a + b, 0)).toBeCloseTo(whole, 3);
  for (const label of map.labels) expect(map.sections[label]).toBeDefined();
  for (const area of all) expect(area).toBeGreaterThan(0);
  // Each section is one piece.
  expect(connectedPieces(ground.mesh, map.labels)).toHaveLength(map.sections.length);
  expect(new Set(map.sections.map((s) => s.id)).size).toBe(map.sections.length);
}

describe('every generator', () => {
  it('tiles the scalp of 200 plausible heads: no overlap, no gap, every section in one piece', () => {
    const families = FAMILIES.flatMap((f) =>
      f === 'grid' ? BOX_SHAPES.map((boxes) => choiceOf(f, { boxes })) : [choiceOf(f)],
    );
    fc.assert(
      fc.property(
        arbitraryScores,
        fc.constantFrom(...families),
        fc.constantFrom(...STRIPS),
        fc.integer({ min: 1, max: 12 }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (scores, choice, where, count, frontMm) => {
          const ground = groundOf(scores, 12);
          const sized = {
            ...choice,
            behind: count,
            front: count % 6,
            leftOut: { where, fingers: 0.75, atEnd: 'stay' as const },
          };
          expectTiling(ground, generateSections(ground, sized, partOf(ground, frontMm)));
        },
      ),
      { seed: 301, numRuns: 200, endOnFailure: true },
    );
  });

  it('cuts bites of equal hair mass within 3 per cent, also where the crown is thin', () => {
    for (const own of [{}, { byRegion: { crown: { fullness: 'thin' as const, lengthMm: 90 } } }]) {
      const ground = groundOf(REFERENCE_SCORES, 40, { ...PLAIN_HAIR, lengthMm: 240, ...own });
      const worst = (choice: BaseChoice) => {
        const map = generateSections(ground, choice, NO_PART);
        const of = masses(ground, map);
        const groups = map.sections.map((s) => s.id.replace(/\d+$/, ''));
        const offs = [...new Set(groups)].flatMap((group) => {
          const alike = of.filter((_, i) => groups[i] === group);
          const mean = alike.reduce((a, b) => a + b, 0) / alike.length;
          return alike.map((m) => Math.abs(m / mean - 1));
        });
        return Math.max(...offs);
      };
      expect(worst(choiceOf('tied', { behind: 4, front: 4 }))).toBeLessThan(0.03);
      expect(worst(choiceOf('tied', { behind: 5, front: 4 }))).toBeLessThan(0.03);
      expect(worst(choiceOf('tied', { behind: 6, front: 0 }))).toBeLessThan(0.03);
      expect(worst(choiceOf('flatTwists', { count: 7 }))).toBeLessThan(0.03);
    }
  });

  it('lays as many as are asked for', () => {
    const ground = groundOf(REFERENCE_SCORES, 28);
    const count = (choice: BaseChoice) => generateSections(ground, choice, NO_PART).sections.length;
    expect(count(choiceOf('tied', { behind: 2, front: 2 }))).toBe(4);
    expect(count(choiceOf('tied', { behind: 3, front: 3 }))).toBe(6);
    expect(count(choiceOf('tied', { behind: 2, front: 1, tail: 'smooth' }))).toBe(3);
    expect(count(choiceOf('allOver', { count: 24 }))).toBe(24);
    expect(count(choiceOf('threaded', { count: 36 }))).toBe(36);
    expect(count(choiceOf('crossed'))).toBe(2);
    expect(count(choiceOf('intoCoil', { count: 3 }))).toBe(4);
    expect(count(choiceOf('flatTwists', { count: 8 }))).toBe(8);
    expect(count(choiceOf('laidFlat'))).toBe(1);
  });

  it('threading makes two to three dozen rods unless told otherwise (common practice, no source)', () => {
    const { count } = choiceOf('threaded');
    expect(count).toBeGreaterThanOrEqual(24);
    expect(count).toBeLessThanOrEqual(36);
  });

  it('is the same on both sides of a head that is: sections from her left and from her right weigh alike', () => {
    const ground = groundOf(REFERENCE_SCORES, 40);
    for (const choice of [
      choiceOf('tied', { behind: 5, front: 4 }),
      choiceOf('flatTwists', { count: 8 }),
      choiceOf('crossed'),
    ]) {
      const map = generateSections(ground, choice, NO_PART);
      for (const group of ['b', 'f', 'row', 'l']) {
        const of = areas(ground, map).filter((_, i) => map.sections[i].id.startsWith(group));
        for (let i = 0; i < of.length; i++) {
          expect(Math.abs(of[i] / of[of.length - 1 - i] - 1)).toBeLessThan(0.03);
        }
      }
    }
  });

  it('mirrors where the part is mirrored', () => {
    const ground = groundOf(REFERENCE_SCORES, 32);
    const at = (frontMm: number, side: number) => ({
      pointsMm: partPolyline(ground.shape, ground.line, {
        kind: 'line',
        frontMm: side * frontMm,
        endMm: side * 20,
        lengthMm: 100,
        bendMm: side * 6,
      }),
    });
    const [left, right] = areas(ground, generateSections(ground, choiceOf('behindPart'), at(36, 1)));
    const mirrored = areas(ground, generateSections(ground, choiceOf('behindPart'), at(36, -1)));
    expect(mirrored[1] / left).toBeCloseTo(1, 2);
    expect(mirrored[0] / right).toBeCloseTo(1, 2);
    expect(left).toBeLessThan(right);
  });
});

describe('on a hemisphere', () => {
  const R = 90;
  const ground = hemisphereContext(R, 40);
  it.each([3, 4, 6, 9])(
    '%i sectors round the pole have the area of the closed form, 2πR²/n, and of d3-geo’s polygons',
    (n) => {
      const map = generateSections(ground, choiceOf('tied', { behind: n, front: 0 }), NO_PART);
      const of = areas(ground, map);
      const whole = of.reduce((a, b) => a + b, 0);
      // The rim of the mesh is jagged: 0.7 per cent of a hemisphere is missing, evenly.
      expect(whole / (2 * Math.PI * R * R)).toBeGreaterThan(0.99);
      for (let i = 0; i < n; i++) {
        expect(Math.abs(of[i] / (whole / n) - 1)).toBeLessThan(0.01);
        expect(Math.abs(of[i] / (sectorArea(360 / n) * R * R) - 1)).toBeLessThan(0.02);
      }
    },
  );

  it('lines of sectors are meridians: each point of a line has one azimuth', () => {
    const map = generateSections(ground, choiceOf('tied', { behind: 6, front: 0 }), NO_PART);
    const lines = borders(ground.mesh, map).filter((l) => l.lengthMm > 60);
    expect(lines).toHaveLength(6);
    for (const { pointsMm: p, lengthMm } of lines) {
      expect(Math.abs(lengthMm / ((Math.PI / 2) * R) - 1)).toBeLessThan(0.08);
      const azimuths: number[] = [];
      for (let i = 0; i < p.length; i += 3)
        if (Math.hypot(p[i], p[i + 2]) > 30) azimuths.push(Math.atan2(p[i], -p[i + 2]));
      const unwound = azimuths.map((a) => (a - azimuths[0] + 3 * Math.PI) % (2 * Math.PI));
      expect(Math.max(...unwound) - Math.min(...unwound)).toBeLessThan(0.09);
    }
  });

  /** Steradians of a sector of the upper half so many degrees wide, by d3-geo. */
  function sectorArea(degrees: number): number {
    const upright = geoRotation([0, 0]);
    const ring: Array<[number, number]> = [[0, 90]];
    for (let a = 0; a <= degrees; a += 1) ring.push(upright([a, 0]));
    ring.push([0, 90]);
    const area = geoArea({ type: 'Polygon', coordinates: [ring] });
    return Math.min(area, 4 * Math.PI - area);
  }
});

describe('a strip left out', () => {
  it('is own hair in sight of that width, and everything else is sectioned as before', () => {
    const ground = groundOf(REFERENCE_SCORES, 32);
    const map = generateSections(
      ground,
      choiceOf('tied', { leftOut: { where: 'front', fingers: 1, atEnd: 'stay' } }),
      NO_PART,
    );
    const out = map.sections.findIndex((s) => s.role === 'inSight');
    expect(out).toBeGreaterThanOrEqual(0);
    for (let v = 0; v < map.labels.length; v++) {
      if (map.labels[v] === out) expect(ground.scalp.fromFrontHairline[v]).toBeLessThan(18 + ground.mesh.meanEdgeMm);
    }
    expect(map.sections.filter((s) => s.role === 'base')).toHaveLength(8);
  });
});

describe('boxes of a grid', () => {
  const ground = groundOf(REFERENCE_SCORES, 40);
  it.each(BOX_SHAPES)('%s: as large as asked for in fingers, to a sixth in the middle of the head', (boxes) => {
    const map = generateSections(ground, choiceOf('grid', { boxes, boxFingers: 2 }), NO_PART);
    const whole = areas(ground, map).filter((a) => a > 0.6 * 36 * 36);
    const median = [...whole].sort((a, b) => a - b)[whole.length >> 1];
    expect(Math.abs(median / (36 * 36) - 1)).toBeLessThan(1 / 6);
    // A count of N = A / side² within a tenth: edges are cut.
    const all = ground.mesh.vertexAreasMm2.reduce((a, b) => a + b, 0);
    expect(Math.abs(map.sections.length / (all / (36 * 36)) - 1)).toBeLessThan(0.16);
  });

  it('bricks are offset: a line between two boxes of a band meets the middle of a box above', () => {
    const share = (boxes: 'square' | 'brick') => {
      const map = generateSections(ground, choiceOf('grid', { boxes, boxFingers: 2 }), NO_PART);
      return map.sections.filter((s) => s.id.startsWith('x2.')).length;
    };
    // One box more in every other band: a half at each end.
    expect(share('brick')).toBe(share('square') + 1);
  });
});

describe('rows that are already there', () => {
  it('are entered by their lines: every place belongs to the line nearest to it', () => {
    const ground = groundOf(REFERENCE_SCORES, 32);
    const lines = [40, 15, -15, -40].map((a) => [
      [a, 40],
      [a * 1.6, 70],
      [Math.sign(a) * (180 - Math.abs(a)), 30],
      [Math.sign(a) * (180 - Math.abs(a)), -15],
    ]) as unknown as BaseChoice['found']['lines'];
    const map = generateSections(ground, choiceOf('found', { found: { what: 'rows', ageDays: 10, lines } }), NO_PART);
    expectTiling(ground, map);
    expect(map.sections).toHaveLength(4);
    const left = map.sections.findIndex((s) => s.id === 'row1');
    const p = ground.mesh.positionsMm;
    for (let v = 0; v < map.labels.length; v++) if (map.labels[v] === left) expect(p[3 * v]).toBeGreaterThan(-5);
  });
});
