/**
 * Edits on her head. Each hands vertices from one section to another and is refused with a reason where it
 * would leave nothing of a section, or something that can't be one. They are replayed in order on whatever the
 * generator lays, so they outlive a new measure; one that no longer fits is left out and told.
 */
import { cross, dot, minus, nearestVertex, type SurfaceMesh } from '../../geometry/index.ts';
import { type DirectionDeg, directionOf, onSurface, type Point } from '../../head/index.ts';
import type { BaseContext } from '../context.ts';
import { evenBites } from './even.ts';
import { borderPoints } from './line-distance.ts';
import { connectedPieces, keepConnected, LEAST_SECTION_MM2, type SectionMap, verticesOf } from './section-map.ts';

/** An edit that is kept: known by its id, whatever stands before it. */
export type Edit = { readonly id: string } & BaseEdit;
export type BaseEdit =
  /** Moves the line between two sections by mm at its start and at its end; positive makes `a` larger. */
  | { readonly op: 'move'; readonly a: string; readonly b: string; readonly startMm: number; readonly endMm: number }
  | { readonly op: 'cut'; readonly section: string; readonly line: readonly DirectionDeg[] }
  /** b becomes part of a. */
  | { readonly op: 'merge'; readonly a: string; readonly b: string }
  | { readonly op: 'tie'; readonly section: string; readonly at: DirectionDeg }
  | { readonly op: 'even'; readonly locked: readonly string[] };

export type EditOutcome =
  | { readonly ok: true; readonly map: SectionMap }
  | { readonly ok: false; readonly why: string };

/** A line may be moved this far in one go, mm. */
export const LONGEST_MOVE_MM = 60;

export function applyEdit(ground: BaseContext, map: SectionMap, edit: BaseEdit): EditOutcome {
  switch (edit.op) {
    case 'move':
      return moveLine(ground, map, edit.a, edit.b, edit.startMm, edit.endMm);
    case 'cut':
      return cutSection(ground, map, edit.section, edit.line);
    case 'merge':
      return mergeSections(ground.mesh, map, edit.a, edit.b);
    case 'tie':
      return moveTie(ground, map, edit.section, edit.at);
    case 'even':
      return evened(ground, map, edit.locked);
  }
}

const refuse = (why: string): EditOutcome => ({ ok: false, why });

function labelOf(map: SectionMap, id: string): number {
  return map.sections.findIndex((s) => s.id === id);
}

function moveLine(
  ground: BaseContext,
  map: SectionMap,
  aId: string,
  bId: string,
  startMm: number,
  endMm: number,
): EditOutcome {
  const a = labelOf(map, aId);
  const b = labelOf(map, bId);
  if (a < 0 || b < 0) return refuse('One of the two sections is no longer there.');
  const border = borderPoints(ground.mesh, map.labels, a, b);
  if (border.count === 0) return refuse('These two sections don’t touch, so there is no line between them.');
  const labels = map.labels.slice();
  for (let v = 0; v < labels.length; v++) {
    if (map.labels[v] !== a && map.labels[v] !== b) continue;
    const { distanceMm, share } = border.nearest(v);
    const by = startMm + share * (endMm - startMm);
    if (map.labels[v] === b && by > 0 && distanceMm < by) labels[v] = a;
    if (map.labels[v] === a && by < 0 && distanceMm < -by) labels[v] = b;
  }
  return checked(ground, { ...map, labels }, [a, b]);
}

function cutSection(ground: BaseContext, map: SectionMap, id: string, line: readonly DirectionDeg[]): EditOutcome {
  const label = labelOf(map, id);
  if (label < 0) return refuse('The section to be cut is no longer there.');
  if (line.length < 2) return refuse('A cut needs a stroke from one side of the section to the other.');
  const vertices = verticesOf(map.labels, label);
  const isBeyond = sideOfStroke(ground, line);
  const beyond = vertices.filter(isBeyond);
  if (beyond.length === 0 || beyond.length === vertices.length) {
    return refuse('The stroke doesn’t cross this section. Draw from one of its lines to another.');
  }
  const labels = map.labels.slice();
  const fresh = map.sections.length;
  for (const v of beyond) labels[v] = fresh;
  const { tie, way, ...seed } = map.sections[label];
  // A tie that she placed stays with the half that it lies in.
  const tieIsBeyond =
    tie !== undefined && isBeyond(nearestVertex(ground.mesh, ...onSurface(ground.shape, directionOf(tie))));
  const kept = { ...seed, ...(way ? { way } : {}) };
  const sections = map.sections.map((s, i) => (i === label && tieIsBeyond ? kept : s));
  sections.push({ ...seed, id: freshId(map, id), name: `${seed.name}, second half`, ...(tieIsBeyond ? { tie } : {}) });
  return checked(ground, { ...map, labels, sections }, [label, fresh]);
}

function freshId(map: SectionMap, id: string): string {
  for (let n = 2; ; n++) if (labelOf(map, `${id}-${n}`) < 0) return `${id}-${n}`;
}

/**
 * Which side of a stroke a vertex lies on. The stroke runs on straight beyond both ends, so that it need not
 * reach the lines exactly.
 */
function sideOfStroke({ mesh, shape }: BaseContext, line: readonly DirectionDeg[]): (v: number) => boolean {
  const points = line.map((d) => onSurface(shape, directionOf(d)));
  const segments: Array<{ readonly from: Point; readonly along: Point; readonly reach: readonly [number, number] }> =
    [];
  for (let i = 0; i + 1 < points.length; i++) {
    const along = minus(points[i + 1], points[i]);
    if (dot(along, along) < 1) continue;
    segments.push({
      from: points[i],
      along,
      reach: [i === 0 ? -1e6 : 0, i + 2 === points.length ? 1e6 : 1],
    });
  }
  if (segments.length === 0) return () => false;
  const p = mesh.positionsMm;
  return (v) => {
    const at: Point = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
    let nearest = Number.POSITIVE_INFINITY;
    let side = 0;
    for (const s of segments) {
      const to = minus(at, s.from);
      const t = Math.min(s.reach[1], Math.max(s.reach[0], dot(to, s.along) / dot(s.along, s.along)));
      const off = minus(to, [t * s.along[0], t * s.along[1], t * s.along[2]]);
      const d = dot(off, off);
      if (d >= nearest) continue;
      nearest = d;
      // The plane through the segment and the middle of the head parts the two sides.
      side = dot(cross(s.from, s.along), at);
    }
    return side > 0;
  };
}

function mergeSections(mesh: SurfaceMesh, map: SectionMap, aId: string, bId: string): EditOutcome {
  const a = labelOf(map, aId);
  const b = labelOf(map, bId);
  if (a < 0 || b < 0) return refuse('One of the two sections is no longer there.');
  if (a === b) return refuse('Choose two different sections to merge.');
  if (map.sections[a].role !== map.sections[b].role) {
    return refuse('One of them is your own hair in sight; only the line between them can be moved.');
  }
  if (!doTouch(mesh, map.labels, a, b)) return refuse('These two sections don’t touch. Only neighbours can be merged.');
  const into = a > b ? a - 1 : a;
  const labels = map.labels.map((label) => (label === b ? into : label > b ? label - 1 : label));
  const tie = map.sections[a].tie ?? map.sections[b].tie;
  const sections = map.sections.map((s, i) =>
    i === a ? { ...s, name: s.name.replace(/, second half$/, ''), ...(tie ? { tie } : {}) } : s,
  );
  return { ok: true, map: { ...map, labels, sections: sections.filter((_, i) => i !== b) } };
}

function doTouch(mesh: SurfaceMesh, labels: Int32Array, a: number, b: number): boolean {
  for (let v = 0; v < labels.length; v++) {
    if (labels[v] !== a) continue;
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      if (labels[mesh.neighbours[k]] === b) return true;
    }
  }
  return false;
}

function moveTie(ground: BaseContext, map: SectionMap, id: string, at: DirectionDeg): EditOutcome {
  const label = labelOf(map, id);
  if (label < 0) return refuse('The section to be tied is no longer there.');
  const vertex = nearestVertex(ground.mesh, ...onSurface(ground.shape, directionOf(at)));
  if (map.labels[vertex] !== label) return refuse('A tie has to lie inside its own section.');
  const sections = map.sections.map((s, i) => (i === label ? { ...s, tie: at } : s));
  return { ok: true, map: { ...map, sections } };
}

/** Sections still tile by construction; each that changed has to be one piece and large enough to tie. */
function checked(ground: BaseContext, map: SectionMap, changed: readonly number[]): EditOutcome {
  const { mesh } = ground;
  const all = connectedPieces(mesh, map.labels);
  for (const label of changed) {
    const pieces = all
      .filter((piece) => piece.label === label)
      .map((piece) => piece.vertices.reduce((sum, v) => sum + mesh.vertexAreasMm2[v], 0))
      .sort((x, y) => y - x);
    const name = map.sections[label].name;
    if ((pieces[0] ?? 0) < LEAST_SECTION_MM2) return refuse(`Too little would be left of ${name} to put a band on.`);
    if ((pieces[1] ?? 0) > LEAST_SECTION_MM2) return refuse(`This would tear ${name} into two pieces. Cut it first.`);
  }
  keepConnected(mesh, map.labels, all);
  return { ok: true, map };
}

export interface EditedSections {
  readonly map: SectionMap;
  /** Edits that no longer fit the sections, with the reason. */
  readonly lost: ReadonlyArray<{ readonly id: string; readonly why: string }>;
}

/** Replays the edits, each on the result of the one before. @param apply what one edit does to sections */
export function replayEdits(
  laid: SectionMap,
  edits: readonly Edit[],
  apply: (map: SectionMap, deed: BaseEdit) => EditOutcome,
): EditedSections {
  let map = laid;
  const lost: Array<{ id: string; why: string }> = [];
  for (const { id, ...deed } of edits) {
    const outcome = apply(map, deed);
    if (outcome.ok) map = outcome.map;
    else lost.push({ id, why: outcome.why });
  }
  return { map, lost };
}

/** More boxes than anyone bands in a day, and so many that evening them out takes longer than she would wait. */
const MOST_TO_EVEN = 400;

function evened(ground: BaseContext, map: SectionMap, locked: readonly string[]): EditOutcome {
  const parcels = map.sections.filter((s) => s.role === 'base').length;
  if (parcels > MOST_TO_EVEN)
    return {
      ok: false,
      why: `even bites are found for up to ${MOST_TO_EVEN} boxes, and these are ${parcels}: make the boxes larger first`,
    };
  const even = evenBites(ground, map, new Set(locked));
  const areas = new Float64Array(map.sections.length);
  even.labels.forEach((label, v) => {
    areas[label] += ground.mesh.vertexAreasMm2[v];
  });
  const least = Math.min(...areas.filter((_, i) => map.sections[i].role === 'base'));
  if (least < LEAST_SECTION_MM2)
    return { ok: false, why: 'a box would be smaller than can be tied: make the boxes larger first' };
  return { ok: true, map: even };
}
