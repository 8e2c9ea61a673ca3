import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PLAIN_CUT, PLAIN_PRODUCT } from '../../../tests/helpers/heads.ts';
import { DRESSINGS, OPENED_WHEN, SPLITS } from '../trade/preparation.ts';
import { cutInWords, hookedPiece, type Preparation, passesHole } from './preparation.ts';
import { lowerHalf, type Product, piecesInPack } from './product.ts';

const pieceOf = (product: Partial<Product> = {}, cut: Partial<Preparation> = {}) =>
  hookedPiece({ ...PLAIN_PRODUCT, ...product }, { ...PLAIN_CUT, ...cut });

describe('a hooked piece', () => {
  it('of an unsplit product is a piece of the pack', () => {
    const piece = pieceOf();
    expect(piece.perPack).toBe(40);
    expect(piece.massG).toBeCloseTo(1.5, 9);
    expect(piece.hangingEnds).toBe(8);
    expect(piece.lengthMm).toBe(300);
  });

  it('of 2 g hanging 25 cm makes a knot of 7 to 8 mm (what a clear gap is measured beside)', () => {
    const { knotWidthMm } = pieceOf({ packMassG: 80, lengthMm: 250 });
    expect(knotWidthMm).toBeGreaterThan(7);
    expect(knotWidthMm).toBeLessThan(8);
  });

  it('weighs what its fibre weighs: mass per length is the sum of its strands (the tex system, ISO 1144: 1 tex = 1 g/km)', () => {
    const piece = pieceOf({ packMassG: 60, piecesPerPack: 30, strandsPerPiece: 10, lengthMm: 500 });
    // 2 g on a metre of folded piece: 2000 tex in ten strands.
    const tex = piece.massG / ((2 * piece.lengthMm) / 1e6);
    expect(tex).toBeCloseTo(2000, 6);
    expect(tex / piece.strands).toBeCloseTo(200, 6);
  });

  it('keeps the mass of a pack, however it is split and composed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPLITS),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 200 }),
        (split, composed, pieces) => {
          const piece = pieceOf({ composed, piecesPerPack: pieces }, { split });
          // What does not fill one more composed piece is finished from the next pack.
          expect(piece.perPack * piece.massG).toBeCloseTo(PLAIN_PRODUCT.packMassG, 9);
        },
      ),
      { seed: 91 },
    );
  });

  it('cut in half is half as long and half as heavy; the lower half is hair of its own with no loop', () => {
    const upper = pieceOf({}, { half: true });
    expect([upper.lengthMm, upper.massG, upper.perPack]).toEqual([150, 0.75, 40]);
    const lower = lowerHalf({ ...PLAIN_PRODUCT, colours: ['black', 'brown', 'honey'] }, 'low');
    // 15 cm of loose hair, folded: it hangs half of that.
    expect(lower.lengthMm).toBe(75);
    expect(lower.packMassG + 40 * upper.massG).toBeCloseTo(PLAIN_PRODUCT.packMassG, 9);
    expect([lower.loop, lower.lowerHalfOf]).toEqual(['none', 'plain']);
    expect(lower.colours).toEqual(['brown', 'honey']);
    expect(hookedPiece(lower, { ...PLAIN_CUT, product: 'low' }).thicknessMm).toBeCloseTo(
      Math.SQRT2 * upper.thicknessMm,
      9,
    );
    expect(lower.strandsPerPiece).toBe(2 * PLAIN_PRODUCT.strandsPerPiece);
  });

  it('lies flat as a sixteenth where a quarter does not (common practice, no source: thick pieces)', () => {
    const thick = { piecesPerPack: 10, packMassG: 100, strandsPerPiece: 32 };
    expect(pieceOf(thick, { split: 4 }).liesFlat).toBe(false);
    expect(pieceOf(thick, { split: 16 }).liesFlat).toBe(true);
  });

  it('passes a wide hole and not a fine one; finer cuts pass where thick ones do not', () => {
    const thick = { piecesPerPack: 10, packMassG: 120 };
    expect(passesHole(pieceOf(thick), 2)).toBe(false);
    expect(passesHole(pieceOf(thick, { split: 8 }), 2)).toBe(true);
  });

  it('opened widens with the degree, and costs time before or after', () => {
    const opened = (strands: number, when: Preparation['opened']['when']) =>
      pieceOf({}, { opened: { when, strands, reach: 1 } });
    expect(opened(0, 'after').widthFactor).toBe(1);
    expect(opened(1, 'after').widthFactor).toBeGreaterThan(opened(0.5, 'after').widthFactor);
    expect(opened(1, 'after').secondsAfter).toBeGreaterThan(0);
    expect(opened(1, 'before').secondsBefore).toBeCloseTo(opened(1, 'after').secondsAfter, 9);
    expect(opened(1, 'never').widthFactor).toBe(1);
  });

  it('can be one-leg with a thread loop, with a ring only once it is off, never with a stiff middle or clinging strands', () => {
    const can = (change: Partial<Product>) => pieceOf(change).canOneLeg;
    expect([
      can({ loop: 'thread' }),
      can({ loop: 'none' }),
      can({ loop: 'ring', loopComesOff: true }),
      can({ loop: 'ring', loopComesOff: false }),
      can({ loop: 'slidingBand', loopComesOff: true }),
      can({ loop: 'stiff', loopComesOff: true }),
      can({ test: { ...PLAIN_PRODUCT.test, apart: 'clings' } }),
    ]).toEqual([true, true, true, false, true, false, false]);
  });

  it('locks with a band or a ring only, and only whole', () => {
    expect(
      (['thread', 'slidingBand', 'ring', 'stiff', 'none'] as const).map((loop) => pieceOf({ loop }).canLock),
    ).toEqual([false, true, true, false, false]);
    expect(pieceOf({ loop: 'ring' }, { split: 2 }).canLock).toBe(false);
  });

  it('one counted pack overrides the label', () => {
    const counted = { ...PLAIN_PRODUCT, test: { ...PLAIN_PRODUCT.test, counted: 36 } };
    expect(piecesInPack(counted)).toBe(36);
    expect(hookedPiece(counted, PLAIN_CUT).perPack).toBe(36);
  });

  it('is said in words whatever is done to it, and refuses a cut of another product', () => {
    for (const split of SPLITS)
      for (const dressed of DRESSINGS)
        for (const when of OPENED_WHEN) {
          const cut: Preparation = { ...PLAIN_CUT, split, dressed, opened: { when, strands: 1, reach: 0.5 } };
          expect(cutInWords(cut).length).toBeGreaterThan(4);
        }
    expect(() => hookedPiece(PLAIN_PRODUCT, { ...PLAIN_CUT, product: 'other' })).toThrow(RangeError);
  });
});
