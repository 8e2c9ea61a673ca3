/** What the stage draws of a head: the bust and the cap's surface, as flat arrays. Once per head. */
import { icosphere } from '../../geometry/index.ts';
import {
  aboveHairline,
  bust,
  bustMesh,
  fitHead,
  hairline,
  headShape,
  openness,
  type PictureMesh,
  scalpMesh,
  tapePolyline,
} from '../../head/index.ts';
import { TAPE_MEASURES, type TapeMeasure } from '../../trade/index.ts';
import type { HeadInputs } from '../inputs.ts';

export interface HeadScene {
  readonly bust: PictureMesh;
  readonly cap: PictureMesh;
  /** Way of each tape measure, xyz interleaved. */
  readonly tapes: Readonly<Record<TapeMeasure, Float32Array>>;
  readonly crownHeightMm: number;
}

const BUST_STEP_MM = 6;
const FACE_STEP_MM = 2.4;
/** The cap lies this far outside the scalp, mm. */
const CAP_LIFT_MM = 1.1;

/** The cap has a vertex for every vertex of the scalp, in the same order, so that fields can be drawn on it. */
export function headScene(inputs: HeadInputs): HeadScene {
  const shape = headShape(fitHead(inputs.tape, inputs.tapeSpreadsMm, inputs.trusted).scores);
  const line = hairline(shape, inputs.hairline);
  const body = bust(shape);
  const mesh = scalpMesh(shape, line, icosphere(inputs.meshFrequency));
  const n = mesh.vertexCount;
  const positions = new Float32Array(3 * n);
  const light = new Float32Array(n);
  const above = new Float32Array(n);
  for (let v = 0; v < n; v++) {
    const p = [0, 1, 2].map((c) => mesh.positionsMm[3 * v + c]) as [number, number, number];
    const normal = [0, 1, 2].map((c) => mesh.normals[3 * v + c]) as [number, number, number];
    for (let c = 0; c < 3; c++) positions[3 * v + c] = p[c] + CAP_LIFT_MM * normal[c];
    light[v] = openness(body.distance, p, normal);
    above[v] = aboveHairline(line, ...p) * Math.sqrt(p[0] * p[0] + p[1] * p[1] + p[2] * p[2]);
  }
  const tapes = Object.fromEntries(TAPE_MEASURES.map((m) => [m, Float32Array.from(tapePolyline(shape, m))])) as Record<
    TapeMeasure,
    Float32Array
  >;
  return {
    bust: bustMesh(shape, line, BUST_STEP_MM, FACE_STEP_MM),
    cap: {
      positions,
      normals: Float32Array.from(mesh.normals),
      triangles: Uint32Array.from(mesh.triangles),
      light,
      aboveHairlineMm: above,
    },
    tapes,
    crownHeightMm: shape.crownHeightMm,
  };
}
