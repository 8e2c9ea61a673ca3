/** Meshes, distance on a surface, level sets: knows nothing of heads. */
export { type VertexBalls, vertexBalls } from './balls.ts';
export { contours, curveFromPoints, fieldAt, reverseCurve, type SurfaceCurve, sliceCurve } from './contour.ts';
export { DistanceGrid } from './distance-grid.ts';
export { distanceFrom } from './eikonal.ts';
export { flatten } from './flatten.ts';
export { gradientAt, gradientLengths, gradients } from './gradient.ts';
export { IndexedHeap } from './heap.ts';
export { type Icosphere, icosphere } from './icosphere.ts';
export { evaluatePchip, type Pchip, pchip } from './pchip.ts';
export { arcNear, type Foot, footOn, lengthOf, type PlaceMm, resampled } from './polyline.ts';
export { evenOut, slide } from './slide.ts';
export { smoothField } from './smooth.ts';
export { smoothstep } from './smoothstep.ts';
export { keepTriangles, splitAlong, type Triangles } from './split.ts';
export {
  buildSurfaceMesh,
  distanceFromMask,
  distanceMm,
  forVerticesWithin,
  nearestVertex,
  type SurfaceMesh,
  seenInMirror,
  vertexUnder,
  verticesUnder,
} from './surface-mesh.ts';
export { latticeOver, surfaceNets } from './surface-nets.ts';
export {
  along,
  between,
  cross,
  distance,
  distanceToSegment,
  dot,
  minus,
  pointAt,
  polylineLength,
  unit,
  type Vec3,
} from './vectors.ts';
