/** What a base is laid on: her scalp with the fields that generators cut along, once per head and hair. */

import type { SurfaceMesh } from '../geometry/index.ts';
import type { HairOnScalp } from '../hair/index.ts';
import type { Hairline, HeadShape, Landmarks, MarkMasks, ScalpFields } from '../head/index.ts';
import { atan2 } from '../numerics/index.ts';

export interface BaseContext {
  readonly shape: HeadShape;
  readonly mesh: SurfaceMesh;
  readonly mark: Landmarks;
  readonly line: Hairline;
  readonly scalp: ScalpFields;
  readonly hair: HairOnScalp;
  readonly masks: MarkMasks;
  readonly fingerMm: number;
  /** Hair mass a vertex owns, g. */
  readonly massG: Float64Array;
  /** In front of the plane through both ears and the crown, mm; negative behind. */
  readonly beforeEars: Float64Array;
  /** From the middle line, mm; positive on her left. */
  readonly aside: Float64Array;
  /** About the axis from ear to ear, rad: rises from the face over the crown to the nape. */
  readonly backwards: Float64Array;
  /** About the vertical axis seen from behind, rad: 0 at the middle of the back, positive on her left. */
  readonly aroundBack: Float64Array;
}

export function baseContext(
  head: Pick<BaseContext, 'shape' | 'mesh' | 'mark' | 'line' | 'scalp'>,
  hair: HairOnScalp,
  masks: MarkMasks,
  fingerMm: number,
): BaseContext {
  const { mesh, mark, scalp } = head;
  const p = mesh.positionsMm;
  const each = (f: (v: number, x: number, y: number, z: number) => number) =>
    Float64Array.from({ length: mesh.vertexCount }, (_, v) => f(v, p[3 * v], p[3 * v + 1], p[3 * v + 2]));
  const [, ey, ez] = mark.earTop;
  const [, cy, cz] = mark.crown;
  return {
    ...head,
    hair,
    masks,
    fingerMm,
    massG: each((v) => mesh.vertexAreasMm2[v] * hair.regions[hair.regionOf[v]].massGPerMm2),
    beforeEars: each((_, __, y, z) => z - (ez + ((y - ey) / (cy - ey)) * (cz - ez))),
    aside: each((v, x) => (x >= 0 ? scalp.fromMidline[v] : -scalp.fromMidline[v])),
    // Below the axis behind, the angle runs on beyond π to the nape.
    backwards: each((_, __, y, z) => {
      const a = atan2(y, z);
      return a < -Math.PI / 2 ? a + 2 * Math.PI : a;
    }),
    aroundBack: each((_, x, __, z) => atan2(x, -z)),
  };
}
