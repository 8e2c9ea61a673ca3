/** From laid knots to decided ones: zone, kind, hold, direction, place in words, bite, and which piece of which pack. */
import type { LaidBase } from '../../base/index.ts';
import { anchorPlaceOf, netAt, type OpeningOnHead } from '../../cap/index.ts';
import { OWN } from '../../colours/index.ts';
import { fallDirection } from '../../fall/index.ts';
import { unit } from '../../geometry/index.ts';
import {
  cutFor,
  type Hair,
  type HookedPiece,
  hookedPieces,
  type OwnHair,
  type Product,
  type ZonePieces,
} from '../../hair/index.ts';
import type { Head } from '../../head/index.ts';
import type { Row, RowSpacing } from '../../rows/index.ts';
import { knotSeconds } from '../../time/index.ts';
import { type IntoWay, PACE_FACTOR, type Pace, type PieceZone, pieceZoneOf, sharesSection } from '../../trade/index.ts';
import { isHooked, type LaidKnot } from '../layout/measure.ts';
import { biteSideMm } from '../rules/bite.ts';
import { decideKnot } from '../rules/decide.ts';
import type { KnotSituation } from '../rules/situation.ts';
import { directionWords, hookDirection, type Vector } from './direction.ts';
import { nextPiece, type PacksUsed } from './numbering.ts';
import { idsOf, orderInRow } from './order.ts';
import { layOverrides, type Override, type OverridesLaid } from './overrides.ts';
import type { PlannedKnot, PlannedRow } from './planned.ts';
import { type Laid, normalAt } from './planned-rows.ts';
import { type SchoolSite, type SchoolsHere, type SchoolsTold, schoolsByPlace } from './schools-here.ts';
import {
  exposure,
  isBlending,
  isOutermost,
  type RowAtWork,
  type SituationContext,
  type SituationTold,
  situationOf,
} from './situation.ts';
import { isLeftOfPart, type PartPlace, type WhereContext, whereContext, whereOf } from './where.ts';
import { zoneOf } from './zone.ts';

/** Of a plan, what its knots hang on besides where they lie. */
export interface DecisionTold extends SituationTold, Hair {
  readonly pieces: ZonePieces;
  readonly overrides: readonly Override[];
  readonly fingerMm: number;
  readonly pace: Pace;
  readonly ownHair: Pick<OwnHair, 'strand'>;
  readonly schools: SchoolsTold;
  /** What is filled in at the end is of this cut. */
  readonly fillCut: string;
}

export interface DecisionContext {
  /** The head that rows are worked out on. */
  readonly head: Head;
  readonly part: PartPlace;
  readonly base: Pick<LaidBase, 'map' | 'sections' | 'tails'>;
  readonly opening: OpeningOnHead;
  /** On her own head. */
  readonly combs: SituationContext['combs'];
  /** From the middle of the opening, at every vertex of the rows' head. */
  readonly fromOpening: Float64Array | undefined;
  readonly spacing: RowSpacing;
  /** Vertex of her own head under each laid knot: of the head that is not turned over. */
  readonly under: ArrayLike<number>;
  /** Of the places that have schools of their own, by id, at every vertex of the rows' head. */
  readonly schoolMasks: ReadonlyMap<string, Uint8Array>;
  isSore(vertex: number): boolean;
  isLump(vertex: number): boolean;
}

export interface Decided {
  readonly knots: readonly PlannedKnot[];
  /** Overrides that met no knot, or that the piece can't follow. */
  readonly lostWishes: ReadonlyArray<{ readonly id: string; readonly why: string }>;
}

/** What holds for all knots of a plan, and how far each zone and product has been used. */
interface Table {
  readonly told: DecisionTold;
  readonly context: DecisionContext;
  readonly turned: boolean;
  readonly where: WhereContext;
  readonly situation: SituationContext;
  readonly hooked: ReadonlyMap<string, HookedPiece>;
  readonly products: ReadonlyMap<string, Product>;
  readonly overrides: OverridesLaid;
  readonly planned: readonly PlannedRow[];
  readonly usedInZone: Map<PieceZone, number>;
  /** Pieces that all hair of a section bears together, by its index. */
  readonly intoSection: ReadonlyMap<number, number>;
  /** Packs of each product that are hooked already, a share of one included. */
  readonly packsUsed: PacksUsed;
  schoolsAt(site: SchoolSite): SchoolsHere;
  /** Knots that blend, where she says how many; all of the line else. */
  readonly blends: ReadonlySet<LaidKnot> | undefined;
}

export function decideKnots(
  told: DecisionTold,
  context: DecisionContext,
  laid: Laid,
  planned: readonly PlannedRow[],
): Decided {
  const table = tableOf(told, context, laid, planned);
  const lost = [...table.overrides.lost];
  const knots: PlannedKnot[] = [];
  const names = namesOf(laid, planned);
  let from = 0;
  planned.forEach((plannedRow, index) => {
    let to = from;
    while (laid.knots[to]?.row === index) to++;
    const inRow = laid.knots.slice(from, to);
    const ids = inRow.map((k) => names.get(k) as string);
    const row: RowAtWork = { row: laid.rows[index], planned: plannedRow, index, inRow, from, ids };
    for (const i of orderInRow((i) => placeOf(table, row, i).said.schools, row.row, inRow)) {
      if (!isHooked(inRow[i])) {
        // Its piece counts among those of its zone, so that a row along the border changes no other knot.
        pieceFor(table, row, i);
        continue;
      }
      const { knot, refused, hers } = decideOne(table, row, i);
      knots.push(knot);
      if (refused !== undefined) lost.push(...hers.map((id) => ({ id, why: refused })));
    }
    from = to;
  });
  return { knots, lostWishes: lost };
}

/** Names of all knots: those of a row that wait for the opening are named with the rest of their row. */
function namesOf(laid: Laid, planned: readonly PlannedRow[]): Map<LaidKnot, string> {
  const names = new Map<LaidKnot, string>();
  const whole = (row: number) => (laid.isOpened[row] && laid.secondOf[row] >= 0 ? laid.secondOf[row] : row);
  planned.forEach((row, index) => {
    if (whole(index) !== index) return;
    const all = laid.knots.filter((k) => whole(k.row) === index).sort((a, b) => a.arcMm - b.arcMm);
    idsOf(row, all).forEach((id, i) => {
      names.set(all[i], id);
    });
  });
  return names;
}

function tableOf(told: DecisionTold, context: DecisionContext, laid: Laid, planned: readonly PlannedRow[]): Table {
  const { head, spacing } = context;
  const where = whereContext(head, context.part, told.fingerMm);
  return {
    told,
    context,
    turned: laid.turned,
    where,
    situation: {
      scalp: head.scalp,
      base: context.base,
      opening: context.opening,
      fromOpening: context.fromOpening,
      spacing,
      combs: context.combs,
      deepest: laid.deepest,
      isSore: (v) => context.isSore(v),
    },
    hooked: hookedPieces(told),
    products: new Map(told.products.map((p) => [p.id, p])),
    overrides: layOverrides(told.overrides, head.shape, laid, where, spacing.pitchMm),
    planned,
    usedInZone: new Map(),
    intoSection: piecesInto(context, laid),
    packsUsed: new Map(),
    schoolsAt: schoolsByPlace(told.schools, context.schoolMasks),
    blends: blendingOf(told, context, laid, where),
  };
}

/** So many of the line that blends, as far apart as can be; undefined where all of it does. */
function blendingOf(
  { cap }: DecisionTold,
  { head: { scalp }, spacing }: DecisionContext,
  laid: Laid,
  where: WhereContext,
): Set<LaidKnot> | undefined {
  const count = cap.blendingPieces;
  if (count === 0 || cap.blending === 'none') return undefined;
  const line = laid.knots.filter(
    (k) =>
      isHooked(k) && isBlending(cap, zoneOf(k, laid.rows[k.row].besidePart, where), isOutermost({ scalp, spacing }, k)),
  );
  const along = [...line].sort((a, b) => b.xMm - a.xMm);
  if (along.length <= count) return new Set(along);
  return new Set(Array.from({ length: count }, (_, i) => along[Math.floor(((i + 0.5) * along.length) / count)]));
}

function nextOf<K>(used: Map<K, number>, key: K): number {
  const place = used.get(key) ?? 0;
  used.set(key, place + 1);
  return place;
}

/** Where a knot lies, and what is said for that place. */
function placeOf({ told, situation, where, schoolsAt }: Table, { row, inRow }: RowAtWork, i: number) {
  const k = inRow[i];
  const exposed = exposure(told, situation, row, k);
  const zone = zoneOf(k, exposed === 'part' || exposed === 'crown', where);
  const netHere = situation.fromOpening ? netAt(situation.opening, situation.fromOpening[k.vertex]) : 'net';
  const isLeft = () => isLeftOfPart(k, where);
  return { exposed, zone, said: schoolsAt({ zone, isLeft, isMargin: netHere === 'margin', vertex: k.vertex }) };
}

/** Which piece a knot gets: by her own wish, else what is said for its place, else by its zone. */
function pieceFor(table: Table, at: RowAtWork, i: number) {
  const { told, hooked, usedInZone, overrides } = table;
  const { row } = at;
  const { exposed, zone, said } = placeOf(table, at, i);
  const pieceZone = row.kind === 'fringe' || row.kind === 'border' ? row.kind : pieceZoneOf(zone);
  const hers = overrides.of(at.from + i);
  const known = (id: string | undefined) => (id !== undefined && hooked.has(id) ? id : undefined);
  const filled = at.planned.pass === 'fill' ? known(told.fillCut) : undefined;
  const chosen = known(hers.cut) ?? filled ?? known(row.into?.cut) ?? known(said.cut);
  // What goes into the base is beside the rows: it does not count in a mix of them.
  const numberInZone = () => (row.into ? 0 : nextOf(usedInZone, pieceZone));
  const cut = chosen ?? cutFor(told.pieces, pieceZone, numberInZone());
  return { exposed, zone, said, pieceZone, hers, cut, piece: hooked.get(cut) as HookedPiece };
}

/** What the rules look at where a knot lies, with the piece that it gets. */
function situationAt(table: Table, at: RowAtWork, i: number, chosen: ReturnType<typeof pieceFor>): KnotSituation {
  const { exposed, zone, said, piece } = chosen;
  return situationOf(table.told, table.situation, at, i, {
    exposed,
    zone,
    piece,
    product: table.products.get(piece.product) as Product,
    under: table.context.under[at.from + i],
    said,
    mayBlend: !table.blends || table.blends.has(at.inRow[i]),
  });
}

function decideOne(table: Table, at: RowAtWork, i: number) {
  const { told, context } = table;
  const { inRow } = at;
  const k = inRow[i];
  const chosen = pieceFor(table, at, i);
  const { exposed, zone, said, pieceZone, hers, cut, piece } = chosen;
  const product = table.products.get(piece.product) as Product;
  const under = context.under[at.from + i];
  const situation = situationAt(table, at, i, chosen);
  const onLump = context.isLump(under) && situation.capped;
  const decision = decideKnot(situation, onLump ? { through: 'net', ...hers.wish } : hers.wish);
  const fall = fallAt(table, k);
  const hook = hookDirection(fall, decision.entry);
  const borneBy = sectionOf(context, at.row, under);
  // Written out rather than spread: V8 lays such an object out ten times as fast.
  const plainSeconds = knotSeconds(decision, piece, said.schools.prepare === 'pieceByPiece');
  const knot: PlannedKnot = {
    kind: decision.kind,
    wraps: decision.wraps,
    lock: decision.lock,
    through: decision.through,
    holes: decision.holes,
    entry: decision.entry,
    backcomb: decision.backcomb,
    may: decision.may,
    chain: decision.chain,
    id: at.ids[i],
    row: at.index,
    place: hookedUpTo(inRow, i),
    hand: k.hand === 'moved' || k.hand === 'added' ? k.hand : undefined,
    xMm: k.xMm,
    yMm: k.yMm,
    zMm: k.zMm,
    normal: normalAt(context.head.mesh, k.vertex, table.turned),
    fromMiddleMm: at.planned.startMm + k.arcMm,
    zone,
    pieceZone,
    cut,
    schools: said.schools,
    places: said.places,
    exposed: exposed !== false,
    into: situation.into,
    section: borneBy,
    onNet: situation.capped ? situation.netHere : 'none',
    tenderOrThin: situation.tenderOrThin,
    anchorPlace: decision.kind === 'anchor' ? anchorPlaceOf(context.head.mark, k.xMm, k.yMm, k.zMm) : undefined,
    blending: situation.blending,
    biteMm: biteOf(table, decision.through, situation.into, borneBy),
    massG: piece.massG,
    along: alongRow(inRow, i),
    hook,
    hookWords: directionWords(hook),
    where: whereOf(k, zone, table.where),
    aboveRowBeforeMm: aboveRowBefore(k, table.planned, at.index),
    piece: nextPiece(table.packsUsed, product.id, piece.perPack),
    colour: OWN,
    seconds: PACE_FACTOR[told.pace] * plainSeconds,
    plainSeconds,
  };
  return { knot, refused: decision.refused, hers: hers.ids };
}

/** How many of a row are hooked, up to this one. */
function hookedUpTo(inRow: readonly LaidKnot[], i: number): number {
  let count = 0;
  for (let n = 0; n <= i; n++) if (isHooked(inRow[n])) count++;
  return count;
}

/** Side of the scalp that bears a piece: of what goes into a tie or a tail all pieces of the section share all of its hair. */
function biteOf(
  { told, context, intoSection }: Table,
  through: PlannedKnot['through'],
  into: IntoWay | undefined,
  borneBy: number,
): number {
  const section = context.base.sections[borneBy];
  const sharing = into !== undefined && sharesSection(into) ? intoSection.get(borneBy) : undefined;
  if (section && sharing) return Math.sqrt(section.areaMm2 / sharing);
  return biteSideMm(through, told.ownHair.strand, section ? section.areaMm2 / section.hairs : 0);
}

/** The section that bears a piece: that of the plait or coil it goes into, wherever that lies; else the one under it. */
function sectionOf({ base }: DecisionContext, row: Row, under: number): number {
  const own = row.into?.section;
  const named = own === undefined ? -1 : base.sections.findIndex((s) => s.id === own);
  return named < 0 ? base.map.labels[under] : named;
}

/** Pieces of each section that all of its hair bears together. */
function piecesInto(context: DecisionContext, laid: Laid): Map<number, number> {
  const counts = new Map<number, number>();
  laid.knots.forEach((k, i) => {
    const row = laid.rows[k.row];
    if (!isHooked(k) || !row.into || !sharesSection(row.into.way)) return;
    const section = sectionOf(context, row, context.under[i]);
    counts.set(section, (counts.get(section) ?? 0) + 1);
  });
  return counts;
}

/** The way hair falls at a knot, on her own side. */
function fallAt({ context, turned }: Table, k: LaidKnot): Vector {
  const [x, y, z] = fallDirection(context.head.mesh, context.part.fromPart, k.vertex);
  return [turned ? 0 - x : x, y, z];
}

/** From the neighbour on one side to that on the other. */
function alongRow(inRow: readonly LaidKnot[], i: number): Vector {
  const a = inRow[Math.max(0, i - 1)];
  const b = inRow[Math.min(inRow.length - 1, i + 1)];
  return unit([b.xMm - a.xMm, b.yMm - a.yMm, b.zMm - a.zMm]);
}

/** Points of a row lie 2 to 3 mm apart: every fourth gives the distance to it within a few per cent. */
const ROW_STRIDE = 4;
/** Short rows lie between whole ones, so the nearest may be up to four rows back. */
const ROWS_BACK = 4;

/** Distance to the nearest row that is already laid; undefined in the first row. */
function aboveRowBefore(k: LaidKnot, rows: readonly PlannedRow[], index: number): number | undefined {
  let best = Number.POSITIVE_INFINITY;
  // A row along the border lies across all others: it is no row before.
  for (let r = index - 1, back = 0; r >= 0 && back < ROWS_BACK; r--) {
    if (rows[r].kind === 'border') continue;
    back++;
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
