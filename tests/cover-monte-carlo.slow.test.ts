/**
 * Cover from outside: every hanging end of every piece as one opaque rope of loose fibre, at an angle by chance, on the
 * knots and the ways of a plan. What is lost when the same knots take quarters instead of whole pieces has to be what the
 * look loses, within what is not known of a rope: how loosely its fibres lie. (A method of our own, no source; a rope's
 * width is its linear density, in tex after ISO 1144, over the density of fibre and its packing.)
 */
import { describe, expect, it } from 'vitest';
import { fibresSideBySideMm, ribbonsOf } from '../src/core/fall/ribbons.ts';
import { StrandTracer } from '../src/core/fall/trace.ts';
import { hookedPiece } from '../src/core/hair/preparation.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { fallingHair } from '../src/core/plan/ask/falling-hair.ts';
import type { PlanInputs } from '../src/core/plan/inputs.ts';
import { owed, ways, worn } from '../src/core/plan/stages/fall.ts';
import { head } from '../src/core/plan/stages/head.ts';
import { PLAIN_GUESSES } from '../src/core/trade/guesses.ts';
import { DRESSINGS, FIBRE_DENSITY, SPLITS } from '../src/core/trade/preparation.ts';
import { TEXTURES, type Texture } from '../src/core/trade/textures.ts';
import { hairOf, PLAIN_CUT, PLAIN_PRODUCT, plainInputs } from './helpers/heads.ts';
import { Planner } from './helpers/planner.ts';

const atelier = new Planner();
/** Of fibre in a rope: held together, loose, fluffed up. */
const PACKINGS = [0.4, 0.1, 0.03] as const;
const EVEN = { part: 1.5, top: 1.5, back: 1.5, nape: 1.5, faceEdge: 1.5 };
const plan = (texture: Texture, split: 1 | 4, opened = 0): PlanInputs =>
  plainInputs({
    ...hairOf(
      { texture, packMassG: 80, lengthMm: 250, strandsPerPiece: 4 },
      { split, opened: opened > 0 ? { when: 'after', strands: 1, reach: opened } : PLAIN_CUT.opened },
    ),
    spacing: { said: 'centres', fingers: EVEN },
  });

/** Share of the scalp that ropes hide. @param looser factor on the packing */
function byRopes(inputs: PlanInputs, packing: number): number {
  const now = atelier.graph.ask({ inputs });
  const { mesh } = now.of(head);
  const { roots, ribbons, pieces } = now.of(worn);
  const tracer = new StrandTracer(mesh, now.of(ways));
  const random = seededRandom(7);
  const hit = new Uint8Array(mesh.vertexCount);
  roots.forEach((root, i) => {
    const { massG, lengthMm, hangingEnds } = pieces[i];
    const ends = Math.round(hangingEnds);
    const sectionMm2 = massG / ends / lengthMm / FIBRE_DENSITY / packing;
    const r = Math.sqrt(sectionMm2 / Math.PI);
    for (let e = 0; e < ends; e++) {
      const angle = ribbons[i].fanRad * (random() - 0.5);
      tracer.trace(root.xMm, root.yMm, root.zMm, root.vertex, angle, ribbons[i].fanReachMm, lengthMm);
      for (let s = 0; s < tracer.steps; s++) markNear(tracer.pointsMm, s, tracer.vertices[s], r);
    }
  });
  const cover = now.of(owed);
  let area = 0;
  let hidden = 0;
  for (let v = 0; v < mesh.vertexCount; v++) {
    area += cover[v] * mesh.vertexAreasMm2[v];
    hidden += cover[v] * hit[v] * mesh.vertexAreasMm2[v];
  }
  return hidden / area;

  /** Vertices under a step of a rope: those round the one it starts at. */
  function markNear(p: Float64Array, step: number, vertex: number, r: number) {
    const around = new Set([vertex]);
    for (let ring = 0; ring < 2; ring++)
      for (const v of [...around])
        for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) around.add(mesh.neighbours[k]);
    for (const v of around) if (!hit[v] && toStep(p, step, v) < r) hit[v] = 1;
  }
  function toStep(p: Float64Array, step: number, v: number): number {
    const q = mesh.positionsMm;
    const [ax, ay, az] = p.subarray(3 * step, 3 * step + 3);
    const [bx, by, bz] = p.subarray(3 * step + 3, 3 * step + 6);
    const [x, y, z] = q.subarray(3 * v, 3 * v + 3);
    const along =
      ((x - ax) * (bx - ax) + (y - ay) * (by - ay) + (z - az) * (bz - az)) /
      ((bx - ax) ** 2 + (by - ay) ** 2 + (bz - az) ** 2);
    const t = Math.min(1, Math.max(0, along));
    return Math.hypot(x - ax - t * (bx - ax), y - ay - t * (by - ay), z - az - t * (bz - az));
  }
}

describe.each(['straight', 'looseCurl', 'curl', 'coil'] as const)('%s', (texture) => {
  it('loses as much from whole pieces to quarters on the same knots as ropes do, one by one', () => {
    const whole = plan(texture, 1);
    const quarters = plan(texture, 4);
    expect(atelier.plan(quarters).knots.length).toBe(atelier.plan(whole).knots.length);
    const lost = atelier.look({ inputs: whole }).hiddenShare - atelier.look({ inputs: quarters }).hiddenShare;
    const ropes = PACKINGS.map((packing) => byRopes(whole, packing) - byRopes(quarters, packing));
    expect(lost).toBeGreaterThan(Math.min(...ropes) - 0.03);
    expect(lost).toBeLessThan(Math.max(...ropes) + 0.05);
  });

  it('hides within what ropes of any packing hide, whole, split and opened', () => {
    for (const inputs of [plan(texture, 1), plan(texture, 4), plan(texture, 1, 1)]) {
      const { hiddenShare } = atelier.look({ inputs });
      expect(hiddenShare).toBeGreaterThan(byRopes(inputs, PACKINGS[0]) - 0.03);
      expect(hiddenShare).toBeLessThan(byRopes(inputs, PACKINGS[2]) + 0.05);
    }
  });

  it('opened hides more, and never as much as twice the hair', () => {
    const closed = atelier.look({ inputs: plan(texture, 4) }).hiddenShare;
    const opened = atelier.look({ inputs: plan(texture, 4, 1) }).hiddenShare;
    const twice = { ...plan(texture, 4), ...hairOf({ texture, packMassG: 160, lengthMm: 250 }, { split: 4 }) };
    expect(opened).toBeGreaterThan(closed);
    expect(opened).toBeLessThan(atelier.look({ inputs: twice }).hiddenShare);
  });

  it('meets rays through the drawn hair, straight out of the scalp', () => {
    for (const inputs of [plan(texture, 1), plan(texture, 4), plan(texture, 1, 1)]) {
      const { hiddenShare } = atelier.look({ inputs });
      expect(Math.abs(byRays(inputs) - hiddenShare)).toBeLessThan(0.12);
    }
  });
});

/** Share of rays from the scalp, along its normal, that drawn ribbons stop: each lets through what it doesn't hide. */
function byRays(inputs: PlanInputs): number {
  const now = atelier.graph.ask({ inputs });
  const { mesh } = now.of(head);
  const { opacity } = now.of(worn).ribbons[0];
  const { positions, sizes } = fallingHair(atelier.graph, { inputs }).mesh;
  const segments = positions.length / 6;
  let area = 0;
  let stopped = 0;
  for (let v = 0; v < mesh.vertexCount; v += 23) {
    const [x, y, z] = mesh.positionsMm.subarray(3 * v, 3 * v + 3);
    const [nx, ny, nz] = mesh.normals.subarray(3 * v, 3 * v + 3);
    let through = 1;
    for (let s = 0; s + 1 < segments; s++) {
      // Two vertices a point; a ribbon's last point and the first of the next are no segment.
      if (sizes[4 * s + 1] !== sizes[4 * s + 5]) continue;
      const o = 6 * s;
      const [dx, dy, dz] = [
        positions[o + 6] - positions[o],
        positions[o + 7] - positions[o + 1],
        positions[o + 8] - positions[o + 2],
      ];
      if (dx * dx + dy * dy + dz * dz > 40 * 40) continue;
      const [ax, ay, az] = [positions[o] - x, positions[o + 1] - y, positions[o + 2] - z];
      const out = ax * nx + ay * ny + az * nz;
      if (out < -4 || out > 90) continue;
      // On the plane across the ray: how near the segment passes to it.
      const dn = dx * nx + dy * ny + dz * nz;
      const [px, py, pz] = [ax - out * nx, ay - out * ny, az - out * nz];
      const [qx, qy, qz] = [dx - dn * nx, dy - dn * ny, dz - dn * nz];
      const qq = qx * qx + qy * qy + qz * qz;
      if (qq < 1e-9) continue;
      const t = -(px * qx + py * qy + pz * qz) / qq;
      if (t < 0 || t >= 1) continue;
      const away = Math.hypot(px + t * qx, py + t * qy, pz + t * qz);
      // Its kernel: all over the inner half, fading to its edge.
      const share = Math.min(1, Math.max(0, 2 - (2 * away) / sizes[4 * s]));
      through *= 1 - opacity * share;
    }
    area += mesh.vertexAreasMm2[v];
    stopped += mesh.vertexAreasMm2[v] * (1 - through);
  }
  return stopped / area;
}

describe('fibre is conserved', () => {
  it('no cut, split, opening or dressing hides more than its fibres side by side', () => {
    for (const texture of TEXTURES)
      for (const massG of [0.1, 0.5, 2, 8])
        for (const strandsPerPiece of [1, 4, 16])
          for (const split of SPLITS)
            for (const dressed of DRESSINGS)
              for (const strands of [0, 0.5, 1]) {
                const product = {
                  ...PLAIN_PRODUCT,
                  texture,
                  strandsPerPiece,
                  piecesPerPack: 10,
                  packMassG: 10 * massG,
                };
                const opened = { when: 'after' as const, strands, reach: 1 };
                const piece = hookedPiece(product, { ...PLAIN_CUT, split, dressed, opened });
                const { count, widthMm, opacity } = ribbonsOf(piece, texture, PLAIN_GUESSES);
                expect(count * widthMm * opacity).toBeLessThanOrEqual(
                  fibresSideBySideMm(piece.massG, piece.lengthMm) * (1 + 1e-12),
                );
                expect(count).toBeLessThanOrEqual(Math.max(1, Math.round(piece.hangingEnds)));
              }
  });

  it('splitting gives away nothing: as many halves hide what the whole hid, quarters too', () => {
    for (const texture of TEXTURES) {
      const hides = (split: 1 | 2 | 4) => {
        const piece = hookedPiece({ ...PLAIN_PRODUCT, texture }, { ...PLAIN_CUT, split });
        const r = ribbonsOf(piece, texture, PLAIN_GUESSES);
        return split * r.count * r.widthMm * r.opacity;
      };
      expect(hides(2)).toBeCloseTo(hides(1), 9);
      expect(hides(4)).toBeCloseTo(hides(1), 9);
    }
  });
});
