/** A head as every later stage takes it: the fitted shape, its scalp inside the hairline, and distances over it. */
import type { Icosphere, SurfaceMesh } from '../geometry/index.ts';
import type { HeadFit } from './fit.ts';
import { type Hairline, type HairlineOffsets, hairline } from './hairline.ts';
import { type Landmarks, landmarks } from './landmarks.ts';
import type { Relief } from './relief.ts';
import { scalpMesh } from './scalp.ts';
import { type ScalpFields, scalpFields } from './scalp-fields.ts';
import { type HeadShape, headShape } from './shape.ts';
import { tapeReading } from './tape.ts';

export interface Head {
  readonly fit: HeadFit;
  readonly shape: HeadShape;
  readonly line: Hairline;
  readonly mark: Landmarks;
  readonly mesh: SurfaceMesh;
  /** Hair-bearing scalp inside the hairline. */
  readonly areaMm2: number;
  /** Round the head as fitted. */
  readonly girthMm: number;
  readonly scalp: ScalpFields;
}

export interface HeadParts {
  readonly fit: HeadFit;
  /** What a scan of hers adds. */
  readonly relief: Relief | undefined;
  readonly offsets: HairlineOffsets;
  /** Directions that the scalp mesh is cut from. */
  readonly sphere: Icosphere;
}

export function layHead({ fit, relief, offsets, sphere }: HeadParts): Head {
  const shape = headShape(fit.scores, { relief });
  const line = hairline(shape, offsets);
  const mesh = scalpMesh(shape, line, sphere);
  const mark = landmarks(shape);
  return {
    fit,
    shape,
    line,
    mark,
    mesh,
    areaMm2: mesh.triangleAreasMm2.reduce((a, b) => a + b, 0),
    girthMm: tapeReading(shape, 'girth', mark),
    scalp: scalpFields(shape, line, mesh),
  };
}
