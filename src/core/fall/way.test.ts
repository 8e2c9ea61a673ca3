import { describe, expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../tests/helpers/heads.ts';
import { sphere } from '../../../tests/helpers/spheres.ts';
import { distanceFrom } from '../geometry/eikonal.ts';
import { nearestVertex } from '../geometry/surface-mesh.ts';
import { partPolyline } from '../head/part.ts';
import { AT_REST } from './state.ts';
import { StrandTracer } from './trace.ts';
import { fallDirection, fallWays } from './way.ts';

const head = wholeHead(REFERENCE_SCORES, 24);
const { mesh } = head;
const pointsMm = partPolyline(head.shape, head.line, {
  kind: 'line',
  frontMm: 36,
  endMm: 30,
  lengthMm: 110,
  bendMm: 0,
});
const fromPart = distanceFrom(mesh, { pointsMm });
const wayAt = (ways: Float64Array, v: number) => [ways[3 * v], ways[3 * v + 1], ways[3 * v + 2]] as const;
const at = (x: number, y: number, z: number) => nearestVertex(mesh, x, y, z);

describe('the way hair lies', () => {
  const rest = fallWays(mesh, fromPart, AT_REST);

  it('is a unit tangent everywhere, and the same for one vertex as for all', () => {
    for (let v = 0; v < mesh.vertexCount; v += 7) {
      const way = wayAt(rest, v);
      expect(Math.hypot(...way)).toBeCloseTo(1, 9);
      expect(Math.abs(way.reduce((sum, c, i) => sum + c * mesh.normals[3 * v + i], 0))).toBeLessThan(0.12);
      fallDirection(mesh, fromPart, v).forEach((c, i) => {
        expect(c).toBeCloseTo(way[i], 9);
      });
    }
  });

  it('leads away from the part on both of its sides, and down at the nape', () => {
    expect(wayAt(rest, at(75, 90, 40))[0]).toBeGreaterThan(0.5);
    expect(wayAt(rest, at(-10, 115, 40))[0]).toBeLessThan(-0.5);
    expect(wayAt(rest, at(0, -40, -90))[1]).toBeLessThan(-0.8);
  });

  it('follows gravity when she bends forward: hair at the back comes over to the front', () => {
    const bent = fallWays(mesh, fromPart, { ...AT_REST, gravity: [0, 0, 1] });
    const side = at(-85, 40, 0);
    expect(wayAt(bent, side)[2]).toBeGreaterThan(wayAt(rest, side)[2] + 0.5);
  });

  it('gives way to a wind, but not back over the part', () => {
    const blown = fallWays(mesh, fromPart, { ...AT_REST, wind: [1.5, 0, 0] });
    const back = at(-30, 40, -90);
    expect(wayAt(blown, back)[0]).toBeGreaterThan(wayAt(rest, back)[0] + 0.3);
    expect(wayAt(blown, at(-10, 115, 40))[0]).toBeLessThan(0);
  });

  it('is pushed aside by a finger, and as before a hand away', () => {
    const finger = [0, -20, -95, 0, 20, -95, 0, 60, -85];
    const parted = fallWays(mesh, fromPart, { ...AT_REST, finger });
    expect(wayAt(parted, at(9, 20, -95))[0]).toBeGreaterThan(0.6);
    expect(wayAt(parted, at(-9, 20, -95))[0]).toBeLessThan(-0.6);
    const front = at(-60, 90, 40);
    wayAt(parted, front).forEach((c, i) => {
      expect(c).toBeCloseTo(rest[3 * front + i], 6);
    });
  });
});

describe('a strand', () => {
  it('that falls straight down a sphere runs along its meridian (closed form: arc over radius)', () => {
    const R = 90;
    const ball = sphere(R, 40);
    const fromTop = distanceFrom(ball, { pointsMm: [0, R, 0] });
    const tracer = new StrandTracer(ball, fallWays(ball, fromTop, AT_REST));
    const polar = 0.4;
    const start = [R * Math.sin(polar), R * Math.cos(polar), 0] as const;
    tracer.trace(...start, nearestVertex(ball, ...start), 0, 60, 120);
    const [x, y, z] = tracer.pointsMm.subarray(3 * tracer.steps, 3 * tracer.steps + 3);
    expect(tracer.leaves).toBe(false);
    expect(R * Math.atan2(Math.sqrt(x * x + z * z), y)).toBeCloseTo(R * polar + 120, -0.4);
    expect(Math.abs(z)).toBeLessThan(4);
  });

  it('ends where it runs over the hairline', () => {
    const tracer = new StrandTracer(mesh, fallWays(mesh, fromPart, AT_REST));
    const v = at(0, 30, -95);
    const p = mesh.positionsMm;
    tracer.trace(p[3 * v], p[3 * v + 1], p[3 * v + 2], v, 0, 60, 900);
    expect(tracer.leaves).toBe(true);
    expect(tracer.arcMm[tracer.steps]).toBeLessThan(250);
    expect(mesh.borders[0]).toContain(tracer.vertices[tracer.steps]);
  });
});
