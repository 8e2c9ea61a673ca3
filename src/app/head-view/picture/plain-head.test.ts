/** A ball seen from straight ahead: as large as it is, lit from the window, the nearer half in front. */
import { describe, expect, it } from 'vitest';
import { icosphere } from '../../../core/geometry/index.ts';
import { projection } from '../projection.ts';
import { fill } from './plain-head.ts';

const R = 80;
const SIDE = 200;
const ball = (radius: number) => {
  const { directions, triangles } = icosphere(12);
  const positions = Float32Array.from(directions, (d) => radius * d);
  return {
    positions,
    normals: Float32Array.from(directions),
    triangles: Uint32Array.from(triangles),
    light: new Float32Array(positions.length / 3).fill(1),
    aboveHairlineMm: new Float32Array(positions.length / 3),
  };
};
const view = projection(
  { azimuth: 0.7, elevation: 0.2 },
  { width: SIDE, height: SIDE },
  { pxPerMm: 1, centreX: SIDE / 2, centreY: SIDE / 2 },
  false,
);
const blank = () => ({
  width: SIDE,
  height: SIDE,
  pixels: new Uint8ClampedArray(4 * SIDE * SIDE),
  depth: new Float32Array(SIDE * SIDE).fill(-1e9),
});
const at = (x: number, y: number) => 4 * (y * SIDE + x);

describe('the plain picture', () => {
  const raster = blank();
  fill(raster, ball(R), view, () => 200);

  it('covers the disc that a ball is (πR²)', () => {
    let covered = 0;
    for (let i = 3; i < raster.pixels.length; i += 4) if (raster.pixels[i] === 255) covered++;
    expect(covered / (Math.PI * R * R)).toBeGreaterThan(0.98);
    expect(covered / (Math.PI * R * R)).toBeLessThan(1.001);
  });

  it('knows how near each place is', () => {
    expect(raster.depth[100 * SIDE + 100]).toBeCloseTo(R, 0);
    expect(raster.depth[100 * SIDE + 160]).toBeCloseTo(Math.sqrt(R * R - 60.5 ** 2), 0);
  });

  it('is brighter towards the window, upper left', () => {
    expect(raster.pixels[at(60, 60)]).toBeGreaterThan(raster.pixels[at(140, 140)] + 40);
  });

  it('hides what lies behind, whichever comes first', () => {
    const [one, other] = [blank(), blank()];
    fill(one, ball(R), view, () => 100);
    fill(one, ball(R / 2), view, () => 255);
    fill(other, ball(R / 2), view, () => 255);
    fill(other, ball(R), view, () => 100);
    expect(one.pixels).toEqual(other.pixels);
  });
});
