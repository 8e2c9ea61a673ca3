/** Outlines, contrast, why a place is covered, differences of two looks, lines: small closed cases. */
import { describe, expect, it } from 'vitest';
import { patch, sphere } from '../../../tests/helpers/spheres.ts';
import { GROUND_LUMINANCE, hairLuminance } from '../trade/colours.ts';
import { meetsTheEye, michelson } from './contrast.ts';
import { logOf, seenShare } from './cover.ts';
import { lookDifference } from './difference.ts';
import { lineShown, verticesAlong } from './lines.ts';
import { Silhouette } from './size.ts';
import { rowsOver } from './why.ts';

describe('an outline', () => {
  const ball = (r: number) => {
    const s = new Silhouette();
    const { positionsMm, vertexCount } = sphere(r, 48);
    s.add(positionsMm, vertexCount, 0);
    return s;
  };
  it('of a sphere is as wide and high as its diameter from every side (closed form)', () => {
    for (const view of ['front', 'left', 'top'] as const) {
      const box = ball(120).box(view, ball(90));
      expect(box.widthMm).toBeCloseTo(240, 0);
      expect(box.heightMm).toBeCloseTo(240, 0);
      expect(box.beyondMm[0]).toBeCloseTo(30, 0);
      expect(box.beyondMm[1]).toBeCloseTo(30, 0);
      const { outlineMm } = box;
      expect(outlineMm.length).toBe(180);
      for (let i = 0; i < outlineMm.length; i += 2)
        expect(Math.hypot(outlineMm[i], outlineMm[i + 1])).toBeCloseTo(120, -0.5);
    }
  });
  it('reaches half the width of a strand further, and is nothing without hair', () => {
    const s = new Silhouette();
    s.add([0, 50, 0, 0, -50, 0], 2, 7);
    expect(s.box('front', ball(10))).toMatchObject({ widthMm: 14, heightMm: 114 });
    // Hair on the shoulders makes it longer, not wider.
    const long = new Silhouette(-20);
    long.add([0, 50, 0, 90, -50, 0], 2, 7);
    expect(long.box('front', ball(10))).toMatchObject({ widthMm: 14, heightMm: 114 });
    expect(new Silhouette().box('front', ball(90))).toMatchObject({ widthMm: 0, heightMm: 0, beyondMm: [0, 0] });
  });
});

describe('contrast', () => {
  it('is Michelson’s: none with itself, nearly whole between black and white', () => {
    expect(michelson(0.2, 0.2)).toBe(0);
    expect(michelson(0.02, 0.85)).toBeCloseTo(0.954, 3);
    expect(michelson(0.85, 0.02)).toBe(michelson(0.02, 0.85));
  });
  it('makes dark hair look emptier on a white block than over a dark cap, and white hair fuller there (common practice, no source)', () => {
    const dark = hairLuminance('off black');
    expect(meetsTheEye(0.1, dark, GROUND_LUMINANCE.block)).toBeGreaterThan(
      3 * meetsTheEye(0.1, dark, GROUND_LUMINANCE.darkCap),
    );
    const white = hairLuminance('Silver white');
    expect(meetsTheEye(0.1, white, GROUND_LUMINANCE.block)).toBeLessThan(
      meetsTheEye(0.1, white, GROUND_LUMINANCE.darkCap),
    );
    expect(hairLuminance('a word nobody knows')).toBeLessThan(0.1);
  });
});

describe('why', () => {
  it('tells rows over a place with what each hides, the most first', () => {
    const print = (v: number, through: number) => ({
      vertices: Int32Array.of(v, 9),
      through: Float32Array.of(through, 0.5),
    });
    const rows = rowsOver(3, [print(3, 0.5), print(3, 0.5), print(4, 0.1), print(3, 0.9)], (i) => (i < 2 ? 7 : 8));
    expect(rows.map((r) => [r.row, r.pieces])).toEqual([
      [7, 2],
      [8, 1],
    ]);
    expect(rows[0].hides).toBeCloseTo(0.75, 6);
    expect(rows[1].hides).toBeCloseTo(0.1, 6);
    expect(rowsOver(77, [print(3, 0.5)], () => 0)).toEqual([]);
  });
});

describe('a difference of looks', () => {
  const head = (frequency: number, shows: (y: number) => number) => {
    const mesh = sphere(90, frequency);
    const positions = Float32Array.from(mesh.positionsMm);
    return {
      cap: { positions },
      shows: Float32Array.from({ length: mesh.vertexCount }, (_, v) => shows(positions[3 * v + 1])),
    };
  };
  it('is nothing between a look and itself, and the change on the same head', () => {
    const a = head(12, (y) => (y > 0 ? 0.4 : 0.1));
    expect(Math.max(...lookDifference(a, a).map(Math.abs))).toBe(0);
    const b = head(12, (y) => (y > 0 ? 0.6 : 0.1));
    for (const d of lookDifference(a, b))
      expect([0, Math.fround(0.6) - Math.fround(0.4)].some((x) => Math.abs(d - x) < 1e-6)).toBe(true);
  });
  it('between heads of other meshes is read in the same direction', () => {
    const smooth = (y: number) => 0.5 + y / 400;
    const d = lookDifference(head(10, smooth), head(23, smooth));
    expect(Math.max(...d.map(Math.abs))).toBeLessThan(0.025);
  });
});

describe('a line', () => {
  const mesh = patch(20, 3);
  const shows = Float64Array.from({ length: mesh.vertexCount }, (_, v) => mesh.positionsMm[3 * v] / 60);
  it('shows the mean along it, a tie the worst of them', () => {
    const along = verticesAlong(mesh, [0, 30, 0, 30, 30, 0, 60, 30, 0]);
    expect(along).toHaveLength(3);
    expect(lineShown('part', mesh, shows, along)).toMatchObject({ shows: 0.5, atMm: [60, 30, 0] });
    expect(lineShown('tie', mesh, shows, along)?.shows).toBe(1);
    expect(lineShown('opening', mesh, shows, [])).toBeUndefined();
  });
});

it('looked at under an angle of cosine c, of a share s that shows straight on s^(1/c) is left', () => {
  const mesh = {
    vertexCount: 3,
    normals: Float64Array.of(0, 1, 0, Math.sqrt(0.75), 0.5, 0, 0, -1, 0),
    vertexAreasMm2: Float64Array.of(10, 10, 10),
  } as unknown as Parameters<typeof seenShare>[0];
  const seen = seenShare(mesh, logOf([0.6, 0.6, 0.6]), new Uint8Array(3).fill(1), [0, 1, 0]);
  expect(seen).toBeCloseTo((0.6 + 0.5 * 0.36) / 1.5, 12);
});
