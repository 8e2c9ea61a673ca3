/** From laid knots to hooked pieces: zone, kind, direction, place in words, and which piece of which pack. */
import type { SurfaceCurve } from '../geometry/contour.ts';
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import type { HookedPiece } from '../hair/product.ts';
import { directionWords, fallDirection, hookDirection, type Vector } from '../knots/direction.ts';
import { knotIds, nameRows } from '../knots/identity.ts';
import type { LaidKnot } from '../knots/layout.ts';
import { decideKnot, type KnotSituation } from '../knots/rules.ts';
import { type WhereContext, whereOf, zoneOf } from '../knots/where.ts';
import type { Row, RowSpacing } from '../rows/rows.ts';
import { knotSeconds } from '../time/estimate.ts';
import type { HeadStage } from './head-stage.ts';
import type { PlanInputs } from './inputs.ts';
import type { PlannedKnot, PlannedRow } from './result.ts';

export function planRows(
  mesh: SurfaceMesh,
  rows: readonly Row[],
  knots: readonly LaidKnot[],
  fromMidline: Float64Array,
  turned: boolean,
): PlannedRow[] {
  let firstKnot = 0;
  return nameRows(rows, fromMidline).map((name, index): PlannedRow => {
    const { curve, kind } = rows[index];
    let knotCount = 0;
    while (knots[firstKnot + knotCount]?.row === index) knotCount++;
    const row: PlannedRow = {
      ...name,
      kind,
      lengthMm: curve.lengthMm,
      closed: curve.closed,
      endMm: name.startMm + curve.lengthMm,
      pointsMm: Float32Array.from(curve.pointsMm),
      normals: normalsAlong(mesh, curve, turned),
      firstKnot,
      knotCount,
    };
    firstKnot += knotCount;
    return row;
  });
}

function normalsAlong(mesh: SurfaceMesh, curve: SurfaceCurve, turned: boolean): Float32Array {
  const out = new Float32Array(3 * curve.pointCount);
  for (let i = 0; i < curve.pointCount; i++) {
    out.set(normalAt(mesh, curve.fromVertex[i], turned), 3 * i);
  }
  return out;
}

/** Outward normal at a vertex, or at its mirror image. */
function normalAt(mesh: SurfaceMesh, vertex: number, turned: boolean): Vector {
  const x = mesh.normals[3 * vertex];
  return [turned ? 0 - x : x, mesh.normals[3 * vertex + 1], mesh.normals[3 * vertex + 2]];
}

/** Rows and knots as laid, on the side where they belong. */
export interface Laid {
  readonly rows: readonly Row[];
  readonly knots: readonly LaidKnot[];
  readonly planned: readonly PlannedRow[];
  /** Worked out on the other side: what is read from the mesh has to be turned over. */
  readonly turned: boolean;
  /** Whether a knot, by its place in the order, lies on a tender or thin spot. */
  readonly isSore: (knot: number) => boolean;
}

export function pieceKnots(
  inputs: PlanInputs,
  head: HeadStage,
  part: { readonly fromPart: Float64Array; readonly pointsMm: Float64Array },
  { rows, planned, knots, turned, isSore }: Laid,
  piece: HookedPiece,
  spacing: RowSpacing,
): PlannedKnot[] {
  const context = whereContext(inputs, head, part);
  const deepest = Math.max(...rows.map((r) => r.quarter));
  /** Whole rows 1, 3, 5 … from the nape, whatever short rows lie between. */
  const isEveryOther = (row: Row) => ((deepest - row.quarter) / 4) % 2 === 0;
  const loopHasToComeOff = piece.canOneLeg && inputs.product.loop !== 'thread' && inputs.product.loop !== 'none';
  return planned.flatMap((row, index) => {
    const inRow = knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
    const fromMiddle = inRow.map((k) => row.startMm + k.arcMm);
    const ids = knotIds(row.id, fromMiddle);
    return inRow.map((k, i): PlannedKnot => {
      const exposed = exposure(inputs, rows[index]);
      const tenderOrThin = isSore(row.firstKnot + i);
      const situation: KnotSituation = {
        texture: inputs.product.texture,
        canOneLeg: piece.canOneLeg,
        canLock: piece.canLock,
        cap: inputs.cap,
        exposed,
        secondRow: rows[index].quarter > 0 && rows[index].quarter <= 4,
        perimeter: head.scalp.fromHairline[k.vertex] < 0.8 * spacing.gapMm,
        anchorPlace: isEveryOther(rows[index]) && isAnchorPlace(row, i, k, head, spacing),
        tenderOrThin,
        schools: inputs.schools,
      };
      const decision = decideKnot(situation);
      const [x, y, z] = fallDirection(head.mesh, part.fromPart, k.vertex);
      const fall: Vector = [turned ? 0 - x : x, y, z];
      const hook = hookDirection(fall, decision.kind === 'oneLeg');
      const zone = zoneOf(k, exposed === 'part' || exposed === 'crown', context);
      const order = row.firstKnot + i;
      return {
        // Written out rather than spread: V8 lays such an object out ten times as fast.
        kind: decision.kind,
        wraps: decision.wraps,
        lock: decision.lock,
        through: decision.through,
        reasons: decision.reasons,
        rules: decision.rules,
        id: ids[i],
        row: index,
        place: i + 1,
        xMm: k.xMm,
        yMm: k.yMm,
        zMm: k.zMm,
        normal: normalAt(head.mesh, k.vertex, turned),
        fromMiddleMm: fromMiddle[i],
        zone,
        exposed: exposed !== false,
        tenderOrThin,
        hook,
        hookWords: directionWords(hook),
        where: whereOf(k, zone, context),
        aboveRowBeforeMm: aboveRowBefore(k, planned, index),
        piece: { pack: Math.floor(order / piece.perPack) + 1, number: (order % piece.perPack) + 1 },
        seconds: knotSeconds(decision, { split: inputs.product.split, loopHasToComeOff }, inputs.pace),
      };
    });
  });
}

/** Points of a row lie 2 to 3 mm apart: every fourth gives the distance to it within a few per cent. */
const ROW_STRIDE = 4;

/** Distance to the nearest row that is already laid; undefined in the first row. */
function aboveRowBefore(k: LaidKnot, rows: readonly PlannedRow[], index: number): number | undefined {
  let best = Number.POSITIVE_INFINITY;
  // Short rows lie between whole ones, so the nearest may be up to four rows back.
  for (let r = Math.max(0, index - 4); r < index; r++) {
    const p = rows[r].pointsMm;
    for (let i = 0; i < p.length; i += 3 * ROW_STRIDE) {
      const dx = p[i] - k.xMm;
      const dy = p[i + 1] - k.yMm;
      const dz = p[i + 2] - k.zMm;
      const d = dx * dx + dy * dy + dz * dz;
      if (d < best) best = d;
    }
  }
  return best < Number.POSITIVE_INFINITY ? Math.sqrt(best) : undefined;
}

function whereContext(
  inputs: PlanInputs,
  head: HeadStage,
  part: { readonly fromPart: Float64Array; readonly pointsMm: Float64Array },
): WhereContext {
  const p = part.pointsMm;
  const hasPart = p.length > 0;
  const base = { scalp: head.scalp, mark: head.mark, fromPart: part.fromPart, fingerMm: inputs.fingerMm, hasPart };
  if (!hasPart) return { ...base, partEnd: head.mark.crown };
  return {
    ...base,
    partFront: [p[0], p[1], p[2]],
    partEnd: [p[p.length - 3], p[p.length - 2], p[p.length - 1]],
  };
}

/** Rows with nothing above: beside the part, round the crown, or along the front hairline when swept back. */
function exposure(inputs: PlanInputs, row: Row): KnotSituation['exposed'] {
  if (row.kind === 'front') return 'front';
  if (row.besidePart) return inputs.part.kind === 'crown' ? 'crown' : 'part';
  return false;
}

/** The cap is held at both ends of every other row, where the row reaches the hairline. */
function isAnchorPlace(row: PlannedRow, place: number, k: LaidKnot, head: HeadStage, spacing: RowSpacing): boolean {
  const atEnd = place === 0 || place === row.knotCount - 1;
  return atEnd && !row.closed && row.kind === 'whole' && head.scalp.fromHairline[k.vertex] < 1.2 * spacing.gapMm;
}
