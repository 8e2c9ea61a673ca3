/** The head with its rows and knots as meshes and lines, for programs that show or print in space. mm, y up, the face towards +z. */

import type { PlanResult } from '../../core/findings/index.ts';
import { icosphere } from '../../core/geometry/index.ts';
import type { HeadScene } from '../../core/plan/index.ts';

export interface ModelPart {
  readonly name: string;
  readonly kind: 'triangles' | 'lines';
  /** xyz interleaved, mm. */
  readonly positions: Float32Array;
  readonly normals?: Float32Array;
  /** Corners of triangles, or ends of line pieces. */
  readonly indices: Uint32Array;
  /** Red, green and blue, 0 to 1, as seen. */
  readonly colour: readonly [number, number, number];
}

/** Of a bead that stands for a knot, mm. */
const BEAD_MM = 2.2;
const SKIN = [0.66, 0.44, 0.31] as const;
const NET = [0.12, 0.13, 0.29] as const;
const YARN = [0.95, 0.91, 0.83] as const;
const BRASS = [0.93, 0.69, 0.29] as const;

export function headModel(scene: HeadScene, { rows, knots, part, cap }: PlanResult): ModelPart[] {
  const lines = [part.pointsMm, part.second?.pointsMm ?? new Float32Array(0)].filter((p) => p.length > 3);
  return [
    { name: 'head', kind: 'triangles', ...meshOf(scene.bust), colour: SKIN },
    { name: 'scalp', kind: 'triangles', ...meshOf(scene.cap), colour: NET },
    { name: 'rows', kind: 'lines', ...polylines(rows.map((r) => r.pointsMm)), colour: YARN },
    ...(lines.length > 0 ? [{ name: 'part', kind: 'lines', ...polylines(lines), colour: BRASS } as const] : []),
    ...(cap.opening.lineMm.length > 3
      ? [{ name: 'opening', kind: 'lines', ...polylines([cap.opening.lineMm]), colour: BRASS } as const]
      : []),
    { name: 'knots', kind: 'triangles', ...beads(knots), colour: YARN },
  ];
}

const meshOf = ({ positions, normals, triangles }: HeadScene['cap']) => ({ positions, normals, indices: triangles });

/** Each from point to point. */
function polylines(lines: ReadonlyArray<ArrayLike<number>>) {
  const positions = Float32Array.from(lines.flatMap((l) => Array.from(l)));
  const indices: number[] = [];
  let first = 0;
  for (const line of lines) {
    const count = line.length / 3;
    for (let i = 0; i + 1 < count; i++) indices.push(first + i, first + i + 1);
    first += count;
  }
  return { positions, indices: Uint32Array.from(indices) };
}

function beads(knots: PlanResult['knots']) {
  const { directions, triangles } = icosphere(2);
  const corners = directions.length / 3;
  const positions = new Float32Array(3 * corners * knots.length);
  const normals = new Float32Array(positions.length);
  const indices = new Uint32Array(triangles.length * knots.length);
  knots.forEach((k, n) => {
    const at = [k.xMm, k.yMm, k.zMm];
    for (let i = 0; i < directions.length; i++) {
      const to = n * directions.length + i;
      positions[to] = at[i % 3] + BEAD_MM * (k.normal[i % 3] + directions[i]);
      normals[to] = directions[i];
    }
    for (let i = 0; i < triangles.length; i++) indices[n * triangles.length + i] = n * corners + triangles[i];
  });
  return { positions, normals, indices };
}
