/**
 * Distances on surfaces against closed forms on a sphere and against C. F. F. Karney's geodesics on a spheroid
 * (geographiclib-geodesic; "Algorithms for geodesics", J. Geodesy 87, 2013).
 */
import fc from 'fast-check';
import geodesic from 'geographiclib-geodesic';
import { UndirectedGraph } from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { describe, expect, it } from 'vitest';
import { geodetic, patch, relativeErrors, sphere, spheroid } from '../../../tests/helpers/spheres.ts';
import { distanceFrom } from './eikonal.ts';
import { distanceMm, type SurfaceMesh } from './surface-mesh.ts';

const R = 90;
const FREQUENCY = 32;

function angleBetween(mesh: SurfaceMesh, u: number, v: number): number {
  const chord = distanceMm(mesh.positionsMm, u, mesh.positionsMm, v);
  return 2 * Math.asin(Math.min(1, chord / (2 * R)));
}

describe('distance from a point on a sphere (great circle, closed form)', () => {
  const mesh = sphere(R, FREQUENCY);
  it.each([0, 17, 4321])('from vertex %i: mean below 0.2 %, worst below 1 %', (source) => {
    const found = distanceFrom(mesh, { pointsMm: mesh.positionsMm.slice(3 * source, 3 * source + 3) });
    const { mean, worst } = relativeErrors(found, (v) => R * angleBetween(mesh, source, v));
    expect(mean).toBeLessThan(0.002);
    expect(worst).toBeLessThan(0.01);
  });

  it('takes a point between vertices too', () => {
    const at = [R * Math.sin(0.4) * Math.cos(1.1), R * Math.cos(0.4), R * Math.sin(0.4) * Math.sin(1.1)];
    const found = distanceFrom(mesh, { pointsMm: at });
    const { mean, worst } = relativeErrors(found, (v) => {
      const chord = distanceMm(at, 0, mesh.positionsMm, v);
      return 2 * R * Math.asin(chord / (2 * R));
    });
    expect(mean).toBeLessThan(0.003);
    expect(worst).toBeLessThan(0.012);
  });
});

describe('distance from a point on a spheroid (geographiclib)', () => {
  it.each([
    ['oblate', 95, 80, [106.5799, 167.5763]],
    ['prolate', 80, 105, [115.2723, 159.3064]],
  ] as const)('%s %i/%i: mean below 0.5 %%, worst below 2 %%', (_, a, b, known) => {
    const earth = new geodesic.Geodesic.Geodesic(a, (a - b) / a);
    // The reference itself, against values computed once from the equator's start.
    expect(earth.Inverse(0, 0, 45, 60).s12).toBeCloseTo(known[0], 3);
    expect(earth.Inverse(0, 0, 60, 120).s12).toBeCloseTo(known[1], 3);
    const mesh = spheroid(a, b, FREQUENCY);
    for (const source of [3, 2500]) {
      const p = mesh.positionsMm;
      const from = geodetic(p[3 * source], p[3 * source + 1], p[3 * source + 2], a, b);
      const found = distanceFrom(mesh, { pointsMm: p.slice(3 * source, 3 * source + 3) });
      const { mean, worst } = relativeErrors(found, (v) => {
        const to = geodetic(p[3 * v], p[3 * v + 1], p[3 * v + 2], a, b);
        return earth.Inverse(from.lat, from.lon, to.lat, to.lon).s12 as number;
      });
      expect(mean).toBeLessThan(0.005);
      expect(worst).toBeLessThan(0.02);
    }
  });
});

describe('distance from a line on a sphere', () => {
  const mesh = sphere(R, FREQUENCY);
  const circle = (from: number, to: number, steps: number) =>
    Float64Array.from(
      Array.from({ length: steps + 1 }, (_, i) => {
        const a = from + ((to - from) * i) / steps;
        return [R * Math.sin(a), 0, R * Math.cos(a)];
      }).flat(),
    );

  it('from the equator it is R times the latitude: mean below 0.3 %', () => {
    const found = distanceFrom(mesh, { pointsMm: circle(0, 2 * Math.PI, 240), closed: true });
    const { mean, worst } = relativeErrors(found, (v) => R * Math.abs(Math.asin(mesh.positionsMm[3 * v + 1] / R)));
    expect(mean).toBeLessThan(0.003);
    expect(worst).toBeLessThan(0.02);
  });

  it('from an arc of 110 mm its ends act as points: mean below 0.3 %, worst below 2.5 %', () => {
    const half = 55 / R;
    const found = distanceFrom(mesh, { pointsMm: circle(-half, half, 30) });
    const { mean, worst } = relativeErrors(found, (v) => {
      const [x, y, z] = [0, 1, 2].map((k) => mesh.positionsMm[3 * v + k]);
      const longitude = Math.atan2(x, z);
      if (Math.abs(longitude) <= half) return R * Math.abs(Math.asin(y / R));
      const end = Math.sign(longitude) * half;
      return R * Math.acos(Math.min(1, (x * Math.sin(end) + z * Math.cos(end)) / R));
    });
    expect(mean).toBeLessThan(0.003);
    expect(worst).toBeLessThan(0.025);
  });

  it('is the same whichever way the line runs', () => {
    const line = circle(-0.5, 0.9, 20);
    const back = Float64Array.from(
      Array.from({ length: 21 }, (_, i) => [...line.slice(3 * (20 - i), 3 * (20 - i) + 3)]).flat(),
    );
    const a = distanceFrom(mesh, { pointsMm: line });
    const b = distanceFrom(mesh, { pointsMm: back });
    for (let v = 0; v < a.length; v++) expect(b[v]).toBeCloseTo(a[v], 9);
  });
});

describe('distance on a mesh', () => {
  it('is exact from a straight edge of a flat patch', () => {
    const mesh = patch(20, 2);
    const found = distanceFrom(mesh, { pointsMm: [0, 0, 0, 40, 0, 0] });
    for (let v = 0; v < mesh.vertexCount; v++) expect(found[v]).toBeCloseTo(mesh.positionsMm[3 * v + 1], 9);
  });

  it('is never longer than the shortest way along edges (Dijkstra, graphology)', () => {
    const mesh = sphere(R, 8);
    const graph = new UndirectedGraph();
    for (let v = 0; v < mesh.vertexCount; v++) graph.addNode(v);
    for (let v = 0; v < mesh.vertexCount; v++) {
      for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
        const u = mesh.neighbours[k];
        if (u > v) graph.addEdge(v, u, { weight: distanceMm(mesh.positionsMm, u, mesh.positionsMm, v) });
      }
    }
    const paths = dijkstra.singleSource(graph, 5, 'weight');
    const found = distanceFrom(mesh, { pointsMm: mesh.positionsMm.slice(15, 18) });
    for (let v = 0; v < mesh.vertexCount; v++) {
      const path = paths[v].map(Number);
      let along = 0;
      for (let i = 1; i < path.length; i++)
        along += distanceMm(mesh.positionsMm, path[i - 1], mesh.positionsMm, path[i]);
      expect(found[v]).toBeLessThanOrEqual(along + 1e-9);
    }
  });

  it('grows with the mesh: k times the size, k times the distance', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 3, noNaN: true }), fc.nat(641), (k, source) => {
        const small = sphere(R, 8);
        const large = sphere(R * k, 8);
        const a = distanceFrom(small, { pointsMm: small.positionsMm.slice(3 * source, 3 * source + 3) });
        const b = distanceFrom(large, { pointsMm: large.positionsMm.slice(3 * source, 3 * source + 3) });
        for (let v = 0; v < a.length; v++) expect(b[v]).toBeCloseTo(k * a[v], 6);
      }),
      { numRuns: 12, seed: 2 },
    );
  });

  it('says when there is nothing to start from', () => {
    expect(() => distanceFrom(patch(2, 1), { pointsMm: [] })).toThrow(/at least one point/);
  });
});
