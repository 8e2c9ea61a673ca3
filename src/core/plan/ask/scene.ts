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

/** Her scalp from outside, a vertex for every vertex of the scalp in the same order, so that fields can be drawn on it. */
function outsideOf(inputs: HeadInputs) {
  const { scores } = fitHead(inputs.tape, inputs.tapeSpreadsMm, inputs.trusted);
  const shape = headShape(scores, { relief: inputs.relief });
  const line = hairline(shape, inputs.hairline);
  const mesh = scalpMesh(shape, line, icosphere(inputs.meshFrequency));
  const positions = new Float32Array(mesh.positionsMm.length);
  const aboveHairlineMm = new Float32Array(mesh.vertexCount);
  for (let v = 0; v < mesh.vertexCount; v++) {
    const [x, y, z] = pointOf(mesh.positionsMm, v);
    for (let c = 0; c < 3; c++)
      positions[3 * v + c] = mesh.positionsMm[3 * v + c] + CAP_LIFT_MM * mesh.normals[3 * v + c];
    aboveHairlineMm[v] = aboveHairline(line, x, y, z) * Math.sqrt(x * x + y * y + z * z);
  }
  const cap = {
    positions,
    normals: Float32Array.from(mesh.normals),
    triangles: Uint32Array.from(mesh.triangles),
    aboveHairlineMm,
  };
  return { shape, line, mesh, cap };
}

const pointOf = (p: ArrayLike<number>, v: number) => [p[3 * v], p[3 * v + 1], p[3 * v + 2]] as const;

/** Without light and bust, which take longest: for what is measured on it. */
export const capOutside = (inputs: HeadInputs): Omit<PictureMesh, 'light'> => outsideOf(inputs).cap;

export function headScene(inputs: HeadInputs): HeadScene {
  const { shape, line, mesh, cap } = outsideOf(inputs);
  const body = bust(shape);
  const light = Float32Array.from({ length: mesh.vertexCount }, (_, v) =>
    openness(body.distance, [...pointOf(mesh.positionsMm, v)], [...pointOf(mesh.normals, v)]),
  );
  const tapes = Object.fromEntries(TAPE_MEASURES.map((m) => [m, Float32Array.from(tapePolyline(shape, m))])) as Record<
    TapeMeasure,
    Float32Array
  >;
  return {
    bust: bustMesh(shape, line, BUST_STEP_MM, FACE_STEP_MM),
    cap: { ...cap, light },
    tapes,
    crownHeightMm: shape.crownHeightMm,
  };
}
