/** What a general-purpose ray caster (three-mesh-bvh) sees of the scalp through the same ribbons, laid as flat strips over it. */
import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { SurfaceMesh } from '../../src/core/geometry/surface-mesh.ts';

export interface Strip {
  /** Middle of the ribbon from knot to tip, xyz interleaved, mm. */
  readonly pointsMm: Float64Array;
  /** Of the surface under each point. */
  readonly normals: Float64Array;
  readonly halfMm: readonly number[];
  readonly opacity: number;
}

/** Strips lie so far off the scalp, mm: a ray from it meets each. */
const LIFT_MM = 1.5;

/** Share that shows at every vertex: rays along the normal through all strips; each counts once, by how near its middle it is met. */
export function rayCastShowing(mesh: SurfaceMesh, strips: readonly Strip[]): Float64Array {
  const positions: number[] = [];
  const across: number[] = [];
  const stripOf: number[] = [];
  const triangles: number[] = [];
  strips.forEach((s, id) => {
    const n = s.halfMm.length;
    for (let i = 0; i < n; i++) {
      const o = 3 * i;
      const a = 3 * Math.max(0, i - 1);
      const b = 3 * Math.min(n - 1, i + 1);
      const along = new Vector3(...[0, 1, 2].map((c) => s.pointsMm[b + c] - s.pointsMm[a + c])).normalize();
      const normal = new Vector3(s.normals[o], s.normals[o + 1], s.normals[o + 2]);
      const side = new Vector3().crossVectors(along, normal).normalize();
      for (const sign of [-1, 0, 1]) {
        for (let c = 0; c < 3; c++)
          positions.push(
            s.pointsMm[o + c] + sign * s.halfMm[i] * side.getComponent(c) + LIFT_MM * normal.getComponent(c),
          );
        across.push(sign);
        stripOf.push(id);
      }
      if (i === 0) continue;
      const first = positions.length / 3 - 6;
      for (const k of [0, 1]) {
        const [p, q, r, t] = [first + k, first + k + 1, first + k + 3, first + k + 4];
        triangles.push(p, q, r, q, t, r);
      }
    }
  });
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3));
  geometry.setIndex(triangles);
  const bvh = new MeshBVH(geometry, { indirect: true });
  const shows = new Float64Array(mesh.vertexCount).fill(1);
  const kernel = new Map<number, number>();
  const p = mesh.positionsMm;
  const ray = new Ray();
  for (let v = 0; v < mesh.vertexCount; v++) {
    ray.origin.set(p[3 * v], p[3 * v + 1], p[3 * v + 2]);
    ray.direction.set(mesh.normals[3 * v], mesh.normals[3 * v + 1], mesh.normals[3 * v + 2]);
    kernel.clear();
    for (const hit of bvh.raycast(ray, DoubleSide)) {
      if (!hit.face || hit.distance > 12) continue;
      const u = Math.abs(acrossAt(hit.point, [hit.face.a, hit.face.b, hit.face.c], positions, across));
      const k = u <= 0.5 ? 1 : 2 - 2 * u;
      const id = stripOf[hit.face.a];
      kernel.set(id, Math.max(kernel.get(id) ?? 0, k));
    }
    for (const [id, k] of kernel) shows[v] *= 1 - strips[id].opacity * k;
  }
  return shows;
}

/** From -1 at one edge to 1 at the other, by barycentric coordinates. */
function acrossAt(
  at: Vector3,
  [a, b, c]: readonly [number, number, number],
  positions: readonly number[],
  across: readonly number[],
): number {
  const corner = (i: number) => new Vector3(positions[3 * i], positions[3 * i + 1], positions[3 * i + 2]);
  const [A, B, C] = [corner(a), corner(b), corner(c)];
  const whole = new Vector3().crossVectors(B.clone().sub(A), C.clone().sub(A)).length();
  const part = (P: Vector3, Q: Vector3) => new Vector3().crossVectors(P.clone().sub(at), Q.clone().sub(at)).length();
  return (part(B, C) * across[a] + part(C, A) * across[b] + part(A, B) * across[c]) / whole;
}
