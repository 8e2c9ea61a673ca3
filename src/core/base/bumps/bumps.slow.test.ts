/** Tails on the head: volumes kept, ways inside the hairline, lumps found and lowered; thread against the helix. */
import { describe, expect, it } from 'vitest';
import { groundOf, PLAIN_HAIR, REFERENCE_SCORES } from '../../../../tests/helpers/heads.ts';
import { nearestVertex } from '../../geometry/surface-mesh.ts';
import { polylineLength } from '../../geometry/vectors.ts';
import { hairMassG } from '../../hair/own-hair.ts';
import { directionDeg, directionOf, onSurface } from '../../head/marks.ts';
import { FAMILIES, FAMILY_INFO, type Family, PARKINGS, type ParkingHow } from '../../trade/bases.ts';
import { KERATIN_G_CM3, PACKING } from '../../trade/own-hair.ts';
import { editSections, type LaidBase, layBase } from '../base.ts';
import { type BaseChoice, DEFAULT_BASE } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import { flatten } from '../tails/flatten.ts';
import { parkingOf, parkTails } from '../tails/parking.ts';
import { helixTurnMm, rodOf, sectionTails, taperedHelixMm } from '../tails/tails.ts';
import { bumpMap, depositTail, lyingVolume } from './bumps.ts';

const own = { ...PLAIN_HAIR, lengthMm: 240 };
const ground = groundOf(REFERENCE_SCORES, 40, own);
const choiceOf = (family: Family, change: Partial<BaseChoice> = {}): BaseChoice => ({
  ...DEFAULT_BASE,
  family,
  ...FAMILY_INFO[family].start,
  ...change,
});
const lay = (choice: BaseChoice, on: BaseContext = ground): LaidBase =>
  layBase(on, choice, editSections(on, choice, { pointsMm: new Float64Array(0) }));
const all = (how: ParkingHow): Partial<BaseChoice> => ({ parking: { all: how, bySection: {} } });
const volumeOf = (heights: ArrayLike<number>, on = ground) => {
  let sum = 0;
  for (let v = 0; v < heights.length; v++) sum += heights[v] * on.mesh.vertexAreasMm2[v];
  return sum;
};

describe('the bump map', () => {
  it('holds all the hair and no more: root to tie at the packing of lying hair, the rest at that of its tail', () => {
    for (const how of ['folded', 'wrapped', 'sewn', 'crossed', 'parcel', 'coiled'] as const) {
      const choice = choiceOf('tied', all(how));
      const base = lay(choice);
      const lying = lyingVolume(ground, base.map, base.tails, base.parked, choice);
      const tails = base.tails.reduce((sum, t) => sum + t.crossSectionMm2 * t.lengthMm, 0);
      expect(
        volumeOf(base.bumps.heightMm) / (volumeOf(lying.map((v, i) => v / ground.mesh.vertexAreasMm2[i])) + tails),
      ).toBeCloseTo(1, 3);
    }
  });

  it('weighs what the hair weighs: volume × packing × keratin, within what plaiting takes up', () => {
    const choice = choiceOf('tied', all('folded'));
    const base = lay(choice);
    const lying = lyingVolume(ground, base.map, base.tails, base.parked, choice).reduce((a, b) => a + b, 0);
    const tails = base.tails.reduce((sum, t) => sum + t.crossSectionMm2 * t.lengthMm, 0);
    const grams = ((lying * PACKING.lying + tails * PACKING.plait) * KERATIN_G_CM3) / 1000;
    const hair = base.tails.reduce((sum, t) => sum + t.hairs * hairMassG('medium', own.lengthMm), 0);
    // A plait is 15 per cent shorter than its hair.
    expect(grams / hair).toBeGreaterThan(0.84);
    expect(grams / hair).toBeLessThan(1.06);
  });

  it('two low tails that cross are lower than one coil (common practice, no source)', () => {
    const crossed = lay(choiceOf('crossed'));
    const coil = lay(choiceOf('puff', { tieAt: 'back', ringFingers: 0 }));
    expect(crossed.bumps.highestMm).toBeLessThan(coil.bumps.highestMm);
  });

  it('everything in one parcel stands up, spread tails lie flat (common practice, no source)', () => {
    const parcel = lay(choiceOf('tied', all('parcel')));
    const folded = lay(choiceOf('tied', all('folded')));
    expect(parcel.bumps.highestMm).toBeGreaterThan(1.5 * folded.bumps.highestMm);
    expect(parcel.bumps.lumps.length).toBeGreaterThan(0);
    const [lump] = parcel.bumps.lumps;
    expect(lump.heightMm).toBeCloseTo(parcel.bumps.highestMm, 9);
    expect(lump.sections.length).toBeGreaterThan(2);
  });

  it('longer or thicker hair stands higher; a base laid flat is the lowest', () => {
    const high = (change: Partial<typeof own>) =>
      lay(choiceOf('tied'), groundOf(REFERENCE_SCORES, 28, { ...own, ...change })).bumps.highestMm;
    expect(high({ fullness: 'thick' })).toBeGreaterThan(high({}));
    expect(high({ lengthMm: 120 })).toBeLessThan(high({}));
    expect(lay(choiceOf('laidFlat')).bumps.highestMm).toBeLessThan(lay(choiceOf('tied')).bumps.highestMm);
  });

  it('rows that are entered stand up where she drew them, and end in their tie', () => {
    const line = [
      [60, 45],
      [110, 55],
      [150, 20],
      [160, -10],
    ] as const;
    const lines = [line, line.map(([a, e]) => [-a, e] as const)];
    const choice = choiceOf('found', {
      found: { what: 'rows', ageDays: 9, lines },
      parking: { all: 'folded', bySection: {} },
    });
    const base = lay(choice);
    const at = (azimuth: number, elevation: number) => {
      const v = nearestVertex(ground.mesh, ...onSurface(ground.shape, directionOf([azimuth, elevation])));
      return base.bumps.heightMm[v];
    };
    // On the line it is higher than a finger and a half to either side of it.
    expect(at(150, 20)).toBeGreaterThan(1.5 * at(130, 0));
    expect(at(150, 20)).toBeGreaterThan(1.5 * at(176, 45));
    expect(Math.abs(directionDeg(base.tails[0].tieMm)[0] - 160)).toBeLessThan(3);
  });

  it('a tail that is fed into another lies where that one goes, also from one to the next', () => {
    const bySection = { b1: { how: 'fed', into: 'b2' }, b2: { how: 'fed', into: 'b3' } } as const;
    const choice = choiceOf('tied', { parking: { bySection } });
    const { parked, tails, map } = lay(choice);
    const of = (id: string) => parked[map.sections.findIndex((s) => s.id === id)];
    const handed = of('b1').handsOnMm3 + of('b2').handsOnMm3;
    expect(handed).toBeGreaterThan(0);
    expect(of('b3').joinedMm3).toBeCloseTo(handed, 6);
    const volume = (i: number) =>
      depositTail(ground, map, tails[i], parked[i], choice).volumeMm3.reduce((a, b) => a + b, 0);
    const sum = parked.reduce((total, _, i) => total + volume(i), 0);
    expect(sum / tails.reduce((total, t) => total + t.crossSectionMm2 * t.lengthMm, 0)).toBeCloseTo(1, 6);
  });

  it('two fed into each other end somewhere', () => {
    const bySection = { b1: { how: 'fed', into: 'b2' }, b2: { how: 'fed', into: 'b1' } } as const;
    const { bumps } = lay(choiceOf('tied', { parking: { bySection } }));
    expect(Number.isFinite(bumps.highestMm)).toBe(true);
  });

  it('is finite and nowhere negative for every family and parking', () => {
    const small = groundOf(REFERENCE_SCORES, 20, own);
    for (const family of FAMILIES) {
      for (const how of PARKINGS) {
        const { bumps } = lay(choiceOf(family, all(how)), small);
        for (const h of bumps.heightMm) expect(h >= -1e-9 && h < 200).toBe(true);
      }
    }
  });
});

describe('the way of a tail', () => {
  it('starts at its tie, is no longer than the tail, and stays on the hair-bearing scalp', () => {
    for (const how of ['folded', 'wrapped', 'sewn', 'crossed', 'parcel'] as const) {
      const { parked, tails } = lay(choiceOf('tied', all(how)));
      parked.forEach((p, i) => {
        for (let c = 0; c < 3; c++) expect(p.pathMm[c]).toBeCloseTo(tails[i].tieMm[c], 6);
        expect(p.pathLengthMm).toBeLessThan(tails[i].lengthMm + 1e-6);
        expect(polylineLength(p.pathMm)).toBeCloseTo(p.pathLengthMm, 9);
        for (let k = 0; k < p.pathMm.length; k += 3) {
          const nearest = nearestDistance(p.pathMm, k);
          expect(nearest).toBeLessThan(6);
        }
      });
    }
  });

  it('goes where she says', () => {
    const bySection = { b1: { how: 'sewn', to: [-150, 0] } } as const;
    const { parked, map } = lay(choiceOf('tied', { parking: { bySection } }));
    const i = map.sections.findIndex((s) => s.id === 'b1');
    const p = parked[i].pathMm;
    expect(p[0]).toBeGreaterThan(0);
    expect(p[p.length - 3]).toBeLessThan(p[0]);
    expect(parkingOf(choiceOf('tied'), map, i, lay(choiceOf('tied')).tails[i]).how).toBe('folded');
  });

  function nearestDistance(p: Float64Array, k: number): number {
    let best = Number.POSITIVE_INFINITY;
    const q = ground.mesh.positionsMm;
    for (let v = 0; v < q.length; v += 3) {
      best = Math.min(best, (q[v] - p[k]) ** 2 + (q[v + 1] - p[k + 1]) ** 2 + (q[v + 2] - p[k + 2]) ** 2);
    }
    return Math.sqrt(best);
  }
});

describe('flatten', () => {
  it('lowers the highest bump, changes only what it says, and is the same every time', () => {
    const choice = choiceOf('tied', all('wrapped'));
    const { map, tails, bumps } = lay(choice);
    const found = flatten(ground, map, tails, choice);
    expect(found.beforeMm).toBeCloseTo(bumps.highestMm, 6);
    expect(found.afterMm).toBeLessThan(0.8 * found.beforeMm);
    const flatter = lay({ ...choice, parking: { ...choice.parking, bySection: found.parking } });
    expect(flatter.bumps.highestMm).toBeCloseTo(found.afterMm, 6);
    expect(flatten(ground, map, tails, choice)).toEqual(found);
  });

  it('never makes it worse, and proposes nothing where nothing is tied', () => {
    for (const family of ['laidFlat', 'grid', 'crossed', 'flatTwists'] as const) {
      const choice = choiceOf(family);
      const { map, tails } = lay(choice);
      const found = flatten(ground, map, tails, choice);
      expect(found.afterMm).toBeLessThanOrEqual(found.beforeMm);
      if (family === 'laidFlat' || family === 'grid') expect(found.parking).toEqual({});
    }
  });

  it('leads no tail farther than its hair reaches', () => {
    const short = groundOf(REFERENCE_SCORES, 24, { ...own, lengthMm: 130 });
    const choice = choiceOf('tied', all('parcel'));
    const { map, tails } = lay(choice, short);
    const found = flatten(short, map, tails, choice);
    const parked = parkTails(short, map, tails, {
      ...choice,
      parking: { ...choice.parking, bySection: found.parking },
    });
    for (const p of parked) {
      if (map.sections[p.section].id in found.parking && p.parking.how !== 'folded') {
        expect(tails[p.section].meanRootMm + p.neededMm).toBeLessThanOrEqual(130);
      }
    }
  });
});

describe('thread on a rod', () => {
  it('is the length of a helix: √((2πr)² + pitch²) a turn, here against points along the curve', () => {
    for (const [r, pitch] of [
      [4, 5],
      [2.5, 3],
      [6, 12],
    ]) {
      let length = 0;
      const steps = 20_000;
      for (let i = 1; i <= steps; i++) {
        const at = (k: number) => [
          r * Math.cos((2 * Math.PI * k) / steps),
          r * Math.sin((2 * Math.PI * k) / steps),
          (pitch * k) / steps,
        ];
        const [a, b] = [at(i - 1), at(i)];
        length += Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);
      }
      expect(helixTurnMm(r, pitch)).toBeCloseTo(length, 4);
    }
  });

  it('on a rod that thins to nothing is between half and the whole of a straight one', () => {
    const straight = (150 / 5) * helixTurnMm(4, 5);
    const tapered = taperedHelixMm(4, 150, 5);
    expect(tapered).toBeLessThan(straight);
    expect(tapered).toBeGreaterThan(straight / 2);
    // Against the integral of √((2πr(1−s))² + p²)/p ds in closed form.
    const k = (2 * Math.PI * 4) / 5;
    const exact = (150 / 2) * (Math.sqrt(1 + k * k) + Math.asinh(k) / k);
    expect(tapered).toBeCloseTo(exact, 1);
  });

  it('grows with closer turns, and a head of rods takes tens of metres (common practice, no source)', () => {
    expect(rodOf({ lengthMm: 150, thicknessMm: 7 }, 3).threadMm).toBeGreaterThan(
      rodOf({ lengthMm: 150, thicknessMm: 7 }, 8).threadMm,
    );
    const sum = lay(choiceOf('threaded')).sections.reduce((a, s) => a + s.threadMm, 0) / 1000;
    expect(sum).toBeGreaterThan(10);
    expect(sum).toBeLessThan(120);
  });
});

describe('tails', () => {
  it('weigh and count what lies in their section', () => {
    const { map } = lay(choiceOf('tied'));
    const tails = sectionTails(ground, map, choiceOf('tied'));
    expect(tails.reduce((s, t) => s + t.hairs, 0)).toBeCloseTo(ground.hair.hairs, 3);
    expect(tails.reduce((s, t) => s + t.massG, 0)).toBeCloseTo(ground.hair.massG, 6);
    for (const t of tails) {
      expect(map.labels[t.tieVertex]).toBe(tails.indexOf(t));
      expect(t.meanRootMm).toBeLessThan(t.farthestRootMm);
      // hairs × π d²/4 = area × packing
      expect(t.crossSectionMm2 * PACKING.plait).toBeCloseTo((t.hairs * Math.PI * 0.07 ** 2) / 4, 6);
    }
  });

  it('the map of nothing is flat', () => {
    const { map } = lay(choiceOf('tied'));
    expect(bumpMap(ground, map, new Float64Array(ground.mesh.vertexCount), []).highestMm).toBe(0);
  });
});
