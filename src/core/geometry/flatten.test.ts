/** Surfaces that lie flat without strain, and one that can't. */
import { Matrix, solve } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { BandedCholesky } from '../numerics/index.ts';
import { flatten } from './flatten.ts';
import { icosphere } from './icosphere.ts';
import { keepTriangles, splitAlong } from './split.ts';
import { buildSurfaceMesh } from './surface-mesh.ts';

/** A grid of u and v, bent into space. */
function sheet(n: number, at: (u: number, v: number) => readonly [number, number, number]) {
  const positions: number[] = [];
  const triangles: number[] = [];
  for (let j = 0; j <= n; j++) for (let i = 0; i <= n; i++) positions.push(...at(i / n, j / n));
  for (let j = 0; j < n; j++)
    for (let i = 0; i < n; i++) {
      const a = j * (n + 1) + i;
      triangles.push(a, a + 1, a + n + 2, a, a + n + 2, a + n + 1);
    }
  return buildSurfaceMesh(Float64Array.from(positions), triangles);
}
/** Begun badly: stretched and slanted. */
const start = (n: number) =>
  Float64Array.from({ length: 2 * (n + 1) ** 2 }, (_, i) => {
    const v = i >> 1;
    const [u, w] = [(v % (n + 1)) / n, Math.floor(v / (n + 1)) / n];
    return i % 2 === 0 ? 170 * u + 40 * w : 60 * w;
  });
const areaOf = (at: Float64Array, triangles: ArrayLike<number>) => {
  let sum = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [2 * triangles[t], 2 * triangles[t + 1], 2 * triangles[t + 2]];
    sum += ((at[b] - at[a]) * (at[c + 1] - at[a + 1]) - (at[c] - at[a]) * (at[b + 1] - at[a + 1])) / 2;
  }
  return sum;
};

describe('laid flat', () => {
  const N = 18;
  it('a cylinder is a rectangle again, exactly: its development (closed form)', () => {
    const mesh = sheet(N, (u, v) => [80 * Math.sin(1.5 * u), 100 * v, 80 * Math.cos(1.5 * u)]);
    const flat = flatten(mesh, start(N));
    expect(Math.max(...flat.distortion)).toBeLessThan(2e-3);
    expect(flat.flipped).toBe(0);
    const corner = (i: number, j: number) => flat.atMm.slice(2 * (j * (N + 1) + i), 2 * (j * (N + 1) + i) + 2);
    const apart = (a: Float64Array, b: Float64Array) => Math.hypot(a[0] - b[0], a[1] - b[1]);
    // Chords stand for the arc of 120 mm: each spans 1.5 / N rad.
    const across = N * 2 * 80 * Math.sin(0.75 / N);
    expect(apart(corner(0, 0), corner(N, 0))).toBeCloseTo(across, 0);
    expect(apart(corner(0, 0), corner(0, N))).toBeCloseTo(100, 0);
    expect(apart(corner(0, 0), corner(N, N))).toBeCloseTo(Math.hypot(across, 100), 0);
  });

  it('a cone is a sector of a disc: its angle is 2π times the sine of half the opening (closed form)', () => {
    const half = 0.5;
    const turn = 2;
    const mesh = sheet(N, (u, v) => {
      const s = 40 + 80 * v;
      return [s * Math.sin(half) * Math.sin(turn * u), -s * Math.cos(half), s * Math.sin(half) * Math.cos(turn * u)];
    });
    const flat = flatten(mesh, start(N));
    expect(Math.max(...flat.distortion)).toBeLessThan(3e-3);
    const at = (i: number, j: number) => [flat.atMm[2 * (j * (N + 1) + i)], flat.atMm[2 * (j * (N + 1) + i) + 1]];
    const way = (i: number) => Math.atan2(at(i, N)[1] - at(i, 0)[1], at(i, N)[0] - at(i, 0)[0]);
    expect(Math.abs(way(N) - way(0))).toBeCloseTo(turn * Math.sin(half), 2);
  });

  it('a cap of a sphere keeps its area and its true lengths on the whole, never all of them (Gauss)', () => {
    const ball = icosphere(16);
    const kept = keepTriangles({ positionsMm: ball.directions.map((d) => 90 * d), triangles: ball.triangles }, (t) =>
      [0, 1, 2].every((c) => ball.directions[3 * ball.triangles[3 * t + c] + 1] > Math.cos(0.6)),
    );
    const mesh = buildSurfaceMesh(kept.positionsMm, kept.triangles);
    const from = Float64Array.from({ length: 2 * mesh.vertexCount }, (_, i) =>
      i % 2 === 0 ? mesh.positionsMm[3 * (i >> 1)] : -mesh.positionsMm[3 * (i >> 1) + 2],
    );
    const flat = flatten(mesh, from);
    expect(flat.flipped).toBe(0);
    const true_ = mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
    expect(areaOf(flat.atMm, mesh.triangles) / true_).toBeCloseTo(1, 2);
    expect(Math.max(...flat.distortion)).toBeGreaterThan(0.01);
  });

  it('an edge of which it is said how long it becomes becomes that long', () => {
    const mesh = sheet(N, (u, v) => [100 * u, 100 * v, 0]);
    const grows = Float64Array.from(mesh.triangles, (a, i) => {
      const b = mesh.triangles[3 * ((i / 3) | 0) + ((i + 1) % 3)];
      return a <= N && b <= N && mesh.acrossEdge[i] === -1 ? 1.03 : 0;
    });
    const { atMm } = flatten(mesh, start(N), grows);
    let long = 0;
    for (let i = 0; i < N; i++) long += Math.hypot(atMm[2 * i + 2] - atMm[2 * i], atMm[2 * i + 3] - atMm[2 * i + 1]);
    expect(long).toBeCloseTo(103, 0);
  });
});

it('a banded system is solved as ml-matrix solves it whole', () => {
  const n = 40;
  const band = 5;
  const entries: Array<[number, number, number]> = [];
  for (let i = 0; i < n; i++) {
    entries.push([i, i, 9 + (i % 3)]);
    for (let j = Math.max(0, i - band); j < i; j++) entries.push([i, j, Math.sin(i * 7 + j * 3)]);
  }
  const whole = Matrix.zeros(n, n);
  for (const [i, j, v] of entries) {
    whole.set(i, j, v);
    whole.set(j, i, v);
  }
  const b = Float64Array.from({ length: n }, (_, i) => Math.cos(i));
  const expected = solve(whole, Matrix.columnVector(Array.from(b))).to1DArray();
  new BandedCholesky(n, band, entries).solve(b);
  for (let i = 0; i < n; i++) expect(b[i]).toBeCloseTo(expected[i], 10);
  expect(
    () =>
      new BandedCholesky(2, 1, [
        [0, 0, 1],
        [1, 0, 2],
        [1, 1, 1],
      ]),
  ).toThrow(RangeError);
});

describe('cut along a plane', () => {
  const ball = icosphere(9);
  const whole = { positionsMm: ball.directions.map((d) => 90 * d), triangles: ball.triangles };
  const field = (x: number, y: number, z: number) => 0.6 * x + 0.3 * y - 0.2 * z - 11;
  const cut = splitAlong(whole, field);
  const side = (v: number) => field(cut.positionsMm[3 * v], cut.positionsMm[3 * v + 1], cut.positionsMm[3 * v + 2]);

  it('no triangle lies on both sides', () => {
    for (let t = 0; t < cut.triangles.length; t += 3) {
      const sides = [0, 1, 2].map((c) => side(cut.triangles[t + c]));
      expect(Math.min(...sides) < -1e-6 && Math.max(...sides) > 1e-6).toBe(false);
    }
  });

  it('it is as large as before, but for corners moved onto the cut, and whole', () => {
    const before = buildSurfaceMesh(whole.positionsMm, whole.triangles);
    const after = buildSurfaceMesh(cut.positionsMm, cut.triangles);
    const area = (m: typeof before) => m.triangleAreasMm2.reduce((a, b) => a + b, 0);
    expect(area(after) / area(before)).toBeCloseTo(1, 2);
    expect(after.borders).toHaveLength(0);
    expect(after.triangleAreasMm2.every((a) => a > 0)).toBe(true);
  });
});
