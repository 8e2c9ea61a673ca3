/** All that hangs on the tape alone. */
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import type { HeadFit } from '../head/fit.ts';
import type { Hairline } from '../head/hairline.ts';
import type { Landmarks } from '../head/landmarks.ts';
import type { HeadShape } from '../head/shape.ts';
import type { ScalpFields } from '../rows/scalp-fields.ts';

export interface HeadStage {
  /** What later stages are kept by. */
  readonly key: number;
  readonly fit: HeadFit;
  readonly shape: HeadShape;
  readonly line: Hairline;
  readonly mark: Landmarks;
  readonly mesh: SurfaceMesh;
  readonly areaMm2: number;
  /** Round the head as fitted. */
  readonly girthMm: number;
  readonly scalp: ScalpFields;
}
