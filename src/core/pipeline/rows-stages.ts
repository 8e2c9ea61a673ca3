/** The chain from the cap to laid knots: opening, field, brush, rows, bricks, second pass and hand. */
import { closedToPieces, inSight } from '../base/base.ts';
import { fitCap, girthOver } from '../cap/fit.ts';
import { openingOnHead } from '../cap/opening.ts';
import { distanceFrom } from '../geometry/eikonal.ts';
import { distanceFromMask } from '../geometry/surface-mesh.ts';
import { tapeReading } from '../head/tape.ts';
import { changeByHand } from '../knots/hand.ts';
import { type KnotLayout, layKnots, type PitchFields } from '../knots/layout.ts';
import { inPasses } from '../knots/second-pass.ts';
import { brushField } from '../rows/brush.ts';
import { turnedBrush, turnedHand } from '../rows/choice.ts';
import { fringeMask } from '../rows/given.ts';
import { PLAIN_ROWS, type Row, type RowOptions, type RowSpacing, rowSlopes } from '../rows/rows.ts';
import { isFieldScheme, schemeField, zonesOnHead } from '../rows/schemes.ts';
import { faceEdgeFactor, type ZoneFactors } from '../rows/zones.ts';
import { BaseStages } from './base-stages.ts';
import type { HeadStage } from './head-stage.ts';
import type { PlanInputs } from './inputs.ts';
import { seenInMirror } from './on-head.ts';
import { fromLocked, laySchemeRows, linesThere, NO_ROWS, tieOf, whyNot } from './scheme-rows.ts';
import { spacingInMm } from './spacing.ts';

export class RowsStages extends BaseStages {
  protected cap(inputs: PlanInputs) {
    const head = this.head(inputs);
    const base = this.base(inputs);
    const key = JSON.stringify([head.key, base.key]);
    const over = this.memo.get('cap', key, () => girthOver(head.shape, head.mesh, base.bumps.heightMm));
    return fitCap(inputs.cap, head.girthMm, over, tapeReading(head.shape, 'frontToNape', head.mark));
  }

  /** The opening on the rows' head, and how far every place lies from its middle. */
  protected opening(inputs: PlanInputs) {
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

  protected tie(inputs: PlanInputs) {
    const { at, coilMm } = tieOf(this.head(inputs), this.base(inputs));
    const { turned } = this.side(inputs);
    return { at: turned ? ([0 - at[0], at[1], at[2]] as const) : at, coilMm };
  }

  /** Zones with what the brush made of them. */
  protected zone(inputs: PlanInputs) {
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
  protected hand(inputs: PlanInputs) {
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
    const kinds = [
      inputs.part.kind,
      inputs.cap.dome === 'none',
      choice.scheme,
      choice.fringe,
      choice.offset,
      inputs.fingerMm,
    ];
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
        offset: choice.offset,
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

  protected rowOptions(inputs: PlanInputs): RowOptions {
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
  protected bricks(
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
  protected sight(inputs: PlanInputs): Uint8Array {
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
  protected closed(inputs: PlanInputs): { readonly key: number; readonly fromClosedMm?: Float64Array } {
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
  protected passesLumps({ cap, rows, schools }: PlanInputs): boolean {
    if (rows.scheme === 'grid' || rows.scheme === 'rods') return true;
    if (rows.scheme === 'fromTie') return schools.bun === 'overIt';
    return cap.dome !== 'none';
  }

  /** Factor along a row at every vertex. */
  protected faceEdge(head: HeadStage, zones: ZoneFactors): Float64Array {
    const key = JSON.stringify([head.key, zones.faceEdge]);
    return this.memo.get('faceEdge', key, () => {
      const distance = head.scalp.fromFrontHairline;
      const factor = new Float64Array(distance.length);
      for (let v = 0; v < factor.length; v++) factor[v] = faceEdgeFactor(zones, distance[v]);
      return factor;
    });
  }
}

/** Rows keep away from closed places by a share of their gap; no gap is wider than this, mm. */
const CLOSED_REACH_MM = 40;
