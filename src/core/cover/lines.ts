/** Lines and places of the base and the cap that give a style away where nothing falls over them, and what would hide them. */
import { nearestVertex, type SurfaceMesh } from '../geometry/index.ts';
import type { Point } from '../head/index.ts';

export const LINE_KINDS = ['part', 'faceEdge', 'napeEdge', 'opening', 'tie'] as const;
export type LineKind = (typeof LINE_KINDS)[number];

/** Common practice, no source. */
export const LINE_INFO: Readonly<Record<LineKind, { readonly name: string; readonly hides: string }>> = {
  part: { name: 'The part', hides: 'It is meant to show; one-leg knots beside it keep it narrow.' },
  faceEdge: {
    name: 'Edge at the face',
    hides: 'Own hair or baby hair laid over it, a fringe, or pieces turned back over the edge.',
  },
  napeEdge: { name: 'Edge at the nape', hides: 'A row along the border, or longer hair at the nape.' },
  opening: { name: 'Edge of the opening', hides: 'Knots through own hair along it, one-leg, leaning over the edge.' },
  tie: { name: 'The tie that shows most', hides: 'A piece above it, or its tail parked further down.' },
};

export interface LineShown {
  readonly kind: LineKind;
  /** Mean share that shows along it; of the ties that of the worst. */
  readonly shows: number;
  readonly atMm: Point;
}

/** @returns undefined where the line has no point on this scalp */
export function lineShown(
  kind: LineKind,
  mesh: SurfaceMesh,
  shows: ArrayLike<number>,
  vertices: readonly number[],
): LineShown | undefined {
  if (vertices.length === 0) return undefined;
  let sum = 0;
  let barest = vertices[0];
  for (const v of vertices) {
    sum += shows[v];
    if (shows[v] > shows[barest]) barest = v;
  }
  const p = mesh.positionsMm;
  const share = kind === 'tie' ? shows[barest] : sum / vertices.length;
  return { kind, shows: share, atMm: [p[3 * barest], p[3 * barest + 1], p[3 * barest + 2]] };
}

/** Vertices under a line of points. */
export function verticesAlong(mesh: SurfaceMesh, pointsMm: ArrayLike<number>): number[] {
  const out: number[] = [];
  let near = 0;
  for (let i = 0; i + 2 < pointsMm.length; i += 3) {
    near = nearestVertex(mesh, pointsMm[i], pointsMm[i + 1], pointsMm[i + 2], near);
    if (out.at(-1) !== near) out.push(near);
  }
  return out;
}

/** Nearer than this to front or nape a place of the border is its edge, mm. */
const BORDER_MM = 3;

/** Of a plan on her head, where lines and places lie that give it away. */
export interface LinesOnHead {
  readonly partMm: ArrayLike<number>;
  /** Empty without a cap. */
  readonly openingMm: ArrayLike<number>;
  readonly tiesMm: ArrayLike<number>;
  readonly fromFrontHairline: Float64Array;
  readonly fromNape: Float64Array;
  /** 1 where cover is owed, at every vertex. */
  readonly owed: Uint8Array;
}

/** How much of each line shows that gives the style away. */
export function linesShown(mesh: SurfaceMesh, shows: ArrayLike<number>, at: LinesOnHead): LineShown[] {
  const border = (near: Float64Array) =>
    mesh.borders.flatMap((loop) => [...loop].filter((v) => near[v] < BORDER_MM && at.owed[v] === 1));
  return [
    lineShown('part', mesh, shows, verticesAlong(mesh, at.partMm)),
    lineShown('faceEdge', mesh, shows, border(at.fromFrontHairline)),
    lineShown('napeEdge', mesh, shows, border(at.fromNape)),
    lineShown('opening', mesh, shows, verticesAlong(mesh, at.openingMm)),
    lineShown('tie', mesh, shows, verticesAlong(mesh, at.tiesMm)),
  ].filter((l) => l !== undefined);
}
