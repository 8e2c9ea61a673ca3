/** Pieces by weight against many weighed heaps; readings that tremble, creep and slip. */
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics/index.ts';
import { piecesByWeight, READINGS, steadyWeight } from './weigh.ts';

const random = seededRandom(7);
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

describe('pieces by weight', () => {
  it('70 g of a pack of 48 are 48 pieces, give or take a few', () => {
    const { pieces, range } = piecesByWeight(70, 70 / 48);
    expect(pieces).toBe(48);
    expect(range[0] < 48 && 48 < range[1]).toBe(true);
  });

  it('hold about four in five heaps within what is told', () => {
    const pieceG = 1.4;
    let within = 0;
    const heaps = 2000;
    for (let i = 0; i < heaps; i++) {
      const pieces = 5 + Math.floor(60 * random());
      let grams = 0.6 * normal();
      for (let k = 0; k < pieces; k++) grams += pieceG * (1 + 0.08 * normal());
      const { range } = piecesByWeight(Math.max(0, grams), pieceG);
      if (range[0] <= pieces && pieces <= range[1]) within++;
    }
    // Rounded outwards to whole pieces, so rather more than less.
    expect(within / heaps).toBeGreaterThan(0.78);
    expect(within / heaps).toBeLessThan(1);
  });

  it('nothing weighs nothing; a weight below none is refused', () => {
    expect(piecesByWeight(0, 1).pieces).toBe(0);
    expect(() => piecesByWeight(-1, 1)).toThrow(RangeError);
    expect(() => piecesByWeight(10, 0)).toThrow(RangeError);
    expect(() => piecesByWeight(Number.NaN, 1)).toThrow(RangeError);
  });
});

describe('a scale', () => {
  it('that trembles is read in its middle', () => {
    const said = steadyWeight(Array.from({ length: 30 }, () => 52 + 0.3 * normal()));
    expect(said?.steady).toBe(true);
    expect(Math.abs((said?.grams ?? 0) - 52)).toBeLessThan(0.6);
  });

  it('that slipped once says the same as before', () => {
    const calm = Array.from({ length: READINGS }, (_, i) => 40 + 0.1 * (i % 3));
    const slip = calm.map((v, i) => (i === 4 ? 96 : v));
    expect(steadyWeight(slip)).toMatchObject({ steady: true, slipped: 1 });
    expect(Math.abs((steadyWeight(slip)?.grams ?? 0) - (steadyWeight(calm)?.grams ?? 0))).toBeLessThan(0.2);
  });

  it('on which something is put down just now, or that says nothing that is a number, is not read yet', () => {
    expect(steadyWeight([1, 2, 3])).toBeUndefined();
    expect(steadyWeight(Array.from({ length: 9 }, (_, i) => 8 * i))?.steady).toBe(false);
    expect(steadyWeight([Number.NaN, ...new Array(8).fill(5)])).toBeUndefined();
    expect(steadyWeight([0, 0, 0, 40, 90, 10, 70, 33, 61])?.steady).toBe(false);
  });
});
