import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../../tests/helpers/heads.ts';
import { hookedPiece, SPLITS } from './product.ts';

const product = plainInputs().product;

describe('a hooked piece', () => {
  it('of an unsplit product is a piece of the pack', () => {
    const piece = hookedPiece(product);
    expect(piece.perPack).toBe(40);
    expect(piece.massG).toBeCloseTo(1.5, 9);
    expect(piece.hangingEnds).toBe(8);
  });

  it('of 2 g hanging 25 cm makes a knot of 7 to 8 mm (what a clear gap is measured beside)', () => {
    const { knotWidthMm } = hookedPiece({ ...product, packMassG: 80, lengthMm: 250 });
    expect(knotWidthMm).toBeGreaterThan(7);
    expect(knotWidthMm).toBeLessThan(8);
  });

  it('keeps the mass of a pack, however it is split and composed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SPLITS),
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 1, max: 200 }),
        (split, composed, pieces) => {
          const piece = hookedPiece({ ...product, split, composed, piecesPerPack: pieces });
          expect(piece.perPack * piece.massG).toBeLessThanOrEqual(product.packMassG + 1e-9);
          // Only what doesn't fill one more composed piece is left.
          expect(product.packMassG - piece.perPack * piece.massG).toBeLessThan(piece.massG + 1e-9);
        },
      ),
      { seed: 91 },
    );
  });

  it('can be one-leg with a thread loop, with a ring only once it is off, never with a stiff middle', () => {
    const can = (loop: typeof product.loop, loopComesOff: boolean) =>
      hookedPiece({ ...product, loop, loopComesOff }).canOneLeg;
    expect([
      can('thread', false),
      can('none', false),
      can('ring', true),
      can('ring', false),
      can('slidingBand', true),
      can('stiff', true),
    ]).toEqual([true, true, true, false, true, false]);
  });

  it('locks with a band or a ring only', () => {
    expect(
      (['thread', 'slidingBand', 'ring', 'stiff', 'none'] as const).map(
        (loop) => hookedPiece({ ...product, loop }).canLock,
      ),
    ).toEqual([false, true, true, false, false]);
  });
});
