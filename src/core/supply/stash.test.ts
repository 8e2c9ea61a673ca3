/** A stash is never below none, nothing is given twice, and what comes back is what was left. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterInstall, allot, piecesOf } from './stash.ts';

const lots = fc.record({ packs: fc.integer({ min: 0, max: 20 }), loose: fc.integer({ min: 0, max: 80 }) });
const claims = fc.array(fc.record({ plan: fc.uuid(), packs: fc.integer({ min: 0, max: 9 }) }), { maxLength: 6 });
const installs = fc.record({
  atHand: fc.integer({ min: 0, max: 9 }),
  bought: fc.integer({ min: 0, max: 9 }),
  piecesPerPack: fc.integer({ min: 1, max: 150 }),
  piecesUsed: fc.integer({ min: 0, max: 600 }),
});

describe('what plans take', () => {
  it('goes to who comes first', () => {
    const { plans, free } = allot({ packs: 5 }, [
      { plan: 'a', packs: 3 },
      { plan: 'b', packs: 4 },
      { plan: 'c', packs: 1 },
    ]);
    expect(plans.map((p) => p.granted)).toEqual([3, 2, 0]);
    expect(free).toBe(0);
  });

  it('is never more than is there, and never more than is asked', () => {
    fc.assert(
      fc.property(lots, claims, (lot, asked) => {
        const { plans, free } = allot(lot, asked);
        expect(plans.reduce((sum, p) => sum + p.granted, free)).toBe(lot.packs);
        for (const p of plans) expect(p.granted >= 0 && p.granted <= p.packs).toBe(true);
        if (free > 0) expect(plans.every((p) => p.granted === p.packs)).toBe(true);
      }),
      { endOnFailure: true },
    );
  });
});

describe('after an install', () => {
  it('pieces of the last pack and packs never opened come back', () => {
    // 3 at hand, 2 bought, 48 a pack, 150 used, 6 lay about: 144 from three packs, nothing left of the third.
    expect(afterInstall({ packs: 4, loose: 6 }, { atHand: 3, bought: 2, piecesPerPack: 48, piecesUsed: 150 })).toEqual({
      lot: { packs: 3, loose: 0 },
      opened: 3,
      packsBack: 2,
      piecesBack: 0,
    });
    expect(
      afterInstall({ packs: 0, loose: 0 }, { atHand: 0, bought: 5, piecesPerPack: 48, piecesUsed: 204 }).lot,
    ).toEqual({
      packs: 0,
      loose: 36,
    });
  });

  it('nothing is below none, and no piece is lost or made', () => {
    fc.assert(
      fc.property(lots, installs, (lot, install) => {
        const { lot: left } = afterInstall(lot, install);
        expect(left.packs >= 0 && left.loose >= 0).toBe(true);
        const before = piecesOf(lot, install.piecesPerPack) + install.bought * install.piecesPerPack;
        const had = before - (lot.packs - Math.min(install.atHand, lot.packs)) * install.piecesPerPack;
        const used = Math.min(install.piecesUsed, had);
        expect(piecesOf(left, install.piecesPerPack)).toBe(before - used);
      }),
      { endOnFailure: true },
    );
  });
});
