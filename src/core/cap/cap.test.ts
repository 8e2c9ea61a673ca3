/** Stretch against closed forms, and facts of the trade about caps (common practice, no source). */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../tests/helpers/heads.ts';
import type { LinePart } from '../head/part.ts';
import { type Cap, DEFAULT_CAP, HOLE_SHAPES } from '../trade/caps.ts';
import { anchorPlaceOf, anchorSteps, combPoints, cutAfterKnot, heldByComb } from './anchors.ts';
import { holeSteps } from './cap.ts';
import { fitCap } from './fit.ts';
import { knotsToCloseTop, MARGIN_MM, netAt, openingOnHead } from './opening.ts';
import { netOn, spacingOnForm, stretchOver } from './stretch.ts';

const head = wholeHead(REFERENCE_SCORES, 16);
const { shape, line, mark } = head;
const uncut = { lineMm: new Float64Array(0), widthMm: 0 };
const capOf = (change: Partial<Cap>): Cap => ({ ...DEFAULT_CAP, ...change });

describe('stretch between two spheres', () => {
  /** A great circle and half of one: girth and depth of a form. */
  const sphere = (r: number) => ({ girthMm: 2 * Math.PI * r, depthMm: Math.PI * r });

  it('540 to 580 mm: 1.0741 along, 1.1536 in area, 18 worn is 16.76 on the block (closed form)', () => {
    const block = { girthMm: 540, depthMm: 270 };
    const head = { girthMm: 580, depthMm: 290 };
    const cap = capOf({ girthMm: 500, depthMm: 250 });
    const f = spacingOnForm({ gapMm: 18, pitchMm: 18 }, netOn(cap, block), netOn(cap, head), 18);
    expect(18 / f.gapMm).toBeCloseTo(1.0741, 4);
    expect(f.pitchMm).toBeCloseTo(16.759, 3);
    expect(f.densityThere / f.densityWorn).toBeCloseTo(1.15364, 5);
  });

  it('keeps the number of knots and the holes between them; density falls with the square of the radius', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 82, max: 90, noNaN: true }),
        fc.double({ min: 1, max: 1.15, noNaN: true }),
        fc.double({ min: 10, max: 40, noNaN: true }),
        fc.constantFrom(...HOLE_SHAPES),
        (r, grows, worn, hole) => {
          const cap = capOf({ girthMm: 2 * Math.PI * 80, depthMm: Math.PI * 80, hole });
          const on = netOn(cap, sphere(r));
          const head = netOn(cap, sphere(r * grows));
          const f = spacingOnForm({ gapMm: worn, pitchMm: worn }, on, head, 18);
          const area = (radius: number) => 4 * Math.PI * radius * radius;
          expect(area(r) / (f.gapMm * f.pitchMm)).toBeCloseTo(area(r * grows) / (worn * worn), 6);
          expect(f.densityThere / f.densityWorn).toBeCloseTo(grows * grows, 9);
          expect(f.holesAcross * on.holeAcrossMm).toBeCloseTo(f.pitchMm, 9);
          expect(f.holesUp * on.holeUpMm).toBeCloseTo(f.gapMm, 9);
        },
      ),
      { seed: 401 },
    );
  });

  it('a form smaller than the net leaves it slack and opens nothing', () => {
    expect(stretchOver({ girthMm: 500, depthMm: 320 }, { girthMm: 480, depthMm: 300 })).toEqual({ across: 1, up: 1 });
  });

  it('holes: as many to the area in every direction of their lattice (closed forms)', () => {
    const cell = (hole: (typeof HOLE_SHAPES)[number]) => {
      const { acrossMm, upMm } = holeSteps(hole, 4);
      return acrossMm * upMm;
    };
    expect(cell('square')).toBeCloseTo(16, 9);
    expect(cell('diamond')).toBeCloseTo(16, 9);
    // Densest packing of equal distances: √3/2 of the square's cell.
    expect(cell('honeycomb')).toBeCloseTo(16 * (Math.sqrt(3) / 2), 9);
  });
});

describe('the cap on her head', () => {
  it('is tight beyond its stretch, slack where it need not stretch, snug between', () => {
    const sits = (girthMm: number) => fitCap(capOf({ girthMm, stretch: 1.2 }), 565, 580, 360).fit;
    expect([sits(470), sits(500), sits(575)]).toEqual(['tight', 'snug', 'slack']);
  });

  it('on a small head the lowest back stays empty (common practice)', () => {
    expect(fitCap(capOf({ depthMm: 360 }), 530, 540, 330).emptyBackMm).toBe(30);
    expect(fitCap(capOf({ depthMm: 320 }), 565, 580, 360).emptyBackMm).toBe(0);
    expect(fitCap(capOf({ dome: 'none', depthMm: 400 }), 565, 580, 360).emptyBackMm).toBe(0);
  });

  it('a handful of knots closes an open top (common practice)', () => {
    expect(knotsToCloseTop({ dome: 'openTop' })).toBeGreaterThanOrEqual(4);
    expect(knotsToCloseTop({ dome: 'openTop' })).toBeLessThanOrEqual(6);
    expect(knotsToCloseTop({ dome: 'closed' })).toBe(0);
  });
});

describe('the opening', () => {
  const part: LinePart = { kind: 'line', frontMm: 30, endMm: 20, lengthMm: 90, bendMm: 0 };

  it('has its own length: longer than the part it is hooked closed, shorter the part runs on over net', () => {
    const longer = openingOnHead(shape, line, capOf({ opening: 'stitchedU', openingMm: 130 }), part, 15);
    expect(longer.surplusMm).toBe(40);
    expect(longer.piecesToClose).toBe(3);
    expect(longer.partOnNetMm).toBe(0);
    const shorter = openingOnHead(shape, line, capOf({ opening: 'cut', openingMm: 60 }), part, 15);
    expect([shorter.surplusMm, shorter.partOnNetMm]).toEqual([0, 30]);
  });

  it('is drawn as long as it is, beginning at the front hairline, along the part', () => {
    const o = openingOnHead(shape, line, capOf({ opening: 'cut', openingMm: 90 }), part, 15);
    let length = 0;
    for (let i = 3; i < o.lineMm.length; i += 3)
      length += Math.hypot(
        o.lineMm[i] - o.lineMm[i - 3],
        o.lineMm[i + 1] - o.lineMm[i - 2],
        o.lineMm[i + 2] - o.lineMm[i - 1],
      );
    expect(Math.abs(length - 90)).toBeLessThan(1);
    expect(o.lineMm[0]).toBeCloseTo(30, 1);
  });

  it('net, margin and cut-out follow each other outwards; a slit leaves the net whole', () => {
    const o = openingOnHead(shape, line, capOf({ opening: 'cut', openingWidthMm: 20 }), part, 15);
    expect([0, 9, 10, 17, 19].map((mm) => netAt(o, mm))).toEqual(['cutOut', 'cutOut', 'margin', 'margin', 'net']);
    expect(o.marginMm).toBe(MARGIN_MM);
    const slit = openingOnHead(shape, line, capOf({ opening: 'slit' }), part, 15);
    expect(netAt(slit, 0)).toBe('net');
    expect(slit.lengthMm).toBeLessThan(20);
  });

  it('a U is cut just inside its stitching (common practice)', () => {
    const o = openingOnHead(shape, line, capOf({ opening: 'stitchedU', openingWidthMm: 30 }), part, 15);
    expect(o.cutAtMm).toBeLessThan(15);
    expect(o.cutAtMm).toBeGreaterThan(11);
  });
});

describe('what holds it', () => {
  const at = (place: 'nape' | 'sides' | 'corners' | 'front', number: number) => ({
    id: `${place}${number}`,
    place,
    number,
  });

  it('comes nape first, front last, and nothing is cut before sides and corners hold', () => {
    const steps = anchorSteps(
      DEFAULT_CAP,
      [at('nape', 1), at('nape', 9), at('sides', 60), at('corners', 120), at('front', 180)],
      head,
    );
    expect(steps.map((s) => s.place)).toEqual(['nape', 'sides', 'corners', 'front']);
    expect(cutAfterKnot(steps)).toBe(120);
  });

  it('combs and pins are counted in', () => {
    const pins = (cap: Cap) => anchorSteps(cap, [], head).reduce((sum, s) => sum + s.pins, 0);
    const bare = pins(DEFAULT_CAP);
    const combed = pins(capOf({ combs: ['sides', 'nape', 'front'] }));
    expect(combed).toBeLessThan(bare);
    expect(combed).toBeGreaterThanOrEqual(0);
    expect(anchorSteps(capOf({ dome: 'none' }), [], head)).toEqual([]);
  });

  it('a comb stands in for the anchors beside it, on both sides of the head', () => {
    const combs = combPoints(capOf({ combs: ['sides'] }), head, uncut);
    const [x, y, z] = mark.earTop;
    expect(heldByComb(combs, x, y, z)).toBe(true);
    expect(heldByComb(combs, -x, y, z)).toBe(true);
    expect(heldByComb(combs, ...mark.napeHairline)).toBe(false);
    expect(combPoints(capOf({ dome: 'none', combs: ['sides'] }), head, uncut)).toEqual([]);
  });

  it('combs sit where she says: round an opening on both sides and behind it, and at places of her own', () => {
    const part: LinePart = { kind: 'line', frontMm: 30, endMm: 30, lengthMm: 90, bendMm: 0 };
    const cap = capOf({ opening: 'openU', openingMm: 90, openingWidthMm: 30, combs: ['opening'] });
    const opened = openingOnHead(shape, line, cap, part, 15);
    const combs = combPoints(cap, head, opened);
    expect(combs).toHaveLength(3);
    const away = (p: readonly number[]) =>
      Math.min(
        ...Array.from({ length: opened.lineMm.length / 3 }, (_, i) =>
          Math.hypot(...[0, 1, 2].map((c) => p[c] - opened.lineMm[3 * i + c])),
        ),
      );
    for (const p of combs) {
      expect(away(p)).toBeGreaterThan(8);
      expect(away(p)).toBeLessThan(30);
    }
    // On either side of its middle.
    const [a, b] = combs;
    expect((a[0] - opened.lineMm[0]) * (b[0] - opened.lineMm[0])).toBeLessThan(0);
    expect(combPoints(capOf({ combs: ['opening'] }), head, uncut)).toEqual([]);
    const own = combPoints(capOf({ combsAt: [[180, -10]] }), head, uncut);
    expect(own).toHaveLength(1);
    expect(own[0][2]).toBeLessThan(-60);
    const held = anchorSteps(capOf({ combsAt: [[180, -20]] }), [], head);
    expect(held.find((s) => s.place === 'nape')?.combs).toBe(1);
  });

  it('places at the edge know where they belong', () => {
    expect(anchorPlaceOf(mark, ...mark.napeCorner)).toBe('nape');
    expect(anchorPlaceOf(mark, -mark.temple[0], mark.temple[1], mark.temple[2])).toBe('corners');
    expect(anchorPlaceOf(mark, ...mark.frontHairline)).toBe('front');
    expect(anchorPlaceOf(mark, ...mark.earTop)).toBe('sides');
  });
});
