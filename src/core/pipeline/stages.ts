/**
 * The chain: head → base → cap → part → row field → rows → knots → pieces → cover, load, supply, time →
 * findings. Each stage is a function of what it names and is kept by it, so that a change recomputes only
 * what hangs on it: a spacing change starts at the rows, a moved part at one distance field.
 */

import { type BaseWork, baseWork, closedToPieces, inSight, type LaidBase, layBase } from '../base/base.ts';
import { applyEdit, type Edit, type EditOutcome, replayEdits } from '../base/edit.ts';
import { type Flattening, flatten } from '../base/flatten.ts';
import { generateSections } from '../base/generate.ts';
import { type BaseGround, baseGround } from '../base/ground.ts';
import { middleCut } from '../base/middle-cut.ts';
import { type Candidate, recommendBases } from '../base/recommend.ts';
import { fitCap, girthOver } from '../cap/dome.ts';
import { estimateCover } from '../cover/estimate.ts';
import { findings } from '../findings/findings.ts';
import { distanceFrom } from '../geometry/eikonal.ts';
import { icosphere } from '../geometry/icosphere.ts';
import { distanceFromMask, nearestVertex, type SurfaceMesh } from '../geometry/surface-mesh.ts';
import { fullnessOf, hairOnScalp } from '../hair/own-hair.ts';
import { hookedPiece } from '../hair/product.ts';
import { fitHead } from '../head/fit.ts';
import { hairline, hairlinePoints, turnedOffsets } from '../head/hairline.ts';
import { landmarks } from '../head/landmarks.ts';
import { markMasks } from '../head/marks.ts';
import { standings } from '../head/norms.ts';
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
import { estimateTime, PACE_FACTOR } from '../time/estimate.ts';
import type { HeadStage } from './head-stage.ts';
import type { HeadInputs, PlanInputs } from './inputs.ts';
import { EFFECTS_FREQUENCY, measureEffects } from './measure-effects.ts';
import { Memo } from './memo.ts';
import { pieceKnots, planRows } from './pieces.ts';
import type { PlanResult } from './result.ts';
import { spacingInMm } from './spacing.ts';

export class Pipeline {
  private readonly memo = new Memo();
  /** Edits of a base, one after the other: a drag redoes only the last. */
  private readonly edits = new Memo(60);
  private tokens = 0;

  /** What later stages are kept by: short, and new whenever a stage is worked out anew. */
  private token(): number {
    return ++this.tokens;
  }

  head(inputs: HeadInputs): HeadStage {
    const { tape, tapeSpreadsMm, trusted, meshFrequency } = inputs;
    const key = JSON.stringify([tape, tapeSpreadsMm, trusted, inputs.hairline, meshFrequency]);
    return this.memo.get('head', key, () => {
      const fitKey = JSON.stringify([tape, tapeSpreadsMm, trusted]);
      const fit = this.memo.get('fit', fitKey, () => fitHead(tape, tapeSpreadsMm, trusted));
      const shape = headShape(fit.scores);
      const line = hairline(shape, inputs.hairline);
      const mesh = scalpMesh(shape, line, this.sphere(meshFrequency));
      const mark = landmarks(shape);
      const areaMm2 = mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
      return {
        key: this.token(),
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

  private sphere(frequency: number) {
    return this.memo.get('sphere', String(frequency), () => icosphere(frequency));
  }

  /** The head on which rows are worked out: its mirror image where the part is on her right. */
  private rowsHead(inputs: PlanInputs): HeadStage {
    const { turned } = onHerLeft(inputs.part);
    return this.head(turned ? { ...inputs, hairline: turnedOffsets(inputs.hairline) } : inputs);
  }

  private hair(inputs: PlanInputs) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.ownHair]);
    return this.memo.get('hair', key, () => ({
      key: this.token(),
      ...hairOnScalp(head.mesh, head.scalp, head.mark, inputs.ownHair),
    }));
  }

  /** What she marked on her scalp; tender and thin marks change no section, own hair in sight does. */
  private masks(inputs: PlanInputs) {
    const head = this.head(inputs);
    const key = JSON.stringify([head.key, inputs.marks]);
    return this.memo.get('masks', key, () => ({
      key: this.token(),
      masks: markMasks(head, inputs.marks),
    }));
  }

  private ground(inputs: PlanInputs): BaseGround & { readonly key: number } {
    const head = this.head(inputs);
    const hair = this.hair(inputs);
    const { key: marksKey, masks } = this.masks(inputs);
    const key = JSON.stringify([hair.key, marksKey, inputs.fingerMm]);
    return this.memo.get('ground', key, () => ({
      ...baseGround(head, hair, masks, inputs.fingerMm),
      key: this.token(),
    }));
  }

  /** The part as it lies on her head, whichever side it is on. */
  private partLine(inputs: PlanInputs): { readonly pointsMm: Float64Array } {
    const { turned } = onHerLeft(inputs.part);
    const { pointsMm } = this.part(inputs);
    return { pointsMm: turned ? turnedPoints(pointsMm) : pointsMm };
  }

  /** Key of the sections as generated; edits are appended to it one by one. */
  private generatedKey(inputs: PlanInputs): string {
    const { parking: _, locked: __, edits: ___, ...choice } = inputs.base;
    const follows = choice.family === 'behindPart' ? [this.part(inputs).key, inputs.part] : [];
    return JSON.stringify([this.ground(inputs).key, choice, follows]);
  }

  private sections(inputs: PlanInputs) {
    const ground = this.ground(inputs);
    const { edits } = inputs.base;
    const laid = this.generatedKey(inputs);
    return this.memo.get('sections', laid + JSON.stringify(edits), () => {
      const generated = this.memo.get('generated', laid, () =>
        generateSections(ground, inputs.base, this.partLine(inputs)),
      );
      let sofar = laid;
      const edited = replayEdits(ground, generated, edits, (index, apply) => {
        sofar += JSON.stringify(edits[index]);
        return this.edits.get('edit', sofar, apply);
      });
      return { key: this.token(), ...edited };
    });
  }

  base(inputs: PlanInputs): LaidBase & { readonly key: number } {
    const sections = this.sections(inputs);
    const ground = this.ground(inputs);
    const key = JSON.stringify([sections.key, inputs.base.parking]);
    return this.memo.get('base', key, () => ({
      key: this.token(),
      ...layBase(ground, inputs.base, sections),
    }));
  }

  private baseWork(inputs: PlanInputs): BaseWork {
    const base = this.base(inputs);
    const part = this.part(inputs);
    const key = JSON.stringify([base.key, part.key, inputs.part, inputs.base.locked]);
    return this.memo.get('work', key, () =>
      baseWork(this.ground(inputs), inputs.base, base, this.partLine(inputs), inputs.ownHair),
    );
  }

  private cap(inputs: PlanInputs) {
    const head = this.head(inputs);
    const base = this.base(inputs);
    const key = JSON.stringify([head.key, base.key]);
    const over = this.memo.get('cap', key, () => girthOver(head.shape, head.mesh, base.bumps.heightMm));
    return fitCap(inputs.cap, head.girthMm, over);
  }

  /** Whether an edit can be made, and why not. Nothing is kept of it. */
  tryEdit(inputs: PlanInputs, edit: Edit): { readonly why?: string } {
    const { map } = this.sections(inputs);
    // Kept under the key by which the plan with this edit will look for it.
    const key = this.generatedKey(inputs) + [...inputs.base.edits, edit].map((e) => JSON.stringify(e)).join('');
    const outcome: EditOutcome = this.edits.get('edit', key, () => applyEdit(this.ground(inputs), map, edit));
    return outcome.ok ? {} : { why: outcome.why };
  }

  /** Through the middle of a section: what a stroke would draw. */
  middleCut(inputs: PlanInputs, section: string, way: 'across' | 'along') {
    const { map } = this.sections(inputs);
    const label = map.sections.findIndex((s) => s.id === section);
    return middleCut(this.head(inputs).mesh.positionsMm, map.labels, label, way);
  }

  /** A flatter parking of the tails. */
  flatten(inputs: PlanInputs): Flattening {
    const { map, tails } = this.base(inputs);
    return flatten(this.ground(inputs), map, tails, inputs.base);
  }

  /** Every way of sectioning laid on her head, the best for her first. */
  recommend(inputs: PlanInputs): Candidate[] {
    const head = this.head(inputs);
    const { ownHair } = inputs;
    const hair = this.hair(inputs);
    return recommendBases(
      this.ground(inputs),
      this.partLine(inputs),
      ownHair,
      {
        lengthMm: hair.regions.reduce((sum, r) => sum + r.lengthMm * r.areaMm2 * r.hairsPerMm2, 0) / hair.hairs,
        fullness: fullnessOf(hair.hairs / head.areaMm2),
        curl: ownHair.curl,
        freshEnds: ownHair.freshEnds,
        girthMm: head.girthMm,
        pace: inputs.pace,
        cap: inputs.cap,
        musts: inputs.wishes.musts,
        ...(inputs.wishes.baseMinutes === undefined ? {} : { minutes: inputs.wishes.baseMinutes }),
      },
      PACE_FACTOR[inputs.pace],
    );
  }

  /** What a centimetre more in each measure would change. */
  measureEffects(inputs: PlanInputs) {
    const head = this.head(inputs);
    return measureEffects(head, this.plan(inputs).supply.pieces, inputs.hairline, this.sphere(EFFECTS_FREQUENCY));
  }

  part(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const { part } = onHerLeft(inputs.part);
    const key = JSON.stringify([head.key, part]);
    return this.memo.get('part', key, () => ({ key: this.token(), ...partOnHead(head, part) }));
  }

  field(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const part = this.part(inputs);
    const { zones } = spacingInMm(inputs);
    const { faceEdge, ...alongTheWay } = zones;
    const key = JSON.stringify([part.key, alongTheWay]);
    return this.memo.get('field', key, () => {
      const joined = rowField(head.mesh, head.scalp, part.fromPart, zones);
      return { key: this.token(), ...joined, slopes: rowSlopes(head.mesh, joined) };
    });
  }

  rows(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const field = this.field(inputs);
    const { mm } = spacingInMm(inputs);
    const swept = inputs.part.kind === 'swept';
    const closed = this.closed(inputs);
    const key = JSON.stringify([field.key, mm, swept, closed.key]);
    return this.memo.get('rows', key, () => {
      const options = { frontRow: swept, swept, ...(closed.fromClosedMm ? { fromClosedMm: closed.fromClosedMm } : {}) };
      return { key: this.token(), ...layRows(head.mesh, head.line, head.scalp, field, field.slopes, mm, options) };
    });
  }

  layout(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const field = this.field(inputs);
    const rows = this.rows(inputs);
    const { mm, zones } = spacingInMm(inputs);
    const key = JSON.stringify([rows.key, zones.faceEdge]);
    return this.memo.get('layout', key, () => {
      const faceEdge = this.faceEdge(head, zones);
      const pitch = { zone: field.zone, faceEdge };
      return { key: this.token(), pitch, ...layKnots(head.mesh, rows.rows, pitch, mm) };
    });
  }

  /** Own hair in sight, on the rows' head. */
  private sight(inputs: PlanInputs): Uint8Array {
    const base = this.base(inputs);
    const { turned } = onHerLeft(inputs.part);
    return this.memo.get('sight', JSON.stringify([base.key, turned]), () => {
      const places = inSight(base.map);
      return turned ? seenInMirror(this.head(inputs).mesh, this.rowsHead(inputs).mesh, places) : places;
    });
  }

  /** How far the places of the rows' head lie from where no piece goes; none where nothing is marked and all is base. */
  private closed(inputs: PlanInputs): { readonly key: number; readonly fromClosedMm?: Float64Array } {
    const { map } = this.sections(inputs);
    const hasSight = map.sections.some((s) => s.role === 'inSight');
    const hasNoGo = inputs.marks.some((m) => m.kind === 'noGo' && !m.erase);
    if (!hasSight && !hasNoGo) return { key: 0 };
    const { turned } = onHerLeft(inputs.part);
    const key = JSON.stringify([this.sections(inputs).key, turned]);
    return this.memo.get('closed', key, () => {
      const places = closedToPieces(this.ground(inputs), map);
      const { mesh } = this.rowsHead(inputs);
      const onRows = turned ? seenInMirror(this.head(inputs).mesh, mesh, places) : places;
      return { key: this.token(), fromClosedMm: distanceFromMask(mesh, onRows, CLOSED_REACH_MM) };
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
    const rowsHead = this.rowsHead(inputs);
    const base = this.base(inputs);
    const work = this.baseWork(inputs);
    const { masks, key: marksStamp } = this.masks(inputs);
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
    const cap = this.cap(inputs);
    const rows = planRows(rowsHead.mesh, laidRows, laidKnots, rowsHead.scalp.fromMidline, turned);
    const under = turned ? verticesUnder(head.mesh, laidKnots) : laidKnots.map((k) => k.vertex);
    const laid = {
      rows: laidRows,
      knots: laidKnots,
      planned: rows,
      turned,
      isSore: (knot: number) => masks.tender[under[knot]] === 1 || masks.thin[under[knot]] === 1,
    };
    const knots = pieceKnots(
      inputs,
      rowsHead,
      { fromPart: part.fromPart, pointsMm: partPoints },
      laid,
      piece,
      spacing.mm,
    );
    const supply = planSupply(knots.length, inputs.reserveShare, piece.perPack, inputs.product.packPrice);
    const load = weigh(under, piece.massG, base, cap);
    const time = estimateTime(
      work.minutes,
      cap.minutes,
      knots.reduce((sum, k) => sum + k.seconds, 0),
      inputs.pace,
    );
    const cover = estimateCover(
      rowsHead.mesh,
      part.fromPart,
      field.zone,
      spacing.mm,
      inputs.product,
      piece.massG,
      this.sight(inputs),
    );
    const result: Omit<PlanResult, 'findings'> = {
      head: {
        fit: head.fit,
        areaMm2: head.areaMm2,
        landmarks: head.mark,
        sizeMm: head.shape.sizeMm,
        meshVertices: head.mesh.vertexCount,
        hairlinePoints: hairlinePoints(head.shape, head.line),
        standings: standings(head.shape, head.girthMm),
        marks: masks,
        marksStamp,
      },
      ownHair: this.hair(inputs),
      base: {
        stamp: base.key,
        sections: base.sections,
        sectionOf: base.map.labels,
        lines: work.lines,
        bumps: { ...base.bumps, heightMm: Float32Array.from(base.bumps.heightMm) },
        lostEdits: base.lostEdits,
        work: work.work,
        consumables: work.consumables,
        tieMoves: work.tieMoves,
        minutes: work.minutes,
      },
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

/** Rows keep away from closed places by a share of their gap; no gap is wider than this, mm. */
const CLOSED_REACH_MM = 40;

/** A mask as it lies on the mirrored head. */
function seenInMirror(from: SurfaceMesh, to: SurfaceMesh, mask: Uint8Array): Uint8Array {
  const p = to.positionsMm;
  let near = 0;
  return Uint8Array.from({ length: to.vertexCount }, (_, v) => {
    near = nearestVertex(from, -p[3 * v], p[3 * v + 1], p[3 * v + 2], near);
    return mask[near];
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
