import { describe, expect, it } from 'vitest';
import { patch, sphere } from '../../../tests/helpers/spheres.ts';
import type { Footprint } from '../fall/footprint.ts';
import type { Ribbons } from '../fall/ribbons.ts';
import { vertexBalls } from '../geometry/balls.ts';
import { nearestVertex, type SurfaceMesh } from '../geometry/surface-mesh.ts';
import { hiddenShare, showing } from './cover.ts';
import { FootprintMaker, reachOf } from './footprint.ts';

const downOn = (mesh: SurfaceMesh) => {
  const ways = new Float64Array(3 * mesh.vertexCount);
  for (let v = 0; v < mesh.vertexCount; v++) ways[3 * v + 1] = -1;
  return ways;
};
const RIBBON: Ribbons = {
  count: 1,
  widthMm: 14,
  opacity: 0.45,
  fanRad: 0,
  fanReachMm: 60,
  lengthMm: 99,
  springs: true,
};
const areaHidden = (mesh: SurfaceMesh, f: Footprint) =>
  f.vertices.reduce((sum, v, i) => sum + mesh.vertexAreasMm2[v] * (1 - f.through[i]), 0);
const rootAt = (mesh: SurfaceMesh, xMm: number, yMm: number) => ({
  xMm,
  yMm,
  zMm: 0,
  vertex: nearestVertex(mesh, xMm, yMm, 0),
});
const makerOn = (mesh: SurfaceMesh, ways = downOn(mesh), widest = 14) =>
  new FootprintMaker(mesh, ways, vertexBalls(mesh, reachOf(widest, mesh.meanEdgeMm)));

describe('one ribbon', () => {
  const mesh = patch(160, 1);
  it('hides the area of its kernel swept along its length (closed form, capsule of a trapezium)', () => {
    const hidden = areaHidden(mesh, makerOn(mesh).of(rootAt(mesh, 30.3, 130.2), RIBBON));
    const r = 7;
    expect(hidden / (0.45 * (1.5 * r * 99 + (7 * Math.PI * r * r) / 12))).toBeCloseTo(1, 2);
  });

  it('is narrower at its root unless it springs', () => {
    const maker = makerOn(mesh);
    const springy = areaHidden(mesh, maker.of(rootAt(mesh, 30, 130), RIBBON));
    const wrapped = areaHidden(mesh, maker.of(rootAt(mesh, 30, 130), { ...RIBBON, springs: false }));
    expect(wrapped).toBeLessThan(springy);
    expect(wrapped).toBeGreaterThan(0.8 * springy);
  });

  it('two over each other hide 1 - (1 - a)²', () => {
    const maker = makerOn(mesh);
    const f = maker.of(rootAt(mesh, 30, 130), { ...RIBBON, count: 2, fanRad: 0 });
    expect(1 - Math.min(...f.through)).toBeCloseTo(0.6975, 3);
  });

  it('refuses a ribbon that its stamps cannot hold', () => {
    expect(() => makerOn(mesh).of(rootAt(mesh, 30, 130), { ...RIBBON, widthMm: 40 })).toThrow(/wider than the stamps/);
  });
});

describe('many ribbons', () => {
  const mesh = patch(144, 1.5);
  const maker = makerOn(mesh);
  const inner = Uint8Array.from({ length: mesh.vertexCount }, (_, v) => {
    const x = mesh.positionsMm[3 * v];
    const y = mesh.positionsMm[3 * v + 1];
    return x > 60 && x < 156 && y > 60 && y < 156 ? 1 : 0;
  });
  const hidden = (prints: Footprint[]) => hiddenShare(mesh, showing(mesh.vertexCount, prints), inner);
  const piece: Ribbons = { ...RIBBON, widthMm: 10, lengthMm: 36 };
  const one = areaHidden(mesh, maker.of(rootAt(mesh, 108, 126), piece));

  it('scattered at random they hide 1 - exp(-density × hidden area) (Boolean model, Hall 1988)', () => {
    let seed = 11;
    const random = () => {
      seed = (seed * 1664525 + 1013904223) % 4294967296;
      return seed / 4294967296;
    };
    const means: number[] = [];
    for (let run = 0; run < 12; run++) {
      const prints = Array.from({ length: 140 }, () =>
        maker.of(rootAt(mesh, 5 + 206 * random(), 5 + 206 * random()), piece),
      );
      means.push(hidden(prints));
    }
    const mean = means.reduce((a, b) => a + b, 0) / means.length;
    expect(Math.abs(mean - (1 - Math.exp((-140 * one) / (206 * 206))))).toBeLessThan(0.02);
  });

  it('in a lattice without overlap they hide exactly density × hidden area', () => {
    const prints: Footprint[] = [];
    for (let x = 6; x < 216; x += 18)
      for (let y = 48; y < 214; y += 54) prints.push(maker.of(rootAt(mesh, x, y), piece));
    const whole = Uint8Array.from({ length: mesh.vertexCount }, (_, v) => {
      const x = mesh.positionsMm[3 * v];
      const y = mesh.positionsMm[3 * v + 1];
      return x >= 51 && x < 159 && y >= 51 && y < 159 ? 1 : 0;
    });
    const share = hiddenShare(mesh, showing(mesh.vertexCount, prints), whole);
    expect(share).toBeCloseTo(one / (18 * 54), 2);
  });

  it('in bricks the scalp is covered better than one above the other, at equal count', () => {
    const laid = (brick: boolean) => {
      const prints: Footprint[] = [];
      for (let row = 0; row * 18 < 200; row++)
        for (let x = 9 + (brick && row % 2 ? 9 : 0); x < 212; x += 18)
          prints.push(maker.of(rootAt(mesh, x, 205 - row * 18), { ...piece, widthMm: 12, lengthMm: 54, opacity: 0.9 }));
      return hidden(prints);
    };
    expect(laid(true)).toBeGreaterThan(laid(false) + 0.2);
  });
});

describe('on a sphere', () => {
  it('a ribbon hides the same wherever the mesh lies under it', () => {
    const R = 90;
    const mesh = sphere(R, 40);
    const ways = new Float64Array(3 * mesh.vertexCount);
    for (let v = 0; v < mesh.vertexCount; v++) {
      const [x, y, z] = [0, 1, 2].map((c) => mesh.normals[3 * v + c]);
      const l = Math.sqrt(1 - y * y) || 1;
      ways.set([(y * x) / l, (-1 + y * y) / l, (y * z) / l], 3 * v);
    }
    const maker = makerOn(mesh, ways);
    const areas = [0.3, 1.1, 2.2, 3.3, 4.4].map((a) => {
      const root = [R * Math.cos(a) * 0.8, R * 0.6, R * Math.sin(a) * 0.8] as const;
      return areaHidden(
        mesh,
        maker.of({ xMm: root[0], yMm: root[1], zMm: root[2], vertex: nearestVertex(mesh, ...root) }, RIBBON),
      );
    });
    expect(Math.max(...areas) / Math.min(...areas)).toBeLessThan(1.02);
  });
});
