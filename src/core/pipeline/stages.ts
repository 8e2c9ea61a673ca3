/**
 * The chain: head → base → cap → part → row field → rows → knots → pieces → cover, load, supply, time →
 * findings. Each stage is a function of what it names and is kept by it, so that a change recomputes only
 * what hangs on it: a spacing change starts at the rows, a moved part at one distance field.
 */

import { plaitedBase } from '../base/sections.ts';
import { fitCap } from '../cap/dome.ts';
import { estimateCover } from '../cover/estimate.ts';
import { findings } from '../findings/findings.ts';
import { distanceFrom } from '../geometry/eikonal.ts';
import { icosphere } from '../geometry/icosphere.ts';
import { nearestVertex, type SurfaceMesh } from '../geometry/surface-mesh.ts';
import { hookedPiece } from '../hair/product.ts';
import { fitHead } from '../head/fit.ts';
import { hairline } from '../head/hairline.ts';
import { landmarks } from '../head/landmarks.ts';
import { scalpMesh } from '../head/scalp.ts';
import { headShape } from '../head/shape.ts';
import { tapeReading } from '../head/tape.ts';
import { type LaidKnot, layKnots } from '../knots/layout.ts';
import { weigh } from '../load/weight.ts';
import { onHerLeft, turnedKnots, turnedPoints, turnedRows } from '../rows/mirror.ts';
import { type LinePart, type Part, partPolyline } from '../rows/part.ts';
import { rowField } from '../rows/row-field.ts';
import { layRows, rowSlopes } from '../rows/rows.ts';
import { scalpFields, sweptCounter } from '../rows/scalp-fields.ts';
import { faceEdgeFactor, type ZoneFactors } from '../rows/zones.ts';
import { planSupply } from '../supply/packs.ts';
import { estimateTime } from '../time/estimate.ts';
import type { HeadStage } from './head-stage.ts';
import type { PlanInputs } from './inputs.ts';
import { Memo } from './memo.ts';
import { pieceKnots, planRows } from './pieces.ts';
import type { PlanResult } from './result.ts';
import { spacingInMm } from './spacing.ts';

export class Pipeline {
  private readonly memo = new Memo();

  head(inputs: Pick<PlanInputs, 'tape' | 'meshFrequency'>): HeadStage {
    const key = JSON.stringify([inputs.tape, inputs.meshFrequency]);
    return this.memo.get('head', key, () => {
      const fit = fitHead(inputs.tape);
      const shape = headShape(fit.scores);
      const line = hairline(shape);
      const sphere = this.memo.get('sphere', String(inputs.meshFrequency), () => icosphere(inputs.meshFrequency));
      const mesh = scalpMesh(shape, line, sphere);
      const mark = landmarks(shape);
      const areaMm2 = mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
      return {
        key,
        fit,
        shape,
        line,
        mark,
        mesh,
        areaMm2,
        girthMm: tapeReading(shape, 'girth', mark),
        scalp: scalpFields(shape, line, mesh),
      };
    });
  }

  base(inputs: PlanInputs) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.ownHair, inputs.sections]);
    return this.memo.get('base', key, () => plaitedBase(head.mesh, head.mark, inputs.ownHair, inputs.sections));
  }

  part(inputs: PlanInputs) {
    const head = this.head(inputs);
    const { part } = onHerLeft(inputs.part);
    const key = JSON.stringify([head.key, part]);
    return this.memo.get('part', key, () => ({ key, ...partOnHead(head, part) }));
  }

  field(inputs: PlanInputs) {
    const head = this.head(inputs);
    const part = this.part(inputs);
    const { zones } = spacingInMm(inputs);
    const { faceEdge, ...alongTheWay } = zones;
    const key = JSON.stringify([part.key, alongTheWay]);
    return this.memo.get('field', key, () => {
      const joined = rowField(head.mesh, head.scalp, part.fromPart, zones);
      return { key, ...joined, slopes: rowSlopes(head.mesh, joined) };
    });
  }

  rows(inputs: PlanInputs) {
    const head = this.head(inputs);
    const field = this.field(inputs);
    const { mm } = spacingInMm(inputs);
    const swept = inputs.part.kind === 'swept';
    const key = JSON.stringify([field.key, mm, swept]);
    return this.memo.get('rows', key, () => ({
      key,
      ...layRows(head.mesh, head.line, head.scalp, field, field.slopes, mm, { frontRow: swept, swept }),
    }));
  }

  layout(inputs: PlanInputs) {
    const head = this.head(inputs);
    const field = this.field(inputs);
    const rows = this.rows(inputs);
    const { mm, zones } = spacingInMm(inputs);
    const key = JSON.stringify([rows.key, zones.faceEdge]);
    return this.memo.get('layout', key, () => {
      const faceEdge = this.faceEdge(head, zones);
      const pitch = { zone: field.zone, faceEdge };
      return { key, pitch, ...layKnots(head.mesh, rows.rows, pitch, mm) };
    });
  }

  /** Factor along a row at every vertex. */
  private faceEdge(head: HeadStage, zones: ZoneFactors): Float64Array {
    const key = JSON.stringify([head.key, zones.faceEdge]);
    return this.memo.get('faceEdge', key, () => {
      const distance = head.scalp.fromFrontHairline;
      const factor = new Float64Array(distance.length);
      for (let v = 0; v < factor.length; v++) factor[v] = faceEdgeFactor(zones, distance[v]);
      return factor;
    });
  }

  /** The whole plan. Throws RangeError where an input is outside what its stage can take. */
  plan(inputs: PlanInputs): PlanResult {
    const head = this.head(inputs);
    const base = this.base(inputs);
    const part = this.part(inputs);
    const field = this.field(inputs);
    const rowPlan = this.rows(inputs);
    const layout = this.layout(inputs);
    const { turned } = onHerLeft(inputs.part);
    const laidRows = turned ? turnedRows(rowPlan.rows) : rowPlan.rows;
    const laidKnots = turned ? turnedKnots(layout.knots, rowPlan.rows) : layout.knots;
    const partPoints = turned ? turnedPoints(part.pointsMm) : part.pointsMm;
    const spacing = spacingInMm(inputs);
    const piece = hookedPiece(inputs.product);
    const thickestTail = Math.max(...base.sections.map((s) => s.tailThicknessMm));
    const cap = fitCap(inputs.cap, head.girthMm, thickestTail);
    const rows = planRows(head.mesh, laidRows, laidKnots, head.scalp.fromMidline, turned);
    const laid = { rows: laidRows, knots: laidKnots, planned: rows, turned };
    const knots = pieceKnots(inputs, head, { fromPart: part.fromPart, pointsMm: partPoints }, laid, piece, spacing.mm);
    const supply = planSupply(knots.length, inputs.reserveShare, piece.perPack, inputs.product.packPrice);
    const load = weigh(
      turned ? verticesUnder(head.mesh, laidKnots) : laidKnots.map((k) => k.vertex),
      piece.massG,
      base,
      cap,
    );
    const time = estimateTime(
      base.minutes,
      cap.minutes,
      knots.reduce((sum, k) => sum + k.seconds, 0),
      inputs.pace,
    );
    const cover = estimateCover(head.mesh, part.fromPart, field.zone, spacing.mm, inputs.product, piece.massG);
    const result: Omit<PlanResult, 'findings'> = {
      head: {
        fit: head.fit,
        areaMm2: head.areaMm2,
        landmarks: head.mark,
        sizeMm: head.shape.sizeMm,
        meshVertices: head.mesh.vertexCount,
      },
      base: { sections: base.sections, minutes: base.minutes, linesMm: base.linesMm },
      cap,
      part: { pointsMm: Float32Array.from(partPoints) },
      spacing,
      rowScheme: {
        wholeRows: rowPlan.wholeRows,
        insertedRows: rowPlan.insertedRows,
        shortenedRows: rowPlan.shortenedRows,
        thinnedOutKnots: layout.thinnedOut,
        droppedPieces: rowPlan.droppedPieces,
        mismatch: field.mismatch,
      },
      rows,
      knots,
      piece,
      supply,
      load,
      time,
      cover,
    };
    return { ...result, findings: findings(inputs, result) };
  }

  /** What a quarter of a finger closer or wider everywhere would change. */
  spacingStep(inputs: PlanInputs, stepFingers = 0.25) {
    const moved = (by: number) => {
      const fingers = Object.fromEntries(
        Object.entries(inputs.spacing.fingers).map(([zone, f]) => [zone, Math.max(0, f + by)]),
      ) as PlanInputs['spacing']['fingers'];
      const next: PlanInputs = { ...inputs, spacing: { ...inputs.spacing, fingers } };
      if (spacingInMm(next).mm.gapMm < LEAST_STEP_MM) return undefined;
      const pieces = this.layout(next).knots.length;
      const { packs } = planSupply(pieces, inputs.reserveShare, hookedPiece(inputs.product).perPack, 0);
      return { pieces, packs };
    };
    return { stepFingers, tighter: moved(-stepFingers), wider: moved(stepFingers) };
  }
}

export type SpacingStep = ReturnType<Pipeline['spacingStep']>;

/** Below this the step would ask for more knots than any head holds. */
const LEAST_STEP_MM = 7;

/** The mesh vertex under each knot that was turned over: knots follow each other, so each walk is short. */
function verticesUnder(mesh: SurfaceMesh, knots: readonly LaidKnot[]): number[] {
  let near = 0;
  return knots.map((k) => {
    near = nearestVertex(mesh, k.xMm, k.yMm, k.zMm, near);
    return near;
  });
}

type Head = { mesh: SurfaceMesh } & Pick<HeadStage, 'shape' | 'line' | 'scalp' | 'mark'>;

/** Distance from the part, or from what stands in for it, and the line to draw. */
function partOnHead(head: Head, part: Part) {
  if (part.kind === 'line') {
    const pointsMm = partPolyline(head.shape, head.line, part as LinePart);
    return { pointsMm, fromPart: distanceFrom(head.mesh, { pointsMm }) };
  }
  if (part.kind === 'crown') {
    return { pointsMm: new Float64Array(0), fromPart: distanceFrom(head.mesh, { pointsMm: head.mark.crown }) };
  }
  return { pointsMm: new Float64Array(0), fromPart: sweptCounter(head.line, head.mesh, head.scalp.scale) };
}
