/** What the rules of knots look at, read off the place of a knot: what hides it, what it is hooked on, what holds the cap there. */
import type { BaseChoice, LaidBase } from '../../base/index.ts';
import { heldByComb, netAt, type OpeningOnHead } from '../../cap/index.ts';
import type { HookedPiece, Product } from '../../hair/index.ts';
import type { Part, Point, ScalpFields } from '../../head/index.ts';
import type { Row, RowSpacing } from '../../rows/index.ts';
import { type BorderRow, type Cap, isOffHead, type KnotZone, type Scheme, WIDE_TWIST_MM } from '../../trade/index.ts';
import type { LaidKnot } from '../layout/measure.ts';
import type { KnotSituation } from '../rules/situation.ts';
import type { PlannedRow } from './planned.ts';
import type { SchoolsHere } from './schools-here.ts';

/** Of a plan, what a knot's situation hangs on. */
export interface SituationTold {
  readonly cap: Cap;
  readonly part: Pick<Part, 'kind'>;
  readonly rows: { readonly scheme: Scheme; readonly borderRow: Pick<BorderRow, 'knot'> };
  readonly base: Pick<BaseChoice, 'family' | 'found'>;
}

/** Of a head with rows on it, what a knot's situation hangs on. */
export interface SituationContext {
  readonly scalp: ScalpFields;
  readonly base: Pick<LaidBase, 'map' | 'tails'>;
  readonly opening: OpeningOnHead;
  /** From the middle of the opening, at every vertex of the rows' head; none where nothing is cut. */
  readonly fromOpening: Float64Array | undefined;
  readonly spacing: RowSpacing;
  readonly combs: readonly Point[];
  /** Quarter of the lowest row. */
  readonly deepest: number;
  isSore(vertex: number): boolean;
}

/** A row as its knots are decided. */
export interface RowAtWork {
  readonly row: Row;
  readonly planned: PlannedRow;
  readonly index: number;
  readonly inRow: readonly LaidKnot[];
  /** Index of its first knot among all that are laid. */
  readonly from: number;
  readonly ids: readonly string[];
}

/** What is known of a knot before its rules are asked. */
export interface KnotHere {
  readonly exposed: KnotSituation['exposed'];
  readonly zone: KnotZone;
  readonly piece: HookedPiece;
  readonly product: Product;
  /** Schools that hold there. */
  readonly said: SchoolsHere;
  /** Of the line that blends so many pieces do. */
  readonly mayBlend: boolean;
  /** Vertex of her own head under it. */
  readonly under: number;
}

/** Rows counted from the nape whose ends hold the cap: 1, 3, 5 … whatever short rows lie between (common practice, no source). */
const EVERY_OTHER = 2;
/** A knot nearer to the hairline than this share of a gap is in the outermost line (guess: it has no neighbour outside). */
const PERIMETER = 0.8;
/** An end of a row nearer to the hairline than this share of a gap can hold the border (guess). */
const REACHES_BORDER = 1.2;
/** Where hair goes back from the face, knots nearer to the front than this share of a gap lie open (guess). */
const OPEN_IN_FRONT = 0.7;

/** In the outermost line. */
export const isOutermost = ({ scalp, spacing }: Pick<SituationContext, 'scalp' | 'spacing'>, k: LaidKnot) =>
  scalp.fromHairline[k.vertex] < PERIMETER * spacing.gapMm;

export function situationOf(
  told: SituationTold,
  context: SituationContext,
  { row, planned, inRow }: RowAtWork,
  i: number,
  here: KnotHere,
): KnotSituation {
  const { product, piece } = here;
  const k = inRow[i];
  const perimeter = isOutermost(context, k);
  const insists = piece.stiff && here.said.schools.stiff === 'oneLeg';
  return {
    texture: product.texture,
    canOneLeg: piece.canOneLeg || insists,
    stiff: insists,
    canLock: piece.canLock,
    threadLoop: product.loop === 'thread',
    loose: product.loop === 'none',
    slips: product.test.hooked === 'slips',
    clings: product.test.apart === 'clings',
    capped: told.cap.dome !== 'none',
    onBlock: isOffHead(told.cap),
    on: hookedOn(told, context.base, row, here.under),
    into: row.into?.way,
    netHere: context.fromOpening ? netAt(context.opening, context.fromOpening[k.vertex]) : 'net',
    blending: here.mayBlend && isBlending(told.cap, here.zone, perimeter),
    exposed: here.exposed,
    secondRow: row.quarter > 0 && row.quarter <= 4,
    perimeter,
    anchorPlace: !planned.second && !planned.opened && holdsCap(told.cap, context, row, k) && isEnd(planned, inRow, i),
    tenderOrThin: context.isSore(here.under),
    border: row.kind === 'border' ? told.rows.borderRow.knot : undefined,
    schools: here.said.schools,
    saidFor: here.said.saidFor,
  };
}

/** Whether the cap is held at this end of a row: of every other row from the nape, near the border, where no comb does it. */
export function holdsCap(
  cap: Cap,
  { scalp, spacing, combs, deepest }: Pick<SituationContext, 'scalp' | 'spacing' | 'combs' | 'deepest'>,
  row: Row,
  k: LaidKnot,
): boolean {
  const isAnchorRow = row.kind === 'whole' && !row.curve.closed && ((deepest - row.quarter) / 4) % EVERY_OTHER === 0;
  return (
    isAnchorRow &&
    holdsByPieces(cap) &&
    cap.filledOn === 'head' &&
    scalp.fromHairline[k.vertex] < REACHES_BORDER * spacing.gapMm &&
    !heldByComb(combs, k.xMm, k.yMm, k.zMm)
  );
}

/** Rows with nothing above: beside the part, round the crown, or along the front where hair goes back from it. */
export function exposure(
  told: { readonly part: SituationTold['part']; readonly rows: Pick<SituationTold['rows'], 'scheme'> },
  { scalp, spacing }: Pick<SituationContext, 'scalp' | 'spacing'>,
  row: Row,
  k: LaidKnot,
): KnotSituation['exposed'] {
  if (row.kind === 'front' || (row.kind === 'fringe' && row.quarter === -2)) return 'front';
  // Hair from above falls over it at the sides and the nape.
  if (row.kind === 'border' || row.kind === 'base')
    return scalp.fromFrontHairline[k.vertex] < OPEN_IN_FRONT * spacing.gapMm ? 'front' : false;
  if (row.besidePart) return told.part.kind === 'crown' ? 'crown' : 'part';
  const goesBack = told.rows.scheme === 'straightBack' || told.rows.scheme === 'found';
  return goesBack && scalp.fromFrontHairline[k.vertex] < OPEN_IN_FRONT * spacing.gapMm ? 'front' : false;
}

function hookedOn(
  { rows: { scheme }, cap, base: { family, found } }: SituationTold,
  base: SituationContext['base'],
  row: Row,
  under: number,
): KnotSituation['on'] {
  if (row.into) return row.into.way === 'round' ? 'coil' : 'scalp';
  // A row along the border takes up the hair of the edge, whatever carries the rest.
  if (row.kind === 'border') return 'scalp';
  if (scheme === 'grid') return 'band';
  if (scheme === 'rods') return 'rod';
  if (scheme === 'fromTie' && row.quarter === 0) return 'coil';
  if (cap.dome !== 'none') return 'scalp';
  const twists = family === 'flatTwists' || family === 'behindPart' || (family === 'found' && found.what !== 'rows');
  return twists && (base.tails[base.map.labels[under]]?.thicknessMm ?? 0) > WIDE_TWIST_MM ? 'twist' : 'scalp';
}

/** A wig has no anchors, unless a few pieces hold it. */
function holdsByPieces(cap: Cap): boolean {
  return !cap.wig || cap.wigHolds.includes('pieces');
}

/** Zone whose outermost pieces go into own hair and stay behind when the wig comes off. */
const BLENDING_ZONES: Readonly<Record<Cap['blending'], KnotZone | undefined>> = {
  none: undefined,
  front: 'faceEdge',
  sides: 'side',
  nape: 'nape',
};

/** Whether a knot lies in the line whose pieces may stay in own hair. */
export function isBlending(cap: Cap, zone: KnotZone, perimeter: boolean): boolean {
  if (!cap.wig || cap.dome === 'none' || !perimeter) return false;
  return BLENDING_ZONES[cap.blending] === zone;
}

function isEnd(row: PlannedRow, inRow: readonly LaidKnot[], i: number): boolean {
  if (row.closed) return false;
  const kept = Array.from(inRow.keys()).filter((n) => inRow[n].hand !== 'removed');
  return i === kept[0] || i === kept[kept.length - 1];
}
