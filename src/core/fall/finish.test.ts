import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PLAIN_CUT, PLAIN_PRODUCT } from '../../../tests/helpers/heads.ts';
import { hookedPiece } from '../hair/preparation.ts';
import { FALL_GUESS_NAMES, FALL_GUESSES, guessRange, PLAIN_GUESSES } from '../trade/guesses.ts';
import { TEXTURE_INFO, TEXTURES } from '../trade/textures.ts';
import { type Finish, isTrimmed, keptLengthMm } from './finish.ts';
import { layerMm, layOn, standsMm } from './loft.ts';
import { fibresSideBySideMm, KERNEL_MEAN, ribbonsOf } from './ribbons.ts';

const finish = (change: Partial<Finish>): Finish => ({
  fullness: 'enough',
  outline: 'none',
  reachMm: 100,
  setMinutes: 0,
  ...change,
});
const NAPE = [0, -70, -70] as const;

describe('an outline', () => {
  it('level ends all tips at one height below the nape, a slant lower at the face, none nowhere', () => {
    expect(isTrimmed(finish({ outline: 'level' }), [0, -169, 0], NAPE, 0)).toBe(false);
    expect(isTrimmed(finish({ outline: 'level' }), [80, -171, 40], NAPE, 0)).toBe(true);
    const slant = finish({ outline: 'slant' });
    expect(isTrimmed(slant, [0, -190, -70], NAPE, 0)).toBe(true);
    expect(isTrimmed(slant, [60, -190, 60], NAPE, 0)).toBe(false);
    expect(isTrimmed(finish({}), [0, -900, 0], NAPE, 900)).toBe(false);
  });
  it('of an arc nothing stands further from the head', () => {
    const round = finish({ outline: 'round', reachMm: 40 });
    expect(isTrimmed(round, [0, 200, 0], NAPE, 39)).toBe(false);
    expect(isTrimmed(round, [0, 200, 0], NAPE, 41)).toBe(true);
  });
  it('in layers is shorter from the crown down, whole at the nape, never longer than the piece', () => {
    const layers = finish({ outline: 'layers' });
    expect(keptLengthMm(layers, 300, -70, -70, 107)).toBe(300);
    expect(keptLengthMm(layers, 300, 107, -70, 107)).toBe(180);
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 700, noNaN: true }),
        fc.double({ min: -90, max: 120, noNaN: true }),
        (l, y) => {
          const kept = keptLengthMm(layers, l, y, -70, 107);
          expect(kept).toBeLessThanOrEqual(Math.max(20, l + 2.5));
          expect(keptLengthMm(finish({ outline: 'level' }), l, y, -70, 107)).toBe(l);
        },
      ),
    );
  });
});

describe('guesses', () => {
  it('lie within their ranges and limits, and their range follows what she sets', () => {
    for (const g of FALL_GUESS_NAMES) {
      const { value, range, limits } = FALL_GUESSES[g];
      expect(guessRange(g, value)).toEqual(range);
      expect(range[0]).toBeLessThan(value);
      expect(range[1]).toBeGreaterThan(value);
      expect(limits[0]).toBeLessThanOrEqual(range[0]);
      expect(limits[1]).toBeGreaterThanOrEqual(range[1]);
      const [low, high] = guessRange(g, limits[1]);
      expect(low).toBeLessThan(limits[1]);
      expect(high).toBe(limits[1]);
    }
  });
});

describe('hair as mass', () => {
  it('has as many fibres side by side as its linear density over that of one (tex system, ISO 1144: 1 tex is 1 g/km)', () => {
    // A fibre of 75 µm and 1.3 g/cm³ weighs 5.743 tex; 2 g hanging 250 mm double are 8000 tex a hanging end.
    const tex = 1.3e6 * Math.PI * 0.0375e-3 ** 2 * 1e3;
    expect(tex).toBeCloseTo(5.743, 3);
    const piece = (2 / 250) * 1e6;
    expect(fibresSideBySideMm(2, 250)).toBeCloseTo((piece / tex) * 0.075, 1);
  });

  it.each(TEXTURES)('of %s laid by ribbons keeps its volume: mass over the density of loose hair', (texture) => {
    const product = { ...PLAIN_PRODUCT, texture, lengthMm: 100 };
    const piece = hookedPiece(product, PLAIN_CUT);
    const ribbons = ribbonsOf(piece, texture, PLAIN_GUESSES);
    // A print of whole ribbons over so much area: count × width × length.
    const area = ribbons.count * ribbons.widthMm * piece.lengthMm;
    const height = new Float64Array(1);
    const through = Math.fround(1 - ribbons.opacity);
    layOn(
      height,
      { vertices: Int32Array.of(0), through: Float32Array.of(through) },
      ribbons.opacity,
      layerMm(piece, ribbons, texture, 1),
    );
    // Towards its edges a ribbon thins out, and the hair with it.
    const volumeMm3 = KERNEL_MEAN * height[0] * area;
    expect(volumeMm3 / ((piece.massG / TEXTURE_INFO[texture].looseGPerCm3) * 1000)).toBeCloseTo(1, 3);
  });

  it('springy hair stands, straight hair lies; longer stands further, up to a limit', () => {
    expect(standsMm('straight', 400, 200, 1)).toBe(0);
    expect(standsMm('kinky', 200, 200, 1)).toBeGreaterThan(25);
    expect(standsMm('kinky', 200, 0, 1)).toBe(0);
    expect(standsMm('coil', 2000, 500, 1)).toBeLessThanOrEqual(60);
    expect(standsMm('coil', 200, 100, 1.4)).toBeCloseTo(1.4 * standsMm('coil', 200, 100, 1), 9);
  });
});
