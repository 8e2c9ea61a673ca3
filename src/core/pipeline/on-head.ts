/** From the head that rows are worked out on to hers, where that is its mirror image; and the part on either. */
import { distanceFrom } from '../geometry/eikonal.ts';
import { nearestVertex, type SurfaceMesh } from '../geometry/surface-mesh.ts';
import { type LinePart, type Part, partPolyline } from '../rows/part.ts';
import { sweptCounter } from '../rows/scalp-fields.ts';
import type { HeadStage } from './head-stage.ts';

/** The mesh vertex under each knot: knots follow each other, so each walk is short. */
export function verticesUnder(
  mesh: SurfaceMesh,
  knots: ReadonlyArray<{ readonly xMm: number; readonly yMm: number; readonly zMm: number }>,
): number[] {
  let near = 0;
  return knots.map((k) => {
    near = nearestVertex(mesh, k.xMm, k.yMm, k.zMm, near);
    return near;
  });
}

/** A mask as it lies on the mirrored head. */
export function seenInMirror(from: SurfaceMesh, to: SurfaceMesh, mask: Uint8Array): Uint8Array {
  const p = to.positionsMm;
  let near = 0;
  return Uint8Array.from({ length: to.vertexCount }, (_, v) => {
    near = nearestVertex(from, -p[3 * v], p[3 * v + 1], p[3 * v + 2], near);
    return mask[near];
  });
}

type Head = { mesh: SurfaceMesh } & Pick<HeadStage, 'shape' | 'line' | 'scalp' | 'mark'>;

/** Distance from the part, or from what stands in for it, and the line to draw. */
export function partOnHead(head: Head, part: Part) {
  if (part.kind === 'line') {
    const pointsMm = partPolyline(head.shape, head.line, part as LinePart);
    return { pointsMm, fromPart: distanceFrom(head.mesh, { pointsMm }) };
  }
  if (part.kind === 'crown') {
    return { pointsMm: new Float64Array(0), fromPart: distanceFrom(head.mesh, { pointsMm: head.mark.crown }) };
  }
  return { pointsMm: new Float64Array(0), fromPart: sweptCounter(head.line, head.mesh, head.scalp.scale) };
}
