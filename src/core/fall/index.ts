/** How a piece lies from its knot: gravity, curl, the head in its way. */
export { Extent } from './extent.ts';
export { type Finish, PLAIN_FINISH } from './finish.ts';
export type { Footprint, Root } from './footprint.ts';
export { type HairMesh, HairMeshBuilder } from './hair-mesh.ts';
export { layerMm, layOn, STEEPEST_LOOSE, volumeMm3 } from './loft.ts';
export { POSE_NAMES, POSES, type Pose } from './poses.ts';
export { fullWidthAt, KERNEL_MEAN, type Ribbons, ribbonAngle, ribbonsOf } from './ribbons.ts';
export { AT_REST, type HairState } from './state.ts';
export { StrandMaker, type Surroundings } from './strands.ts';
export { isDrawn, isHeld, tieOf, waysToTie } from './tied.ts';
export { STEP_MM, StrandTracer } from './trace.ts';
export { fallDirection, fallWays } from './way.ts';
export { fullerSide, type Lie, liesOf, slipped, type Worn, wornRibbons } from './worn.ts';
export { drawBehind, drawnBehind, isTied, WORN_AS, WORN_AS_INFO, type WornAs, waysToWear } from './worn-as.ts';
