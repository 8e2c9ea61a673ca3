/**
 * The chain: head → base → cap → part → row field → rows → knots → pieces → load, supply, time →
 * findings. Each stage is a function of what it names and is kept by it, so that a change recomputes only
 * what hangs on it: a spacing change starts at the rows, a moved part at one distance field.
 */

import { LUMP_MM } from '../base/bumps.ts';
import { anchorSteps, cutAfterKnot } from '../cap/anchors.ts';
import { findings } from '../findings/findings.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import { hairlinePoints } from '../head/hairline.ts';
import type { Point } from '../head/landmarks.ts';
import { directionOf, onSurface } from '../head/marks.ts';
import { standings } from '../head/norms.ts';
import { worklist } from '../install/worklist.ts';
import { weigh } from '../load/weight.ts';
import type { HandChange } from '../rows/choice.ts';
import { turnedKnots, turnedPoints, turnedRows } from '../rows/mirror.ts';
import { planSupply } from '../supply/packs.ts';
import { estimateTime, PACE_FACTOR } from '../time/estimate.ts';
import { decideKnots } from './decide.ts';
import type { PlanInputs } from './inputs.ts';
import { verticesUnder } from './on-head.ts';
import { hookedPieces, mainCut } from './pieces.ts';
import { type Laid, planRows } from './planned-rows.ts';
import { demandsOf, spacingsOnForm } from './quantities.ts';
import type { PlanResult } from './result.ts';
import { RowsStages } from './rows-stages.ts';
import { spacingInMm } from './spacing.ts';

export class Pipeline extends RowsStages {
  /** The whole plan. Throws RangeError where an input is outside what its stage can take. */
  plan(inputs: PlanInputs): PlanResult {
    return this.memo.get('plan', JSON.stringify(inputs), () => this.planned(inputs));
  }

  private planned(inputs: PlanInputs): PlanResult {
    const head = this.head(inputs);
    const rowsHead = this.rowsHead(inputs);
    const base = this.base(inputs);
    const work = this.baseWork(inputs);
    const { masks, key: marksStamp } = this.masks(inputs);
    const part = this.part(inputs);
    const field = this.field(inputs);
    const rowPlan = this.rows(inputs);
    const layout = this.layout(inputs);
    const { turned } = this.side(inputs);
    const laid: Laid = {
      rows: turned ? turnedRows(layout.rows) : layout.rows,
      secondOf: layout.secondOf,
      knots: turned ? turnedKnots(layout.knots, layout.rows) : layout.knots,
      turned,
    };
    const partPoints = turned ? turnedPoints(part.pointsMm) : part.pointsMm;
    const spacing = spacingInMm(inputs);
    const cap = this.cap(inputs);
    const opening = this.opening(inputs);
    const rows = planRows(rowsHead.mesh, laid, rowsHead.scalp.fromMidline);
    const under = turned ? verticesUnder(head.mesh, laid.knots) : laid.knots.map((k) => k.vertex);
    const { knots, lostWishes } = decideKnots(
      inputs,
      {
        head: rowsHead,
        part: { fromPart: part.fromPart, pointsMm: partPoints },
        base,
        opening: opening.onHead,
        fromOpening: opening.fromMiddle,
        spacing: spacing.mm,
        under,
        isSore: (v) => masks.tender[v] === 1 || masks.thin[v] === 1,
        isLump: (v) => base.bumps.heightMm[v] > LUMP_MM,
      },
      laid,
      rows,
    );
    const kept = under.filter((_, i) => laid.knots[i].hand !== 'removed');
    const pieces = hookedPieces(inputs);
    const demands = demandsOf(inputs, knots, pieces);
    const supply = planSupply(inputs.products, demands, inputs.reserveShare);
    const inRowOrder = [...knots.keys()].sort((a, b) => knots[a].row - knots[b].row || knots[a].place - knots[b].place);
    const load = weigh(
      kept,
      inRowOrder.map((i) => knots[i].massG),
      (i) => knots[inRowOrder[i]].through === 'hair',
      base,
      cap,
    );
    const anchors = anchorSteps(
      inputs.cap,
      knots.flatMap((k, i) => (k.anchorPlace ? [{ id: k.id, place: k.anchorPlace, number: i + 1 }] : [])),
    );
    const preparedAtOnce = inputs.schools.prepare !== 'pieceByPiece';
    const seconds = (of: 'secondsBefore' | 'secondsAfter') =>
      demands.reduce((sum, d) => sum + d.knots * d.piece[of], 0) / 60;
    const time = estimateTime(
      {
        base: work.minutes,
        cap: cap.minutes,
        prepare: preparedAtOnce ? seconds('secondsBefore') : 0,
        after: seconds('secondsAfter'),
      },
      knots.reduce((sum, k) => sum + k.seconds, 0),
      inputs.pace,
    );
    const piece = pieces.get(mainCut(inputs).id) as HookedPiece;
    const lineMm = turned ? turnedPoints(opening.onHead.lineMm) : opening.onHead.lineMm;
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
      cap: {
        ...cap,
        opening: { ...opening.onHead, lineMm },
        anchors,
        cutAfterKnot: cutAfterKnot(anchors),
        onForm: { ...cap.onForm, spacing: spacingsOnForm(inputs, cap, spacing) },
      },
      part: { pointsMm: Float32Array.from(partPoints) },
      spacing,
      rowScheme: {
        wholeRows: rowPlan.wholeRows,
        insertedRows: rowPlan.insertedRows,
        shortenedRows: rowPlan.shortenedRows,
        thinnedOutKnots: layout.thinnedOut,
        droppedPieces: rowPlan.droppedPieces,
        mismatch: field.mismatch,
        brickScore: layout.brickScore,
        lostChanges: layout.lost.map((l) => ({ ...l, atMm: this.placeOf(inputs, l.id) })),
        lostWishes,
        cannotLay: rowPlan.cannotLay,
      },
      rows,
      knots,
      piece,
      pieces: [...pieces.values()],
      worklist: worklist({
        cap: inputs.cap,
        knotsToCloseTop: cap.knotsToCloseTop,
        opening: opening.onHead,
        anchors,
        cutAfterKnot: cutAfterKnot(anchors),
        cuts: inputs.cuts,
        pieces,
        rowChoice: inputs.rows,
        hasPart: inputs.part.kind === 'line',
        schools: inputs.schools,
        rows,
        knots,
        paceFactor: PACE_FACTOR[inputs.pace],
        fingerMm: inputs.fingerMm,
      }),
      supply,
      load,
      time,
    };
    return { ...result, findings: findings(inputs, result) };
  }

  /** Where on her head a change by hand was made. */
  private placeOf(inputs: PlanInputs, id: string): Point {
    const change = inputs.rows.hand.find((h) => h.id === id) as HandChange;
    const at = change.op === 'lock' ? change.line[change.line.length >> 1] : change.at;
    return onSurface(this.head(inputs).shape, directionOf(at));
  }

  /** What a quarter of a finger closer or wider everywhere would change. */
  spacingStep(inputs: PlanInputs, stepFingers = 0.25) {
    const now = this.plan(inputs);
    const demands = demandsOf(inputs, now.knots, hookedPieces(inputs));
    const moved = (by: number) => {
      const fingers = Object.fromEntries(
        Object.entries(inputs.spacing.fingers).map(([zone, f]) => [zone, Math.max(0, f + by)]),
      ) as PlanInputs['spacing']['fingers'];
      const next: PlanInputs = { ...inputs, spacing: { ...inputs.spacing, fingers } };
      if (spacingInMm(next).mm.gapMm < LEAST_STEP_MM) return undefined;
      const pieces = this.layout(next).knots.filter((k) => k.hand !== 'removed').length;
      const factor = now.knots.length > 0 ? pieces / now.knots.length : 1;
      const then = demands.map((d) => ({ ...d, knots: Math.round(d.knots * factor) }));
      return { pieces, packs: planSupply(inputs.products, then, inputs.reserveShare).packs };
    };
    return { stepFingers, tighter: moved(-stepFingers), wider: moved(stepFingers) };
  }
}

export type SpacingStep = ReturnType<Pipeline['spacingStep']>;

/** Below this the step would ask for more knots than any head holds. */
const LEAST_STEP_MM = 7;
