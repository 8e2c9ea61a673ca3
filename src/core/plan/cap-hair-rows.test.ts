/** Cap, hair, rows and knots through the whole chain: what one decides, the others respect. */

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryPart, everyZone, hairOf, NO_CAP, PLAIN_CUT, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { DEFAULT_ROWS } from '../rows/choice.ts';
import { type Cap, DEFAULT_CAP } from '../trade/caps.ts';
import { LOOPS } from '../trade/loops.ts';
import { DRESSINGS, SPLITS } from '../trade/preparation.ts';
import { SCHEMES } from '../trade/rows.ts';
import { SCHOOL_OPTIONS } from '../trade/school-words.ts';
import type { SchoolName, Schools } from '../trade/schools.ts';
import { TEXTURES } from '../trade/textures.ts';
import type { PlanInputs } from './inputs.ts';

const pipeline = new Planner();
const plan = (change: Partial<PlanInputs> = {}) => pipeline.plan(plainInputs(change));
const cap = (change: Partial<Cap>) => ({ cap: { ...DEFAULT_CAP, ...change } });

const anySchools = fc.record(
  Object.fromEntries(
    (Object.keys(SCHOOL_OPTIONS) as SchoolName[]).map((s) => [
      s,
      fc.constantFrom(...SCHOOL_OPTIONS[s].map((o) => o.value)),
    ]),
  ),
) as unknown as fc.Arbitrary<Schools>;
const anyCap = fc.record({
  dome: fc.constantFrom('none' as const, 'closed' as const, 'openTop' as const),
  opening: fc.constantFrom('none' as const, 'stitchedU' as const, 'cut' as const, 'slit' as const),
  openingMm: fc.integer({ min: 40, max: 180 }),
  openingWidthMm: fc.integer({ min: 8, max: 50 }),
  wig: fc.boolean(),
  combs: fc.constantFrom([] as const, ['sides'] as const, ['front', 'sides', 'nape'] as const),
  blending: fc.constantFrom('none' as const, 'front' as const, 'sides' as const, 'nape' as const),
});

describe('whatever the cap, hair, schools and scheme', () => {
  it('no knot is impossible: none asks for what its loop, net or place does not give', () => {
    fc.assert(
      fc.property(
        arbitraryPart,
        anyCap,
        anySchools,
        fc.constantFrom(...SCHEMES),
        fc.constantFrom(...LOOPS),
        fc.boolean(),
        fc.constantFrom(...TEXTURES),
        fc.constantFrom(...SPLITS),
        (part, capChange, schools, scheme, loop, loopComesOff, texture, split) => {
          const hair = hairOf({ loop, loopComesOff, texture, strandsPerPiece: 16 }, { split });
          const r = plan({ part, ...cap(capChange), schools, ...hair, rows: { ...DEFAULT_ROWS, scheme } });
          const [piece] = r.pieces;
          for (const k of r.knots) {
            if (k.kind === 'oneLeg') expect(piece.canOneLeg).toBe(true);
            if (k.lock) expect(piece.canLock).toBe(true);
            if (k.kind === 'fold') expect(loop).toBe('none');
            if (capChange.dome === 'none') expect(k.through).toBe('hair');
            // No knot on a cut-out's net: there is none.
            if (k.onNet === 'cutOut' || k.blending) expect(k.through).toBe('hair');
            if (k.kind === 'anchor') expect(['net', 'margin']).toContain(k.onNet);
            expect(k.wraps).toBeGreaterThanOrEqual(1);
            expect(k.holes > 0).toBe(k.through !== 'hair');
            expect(k.biteMm > 0).toBe(k.through !== 'net');
            expect(k.chain.length).toBeGreaterThanOrEqual(4);
          }
          expect(r.supply.pieces).toBe(r.knots.length);
          expect(new Set(r.knots.map((k) => k.id)).size).toBe(r.knots.length);
        },
      ),
      { seed: 461, numRuns: 60 },
    );
  });
});

describe('the cap', () => {
  it('an opening leaves rows and knots where they are: only what they go through changes', () => {
    const closed = plan();
    const open = plan(cap({ opening: 'cut', openingMm: 110, openingWidthMm: 30 }));
    expect(open.knots.map((k) => k.id)).toEqual(closed.knots.map((k) => k.id));
    expect(open.knots.some((k, i) => k.through !== closed.knots[i].through)).toBe(true);
    expect(open.load.sections.reduce((s, x) => s + x.onHairG[0], 0)).toBeGreaterThan(
      closed.load.sections.reduce((s, x) => s + x.onHairG[0], 0),
    );
  });

  it('follows the part to either side of her head', () => {
    const part = { kind: 'line' as const, frontMm: 40, endMm: 30, lengthMm: 110, bendMm: 0 };
    const left = plan({ part, ...cap({ opening: 'cut' }) }).cap.opening.lineMm;
    const right = plan({ part: { ...part, frontMm: -40, endMm: -30 }, ...cap({ opening: 'cut' }) }).cap.opening.lineMm;
    expect(right.length).toBe(left.length);
    for (let i = 0; i < left.length; i += 3) {
      expect(right[i]).toBeCloseTo(-left[i], 6);
      expect(right[i + 1]).toBeCloseTo(left[i + 1], 6);
    }
  });

  it('combs take the place of anchors beside them', () => {
    const anchors = (change: Partial<Cap>) => plan(cap(change)).knots.filter((k) => k.kind === 'anchor').length;
    expect(anchors({ combs: ['sides', 'nape', 'front'] })).toBeLessThan(anchors({}));
    expect(anchors({ wig: true })).toBe(0);
    expect(anchors({ wig: true, wigHolds: ['pieces'] })).toBeGreaterThan(0);
  });

  it('what a zone asks for is read on the block too: closer there, the same in holes', () => {
    const r = plan(cap({ filledOn: 'block', block: { girthMm: 520, depthMm: 330 } }));
    for (const f of Object.values(r.cap.onForm.spacing)) {
      expect(f.gapMm).toBeLessThan(f.wornGapMm);
      expect(f.holesUp * r.cap.onHead.holeUpMm).toBeCloseTo(f.wornGapMm, 6);
      expect(f.holesUp * r.cap.onForm.holeUpMm).toBeCloseTo(f.gapMm, 6);
    }
  });
});

describe('hair', () => {
  it('a finer piece beside the part changes mass and packs, and no place', () => {
    const quarter = { ...PLAIN_CUT, id: 'quarter', split: 4 as const };
    const before = plan({ cuts: [PLAIN_CUT, quarter] });
    const after = plan({ cuts: [PLAIN_CUT, quarter], pieces: { ...everyZone('whole'), part: { cut: 'quarter' } } });
    expect(after.knots.map((k) => k.id)).toEqual(before.knots.map((k) => k.id));
    expect(after.load.massG).toBeLessThan(before.load.massG);
    for (const k of after.knots) expect(k.cut).toBe(k.pieceZone === 'part' ? 'quarter' : 'whole');
  });

  it('in the clear gap a zone with thicker pieces is laid wider', () => {
    const thick = { ...plainInputs().products[0], id: 'thick', packMassG: 240 };
    const cuts = [PLAIN_CUT, { ...PLAIN_CUT, id: 'thick', product: 'thick' }];
    const spacing = { ...plainInputs().spacing, said: 'clear' as const };
    const both = { products: [plainInputs().products[0], thick], cuts, spacing };
    const even = plan(both).spacing.centresMm;
    const mixed = plan({ ...both, pieces: { ...everyZone('whole'), nape: { cut: 'thick' } } }).spacing.centresMm;
    expect(mixed.nape).toBeGreaterThan(even.nape + 2);
    expect(mixed.top).toBeCloseTo(even.top, 9);
  });

  it('every dressing takes its minutes, before or after, and none is lost', () => {
    const plainly = plan().time.totalMinutes;
    for (const dressed of DRESSINGS) {
      const r = plan({ ...hairOf({ heatC: 150, fibre: 'heatProof' }, { dressed }) });
      if (dressed === 'asItIs') expect(r.time.totalMinutes).toBeCloseTo(plainly, 6);
      else expect(r.time.totalMinutes).toBeGreaterThan(plainly + 10);
    }
  });
});

describe('lumps', () => {
  const base = { ...plainInputs().base, parking: { all: 'parcel' as const, bySection: {} } };
  const long = { ...plainInputs().ownHair, lengthMm: 320, fullness: 'thick' as const };

  it('no knot lies on one without a cap; with a cap it goes through the net alone', () => {
    const bare = plan({ base, ownHair: long, cap: NO_CAP });
    expect(bare.base.bumps.lumps.length).toBeGreaterThan(0);
    const { mesh } = pipeline.head(plainInputs());
    const heightAt = (k: { xMm: number; yMm: number; zMm: number }, r: typeof bare) => {
      let best = 0;
      let nearest = Infinity;
      const p = mesh.positionsMm;
      for (let v = 0; v < mesh.vertexCount; v++) {
        const d = (p[3 * v] - k.xMm) ** 2 + (p[3 * v + 1] - k.yMm) ** 2 + (p[3 * v + 2] - k.zMm) ** 2;
        if (d < nearest) {
          nearest = d;
          best = v;
        }
      }
      return r.base.bumps.heightMm[best];
    };
    for (const k of bare.knots) expect(heightAt(k, bare)).toBeLessThanOrEqual(15);
    const capped = plan({ base, ownHair: long });
    const on = capped.knots.filter((k) => heightAt(k, capped) > 15 && k.kind !== 'anchor');
    expect(on.length).toBeGreaterThan(0);
    for (const k of on) expect(k.through).toBe('net');
  });
});
