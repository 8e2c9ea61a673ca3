/**
 * The chain: head → base → cap → part → row field → rows → knots → pieces → cover, load, supply, time →
 * findings. Each stage is a function of what it names and is kept by it, so that a change recomputes only
 * what hangs on it: a spacing change starts at the rows, a moved part at one distance field.
 */

import { type BaseWork, baseWork, closedToPieces, inSight, type LaidBase, layBase } from '../base/base.ts';
import { LUMP_MM } from '../base/bumps.ts';
import { applyEdit, type Edit, type EditOutcome, replayEdits } from '../base/edit.ts';
import { generateSections } from '../base/generate.ts';
import { type BaseGround, baseGround } from '../base/ground.ts';
import { anchorSteps, cutAfterKnot } from '../cap/anchors.ts';
import { type CapFit, fitCap, girthOver } from '../cap/fit.ts';
import { openingOnHead } from '../cap/opening.ts';
import { spacingOnForm } from '../cap/stretch.ts';
import { estimateCover } from '../cover/estimate.ts';
import { findings } from '../findings/findings.ts';
import { distanceFrom } from '../geometry/eikonal.ts';
import { icosphere } from '../geometry/icosphere.ts';
import { distanceFromMask, nearestVertex, type SurfaceMesh } from '../geometry/surface-mesh.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import { hairOnScalp } from '../hair/own-hair.ts';
import { fitHead } from '../head/fit.ts';
import { hairline, hairlinePoints, turnedOffsets } from '../head/hairline.ts';
import { landmarks, type Point } from '../head/landmarks.ts';
import { directionOf, markMasks, onSurface } from '../head/marks.ts';
import { standings } from '../head/norms.ts';
import { scalpMesh } from '../head/scalp.ts';
import { headShape } from '../head/shape.ts';
import { tapeReading } from '../head/tape.ts';
import { worklist } from '../install/worklist.ts';
import { changeByHand } from '../knots/hand.ts';
import { type KnotLayout, type LaidKnot, layKnots, type PitchFields } from '../knots/layout.ts';
import { inPasses } from '../knots/second-pass.ts';
import { weigh } from '../load/weight.ts';
import { brushField } from '../rows/brush.ts';
import { turnedBrush, turnedHand } from '../rows/choice.ts';
import { fringeMask } from '../rows/given.ts';
import { onHerLeft, turnedKnots, turnedPoints, turnedRows } from '../rows/mirror.ts';
import { type LinePart, type Part, partPolyline } from '../rows/part.ts';
import { PLAIN_ROWS, type Row, type RowOptions, type RowSpacing, rowSlopes } from '../rows/rows.ts';
import { scalpFields, sweptCounter } from '../rows/scalp-fields.ts';
import { isFieldScheme, schemeField, zonesOnHead } from '../rows/schemes.ts';
import { faceEdgeFactor, type ZoneFactors } from '../rows/zones.ts';
import { type Demand, planSupply } from '../supply/packs.ts';
import { estimateTime, PACE_FACTOR } from '../time/estimate.ts';
import { decideKnots } from './decide.ts';
import type { HeadStage } from './head-stage.ts';
import { type HeadInputs, type PlanInputs, type SpacingZone, ZONES } from './inputs.ts';
import { Memo } from './memo.ts';
import { hookedPieces, mainCut } from './pieces.ts';
import { type Laid, planRows } from './planned-rows.ts';
import type { PlanResult } from './result.ts';
import { fromLocked, laySchemeRows, linesThere, NO_ROWS, tieOf, whyNot } from './row-stages.ts';
import { type SpacingMm, spacingInMm } from './spacing.ts';

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

  sphere(frequency: number) {
    return this.memo.get('sphere', String(frequency), () => icosphere(frequency));
  }

  /** The part as rows are worked out from it. Rows that follow the base lie where the base lies. */
  private side(inputs: PlanInputs): { readonly part: Part; readonly turned: boolean } {
    return isFieldScheme(inputs.rows.scheme) ? onHerLeft(inputs.part) : { part: inputs.part, turned: false };
  }

  /** The head on which rows are worked out: its mirror image where the part is on her right. */
  private rowsHead(inputs: PlanInputs): HeadStage {
    const { turned } = this.side(inputs);
    return this.head(turned ? { ...inputs, hairline: turnedOffsets(inputs.hairline) } : inputs);
  }

  hair(inputs: PlanInputs) {
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

  ground(inputs: PlanInputs): BaseGround & { readonly key: number } {
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
  partLine(inputs: PlanInputs): { readonly pointsMm: Float64Array } {
    const { turned } = this.side(inputs);
    const { pointsMm } = this.part(inputs);
    return { pointsMm: turned ? turnedPoints(pointsMm) : pointsMm };
  }

  /** Key of the sections as generated; edits are appended to it one by one. */
  private generatedKey(inputs: PlanInputs): string {
    const { parking: _, locked: __, edits: ___, ...choice } = inputs.base;
    const follows = choice.family === 'behindPart' ? [this.part(inputs).key, inputs.part] : [];
    return JSON.stringify([this.ground(inputs).key, choice, follows]);
  }

  sections(inputs: PlanInputs) {
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
    return fitCap(inputs.cap, head.girthMm, over, tapeReading(head.shape, 'frontToNape', head.mark));
  }

  /** The opening on the rows' head, and how far every place lies from its middle. */
  private opening(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const { part } = this.side(inputs);
    const { dome, opening, openingMm, openingWidthMm } = inputs.cap;
    const pitch = spacingInMm(inputs).centresMm.part;
    const key = JSON.stringify([head.key, part, dome, opening, openingMm, openingWidthMm, pitch]);
    return this.memo.get('opening', key, () => {
      const onHead = openingOnHead(head.shape, head.line, inputs.cap, part, pitch);
      const fromMiddle =
        onHead.lengthMm > 0 && onHead.marginMm > 0 ? distanceFrom(head.mesh, { pointsMm: onHead.lineMm }) : undefined;
      return { onHead, fromMiddle };
    });
  }

  /** Whether an edit can be made, and why not. Nothing is kept of it. */
  tryEdit(inputs: PlanInputs, edit: Edit): { readonly why?: string } {
    const { map } = this.sections(inputs);
    // Kept under the key by which the plan with this edit will look for it.
    const key = this.generatedKey(inputs) + [...inputs.base.edits, edit].map((e) => JSON.stringify(e)).join('');
    const outcome: EditOutcome = this.edits.get('edit', key, () => applyEdit(this.ground(inputs), map, edit));
    return outcome.ok ? {} : { why: outcome.why };
  }

  part(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const { part } = this.side(inputs);
    const key = JSON.stringify([head.key, part]);
    return this.memo.get('part', key, () => ({ key: this.token(), ...partOnHead(head, part) }));
  }

  /** The field whose levels are the rows, where the scheme has one; zones in any case. */
  field(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const part = this.part(inputs);
    const { scheme } = inputs.rows;
    const { zones } = spacingInMm(inputs);
    const { faceEdge, ...alongTheWay } = zones;
    const tie = scheme === 'fromTie' ? this.tie(inputs).at : head.mark.crown;
    const key = JSON.stringify([part.key, alongTheWay, isFieldScheme(scheme) ? scheme : 'given', tie]);
    return this.memo.get('field', key, () => {
      if (!isFieldScheme(scheme)) {
        const zone = zonesOnHead(head.mesh, head.scalp, part.fromPart, zones);
        return { key: this.token(), zone, field: undefined, slopes: undefined, mismatch: 0 };
      }
      const field = schemeField(scheme, head, part.fromPart, zones, tie);
      const slopes = rowSlopes(head.mesh, field);
      return { key: this.token(), zone: field.zone, field, slopes, mismatch: field.mismatch };
    });
  }

  private tie(inputs: PlanInputs) {
    const { at, coilMm } = tieOf(this.head(inputs), this.base(inputs));
    const { turned } = this.side(inputs);
    return { at: turned ? ([0 - at[0], at[1], at[2]] as const) : at, coilMm };
  }

  /** Zones with what the brush made of them. */
  private zone(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const field = this.field(inputs);
    const { brush } = inputs.rows;
    if (brush.length === 0) return { key: field.key, zone: field.zone };
    const key = JSON.stringify([field.key, brush]);
    return this.memo.get('zone', key, () => {
      const { turned } = this.side(inputs);
      const factor = brushField(head, turned ? turnedBrush(brush) : brush) as Float64Array;
      return { key: this.token(), zone: field.zone.map((z, v) => z * factor[v]) };
    });
  }

  /** Changes by hand on the rows' head. */
  private hand(inputs: PlanInputs) {
    const { hand } = inputs.rows;
    return this.side(inputs).turned ? turnedHand(hand) : hand;
  }

  rows(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const base = this.base(inputs);
    const field = this.field(inputs);
    const { key: zoneKey, zone } = this.zone(inputs);
    const { mm } = spacingInMm(inputs);
    const closed = this.closed(inputs);
    const { rows: choice } = inputs;
    const { turned } = this.side(inputs);
    const onRows = choice.hand.filter((h) => h.op === 'pull' || h.op === 'lock');
    const given = isFieldScheme(choice.scheme) ? [] : [base.key, inputs.base.rodPieces, inputs.cap.ownRows];
    const cannotLay = whyNot(inputs, base);
    const coil = choice.scheme === 'fromTie' ? [this.tie(inputs).coilMm, inputs.schools.bun] : [];
    const kinds = [inputs.part.kind, inputs.cap.dome === 'none', choice.scheme, choice.fringe, inputs.fingerMm];
    const key = JSON.stringify([zoneKey, mm, closed.key, onRows, given, cannotLay, coil, kinds, turned]);
    return this.memo.get('rows', key, () => {
      if (cannotLay !== undefined) {
        return { key: this.token(), ...NO_ROWS, cannotLay };
      }
      const hand = turned ? turnedHand(choice.hand) : choice.hand;
      const fringe = fringeMask(head.mesh, head.scalp, choice.fringe, inputs.fingerMm, mm);
      const locked = fromLocked(head, hand, 3 * mm.gapMm);
      const options: RowOptions = {
        ...this.rowOptions(inputs),
        ...(closed.fromClosedMm ? { fromClosedMm: closed.fromClosedMm } : {}),
        ...(fringe ? { fringe } : {}),
        ...(locked ? { fromLockedMm: locked } : {}),
      };
      const laid = laySchemeRows(choice, inputs, {
        head,
        field: field.field,
        slopes: field.slopes,
        zone,
        spacing: mm,
        options,
        base,
        linesMm: choice.scheme === 'found' ? linesThere(head, inputs.cap, base, inputs.fingerMm) : [],
        hand,
        fingerMm: inputs.fingerMm,
        isClosed: (v) => closed.fromClosedMm !== undefined && closed.fromClosedMm[v] === 0,
      });
      return { key: this.token(), ...laid };
    });
  }

  private rowOptions(inputs: PlanInputs): RowOptions {
    const { scheme } = inputs.rows;
    const swept = inputs.part.kind === 'swept';
    const { gapMm, pitchMm } = spacingInMm(inputs).mm;
    if (scheme === 'fromTie') {
      const bare = inputs.schools.bun === 'overIt' ? 0 : this.tie(inputs).coilMm;
      return { ...PLAIN_ROWS, besidePart: false, outwards: true, firstMm: bare + pitchMm / 2 };
    }
    if (scheme === 'straightBack') return { ...PLAIN_ROWS, besidePart: inputs.part.kind === 'line', swept: false };
    if (scheme === 'rings') return { ...PLAIN_ROWS, firstMm: gapMm / 2 };
    // Without a cap the foremost row is the one that hides the last band.
    const bare = inputs.cap.dome === 'none' && inputs.rows.fringe.how !== 'short';
    return { ...PLAIN_ROWS, frontRow: swept || bare, swept, besidePart: !swept };
  }

  layout(inputs: PlanInputs) {
    const head = this.rowsHead(inputs);
    const { zone } = this.zone(inputs);
    const laid = this.rows(inputs);
    const { mm, zones } = spacingInMm(inputs);
    const onKnots = inputs.rows.hand.filter((h) => h.op !== 'pull' && h.op !== 'lock');
    const { secondPass } = inputs.rows;
    const key = JSON.stringify([laid.key, zones.faceEdge, onKnots, secondPass, inputs.rows.hand.length]);
    return this.memo.get('layout', key, () => {
      const pitch: PitchFields = { zone, faceEdge: this.faceEdge(head, zones) };
      const bricks = this.bricks(laid, head, pitch, mm, zones.faceEdge);
      const closed = this.closed(inputs).fromClosedMm;
      const ground = {
        shape: head.shape,
        mesh: head.mesh,
        fromHairline: head.scalp.fromHairline,
        spacingAt: (v: number) => mm.pitchMm * zone[v] * Math.min(1, pitch.faceEdge[v]),
        isClosed: (v: number) => closed !== undefined && closed[v] === 0,
      };
      const passes = inPasses(laid.rows, bricks.knots, secondPass, ground);
      const changed = changeByHand(ground, passes.rows, passes.knots, this.hand(inputs));
      return {
        key: this.token(),
        pitch,
        rows: passes.rows,
        secondOf: passes.secondOf,
        knots: changed.knots,
        thinnedOut: bricks.thinnedOut,
        brickScore: bricks.brickScore,
        lost: [...laid.lost, ...changed.lost],
      };
    });
  }

  /** Knots in bricks, before anything is changed by hand. */
  private bricks(
    laid: { readonly key: number; readonly rows: readonly Row[] },
    head: HeadStage,
    pitch: PitchFields,
    mm: RowSpacing,
    faceEdge: number,
  ): KnotLayout {
    return this.memo.get('bricks', JSON.stringify([laid.key, faceEdge]), () =>
      layKnots(head.mesh, laid.rows, pitch, mm),
    );
  }

  /** Own hair in sight, on the rows' head. */
  private sight(inputs: PlanInputs): Uint8Array {
    const base = this.base(inputs);
    const { turned } = this.side(inputs);
    if (!base.map.sections.some((s) => s.role === 'inSight'))
      return new Uint8Array(this.rowsHead(inputs).mesh.vertexCount);
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
    const lumps = this.passesLumps(inputs) ? undefined : this.base(inputs);
    if (!hasSight && !hasNoGo && !lumps?.bumps.lumps.length) return { key: 0 };
    const { turned } = this.side(inputs);
    const key = JSON.stringify([this.sections(inputs).key, lumps?.key ?? 0, turned]);
    return this.memo.get('closed', key, () => {
      const places = closedToPieces(this.ground(inputs), map, lumps?.bumps);
      const { mesh } = this.rowsHead(inputs);
      const onRows = turned ? seenInMirror(this.head(inputs).mesh, mesh, places) : places;
      return { key: this.token(), fromClosedMm: distanceFromMask(mesh, onRows, CLOSED_REACH_MM) };
    });
  }

  /** Whether pieces go where the base makes a lump: on a net they do, on bands and rods, and over a coil if she wants. */
  private passesLumps({ cap, rows, schools }: PlanInputs): boolean {
    if (rows.scheme === 'grid' || rows.scheme === 'rods') return true;
    if (rows.scheme === 'fromTie') return schools.bun === 'overIt';
    return cap.dome !== 'none';
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
    const { zone } = this.zone(inputs);
    const cover = estimateCover(
      rowsHead.mesh,
      part.fromPart,
      zone,
      spacing.mm,
      meanPiece(inputs, demands, piece),
      this.sight(inputs),
    );
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
        lostChanges: layout.lost.map((l) => ({ ...l, atMm: this.placeOf(inputs, l.index) })),
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
      cover,
    };
    return { ...result, findings: findings(inputs, result) };
  }

  /** Where on her head a change by hand was made. */
  private placeOf(inputs: PlanInputs, index: number): Point {
    const change = inputs.rows.hand[index];
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

/** How many pieces of each cut are hooked. */
function demandsOf(
  { cuts }: PlanInputs,
  knots: readonly { readonly cut: string }[],
  pieces: ReadonlyMap<string, HookedPiece>,
): Demand[] {
  return cuts.flatMap((cut) => {
    const piece = pieces.get(cut.id);
    const count = knots.filter((k) => k.cut === cut.id).length;
    return piece && count > 0 ? [{ piece, knots: count, halves: cut.half }] : [];
  });
}

/** What a piece is on the whole head, for a first estimate of cover. */
function meanPiece({ products }: PlanInputs, demands: readonly Demand[], main: HookedPiece) {
  const total = demands.reduce((sum, d) => sum + d.knots, 0);
  const mean = (of: (p: HookedPiece) => number) =>
    total > 0 ? demands.reduce((sum, d) => sum + d.knots * of(d.piece), 0) / total : of(main);
  const { texture } = products.find((p) => p.id === main.product)!;
  return {
    texture,
    massG: mean((p) => p.massG),
    lengthMm: mean((p) => p.lengthMm),
    widthFactor: mean((p) => p.widthFactor),
  };
}

function spacingsOnForm(inputs: PlanInputs, cap: CapFit, { centresMm }: SpacingMm) {
  return Object.fromEntries(
    ZONES.map((z) => {
      const worn = { gapMm: centresMm[z], pitchMm: centresMm[z] };
      return [z, spacingOnForm(worn, cap.onForm, cap.onHead, inputs.fingerMm)];
    }),
  ) as Record<SpacingZone, ReturnType<typeof spacingOnForm>>;
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
