/** Stamped ribbons against rays cast through the same ribbons by three-mesh-bvh, a general-purpose library. */
import { expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../tests/helpers/heads.ts';
import { rayCastShowing } from '../../../tests/helpers/ray-cast.ts';
import { stripsOf } from '../../../tests/helpers/strips.ts';
import type { Ribbons } from '../fall/ribbons.ts';
import { AT_REST } from '../fall/state.ts';
import { fallWays } from '../fall/way.ts';
import { vertexBalls } from '../geometry/balls.ts';
import { distanceFrom } from '../geometry/eikonal.ts';
import { partPolyline } from '../head/part.ts';
import { hiddenShare, showing } from './cover.ts';
import { FootprintMaker, reachOf } from './footprint.ts';

const RIBBONS: Ribbons = {
  count: 4,
  widthMm: 13,
  opacity: 0.45,
  fanRad: 0.9,
  fanReachMm: 60,
  lengthMm: 90,
  springs: false,
};

it('hides what rays find hidden, to within 3 points', () => {
  const { mesh, shape, line } = wholeHead(REFERENCE_SCORES, 20);
  const part = { kind: 'line', frontMm: 30, endMm: 28, lengthMm: 100, bendMm: 0 } as const;
  const ways = fallWays(mesh, distanceFrom(mesh, { pointsMm: partPolyline(shape, line, part) }), AT_REST);
  const p = mesh.positionsMm;
  const roots = Array.from({ length: Math.floor(mesh.vertexCount / 17) }, (_, i) => {
    const vertex = 17 * i;
    return { xMm: p[3 * vertex], yMm: p[3 * vertex + 1], zMm: p[3 * vertex + 2], vertex };
  });
  const maker = new FootprintMaker(mesh, ways, vertexBalls(mesh, reachOf(RIBBONS.widthMm, mesh.meanEdgeMm)));
  const everywhere = new Uint8Array(mesh.vertexCount).fill(1);
  const stamped = showing(
    mesh.vertexCount,
    roots.map((r) => maker.of(r, RIBBONS)),
  );
  const strips = stripsOf(mesh, ways, roots, RIBBONS);
  const cast = rayCastShowing(mesh, strips);
  const [a, b] = [stamped, cast].map((s) => hiddenShare(mesh, s, everywhere));
  expect(b).toBeGreaterThan(0.5);
  expect(Math.abs(a - b)).toBeLessThan(0.03);
  // Vertex by vertex too, but for edges of ribbons: three in four agree within 8 points.
  const apart = Array.from(stamped, (s, v) => Math.abs(s - cast[v])).sort((x, y) => x - y);
  expect(apart[Math.floor(0.75 * apart.length)]).toBeLessThan(0.08);
});
