/** The head as gaps are worked out on it: cells, where each lies, where pieces go and cover is owed. */
import type { SurfaceMesh } from '../geometry/index.ts';
import type { ScalpFields } from '../head/index.ts';
import { ZONE_REACH_MM, zoneShares } from '../rows/index.ts';
import type { SpacingZone } from '../trade/index.ts';
import { scalpCells } from './cells.ts';
import { type CellPlace, type Ground, NONE } from './gaps.ts';

const middleOf = ([from, to]: readonly [number, number]) => (from + to) / 2;
const END_MM = {
  nape: middleOf(ZONE_REACH_MM.nape),
  back: middleOf(ZONE_REACH_MM.back),
  part: middleOf(ZONE_REACH_MM.part),
  faceEdge: middleOf(ZONE_REACH_MM.faceEdge),
} as const;

/** The spacing zone of a vertex: where that of the zone has half given way to the next. */
export function zoneAt(
  { fromNape, fromFrontHairline, scale }: Pick<ScalpFields, 'fromNape' | 'fromFrontHairline' | 'scale'>,
  fromPart: Float64Array,
  vertex: number,
): SpacingZone {
  if (fromPart[vertex] < END_MM.part) return 'part';
  if (fromFrontHairline[vertex] < END_MM.faceEdge) return 'faceEdge';
  if (fromNape[vertex] < END_MM.nape * scale) return 'nape';
  return fromNape[vertex] < END_MM.back * scale ? 'back' : 'top';
}

/** @param closed 1 where no piece goes, @param sight 1 where own hair stays in sight, at every vertex */
export function groundOf(
  mesh: SurfaceMesh,
  scalp: ScalpFields,
  fromPart: Float64Array,
  closed: Uint8Array,
  sight: Uint8Array,
): Ground {
  const cells = scalpCells(mesh);
  const places = Array.from(
    cells.middles,
    (v): CellPlace => ({
      shares: zoneShares(scalp.fromNape[v], fromPart[v], scalp.fromFrontHairline[v], scalp.scale),
      zone: zoneAt(scalp, fromPart, v),
    }),
  );
  const owed = shareOf(sight);
  const owedIn: Record<SpacingZone, number> = { ...NONE };
  places.forEach(({ zone }, i) => {
    owedIn[zone] += cells.areasMm2[i] * owed[i];
  });
  const areaMm2 = cells.areasMm2.reduce((a, b) => a + b, 0);
  return { cells, places, open: shareOf(closed), owed, owedIn, areaMm2 };

  /** Of each cell that is not marked. */
  function shareOf(marked: Uint8Array): Float64Array {
    const free = new Float64Array(cells.count);
    for (let v = 0; v < mesh.vertexCount; v++) if (marked[v] === 0) free[cells.of[v]] += mesh.vertexAreasMm2[v];
    return free.map((mm2, i) => mm2 / cells.areasMm2[i]);
  }
}
