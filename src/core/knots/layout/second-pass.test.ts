/** A second pass on a flat patch, where it can be counted. */
import { describe, expect, it } from 'vitest';
import { bricksOnPatch } from '../../../../tests/helpers/spheres.ts';
import type { SecondPass } from '../../trade/index.ts';
import { inPasses } from './second-pass.ts';

const { mesh, rows, knots } = bricksOnPatch();
const fromEdge = Float64Array.from({ length: mesh.vertexCount }, (_, v) => {
  const [px, py] = [mesh.positionsMm[3 * v], mesh.positionsMm[3 * v + 1]];
  return Math.min(px, py, 180 - px, 180 - py);
});
const ground = { mesh, fromHairline: fromEdge, spacingAt: () => 18, isClosed: () => false };
const everywhere = (pass: SecondPass) => ({ ...ground, hasThin: pass === 'thin', passAt: () => pass });

describe('windows', () => {
  const passes = inPasses(rows, knots, everywhere('windows'));
  const second = (k: { row: number }) => passes.secondOf[k.row] >= 0;

  it('are every other place, and every place is laid once', () => {
    expect(passes.knots).toHaveLength(knots.length);
    const key = (k: { xMm: number; yMm: number }) => `${k.xMm.toFixed(3)} ${k.yMm.toFixed(3)}`;
    expect(new Set(passes.knots.map(key))).toEqual(new Set(knots.map(key)));
    expect(Math.abs(passes.knots.filter(second).length / knots.length - 0.5)).toBeLessThan(0.08);
  });

  it('leave a first pass that is bricks of its own, about 36 mm apart along a row, both ends of it in', () => {
    const first = passes.knots.filter((k) => !second(k));
    for (const [row] of rows.entries()) {
      const inRow = first.filter((k) => k.row === row);
      const all = knots.filter((k) => k.row === row);
      expect([inRow[0].arcMm, inRow[inRow.length - 1].arcMm]).toEqual([all[0].arcMm, all[all.length - 1].arcMm]);
      for (let i = 2; i < inRow.length - 1; i++) expect(inRow[i].arcMm - inRow[i - 1].arcMm).toBeCloseTo(36, 0);
    }
    const starts = rows.map((_, row) => first.find((k) => k.row === row)?.xMm ?? 0);
    for (let r = 1; r < starts.length; r++) {
      const offset = Math.abs(starts[r] - starts[r - 1]) % 36;
      expect(Math.min(offset, 36 - offset)).toBeGreaterThan(6);
    }
  });
});

describe('thin places', () => {
  it('an even lattice has none', () => {
    const inner = { ...everywhere('thin'), fromHairline: fromEdge.map((d) => d - 15) };
    expect(inPasses(rows, knots, inner).knots).toHaveLength(knots.length);
  });

  it('a hole is filled in its middle, with few pieces', () => {
    const holed = knots.filter((k) => (k.xMm - 90) ** 2 + (k.yMm - 90) ** 2 > 30 ** 2);
    const removed = knots.length - holed.length;
    const { knots: filled, secondOf } = inPasses(rows, holed, everywhere('thin'));
    const added = filled.filter((k) => secondOf[k.row] >= 0);
    expect(added.length).toBeGreaterThan(1);
    expect(added.length).toBeLessThanOrEqual(removed + 2);
    expect(Math.min(...added.map((k) => Math.hypot(k.xMm - 90, k.yMm - 90)))).toBeLessThan(12);
  });

  it('nothing is put where no piece goes', () => {
    const holed = knots.filter((k) => (k.xMm - 90) ** 2 + (k.yMm - 90) ** 2 > 30 ** 2);
    const closed = { ...everywhere('thin'), isClosed: () => true };
    expect(inPasses(rows, holed, closed).knots).toHaveLength(holed.length);
  });
});

it('one pass is what it was', () => {
  const passes = inPasses(rows, knots, everywhere('none'));
  expect(passes.knots).toBe(knots);
  expect(passes.secondOf.every((s) => s === -1)).toBe(true);
});
