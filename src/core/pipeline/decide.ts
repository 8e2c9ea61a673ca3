/** From laid knots to decided ones: zone, kind, hold, direction, place in words, bite, and which piece of which pack. */
import type { LaidBase } from '../base/base.ts';
import { anchorPlaceOf, combPoints, heldByComb } from '../cap/anchors.ts';
import type { Cap } from '../cap/cap.ts';
import { netAt, type OpeningOnHead } from '../cap/opening.ts';
import { fallDirection } from '../fall/way.ts';
import { distance, unit } from '../geometry/vectors.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import type { Product } from '../hair/product.ts';
import { directionOf, onSurface } from '../head/marks.ts';
import { directionWords, hookDirection, type Vector } from '../knots/direction.ts';
import { knotIds } from '../knots/identity.ts';
import type { LaidKnot } from '../knots/layout.ts';
import { biteSideMm, decideKnot, type KnotSituation } from '../knots/rules.ts';
import { type KnotZone, type WhereContext, whereOf, zoneOf } from '../knots/where.ts';
import type { Row, RowSpacing } from '../rows/rows.ts';
import { knotSeconds } from '../time/estimate.ts';
import type { HeadStage } from './head-stage.ts';
import type { PieceZone, PlanInputs, WishAt } from './inputs.ts';
import { cutFor, hookedPieces, pieceZoneOf } from './pieces.ts';
import { type Laid, normalAt } from './planned-rows.ts';
import type { PlannedKnot, PlannedRow } from './result.ts';

export interface DecisionGround {
  readonly head: HeadStage;
  readonly part: { readonly fromPart: Float64Array; readonly pointsMm: Float64Array };
  readonly base: Pick<LaidBase, 'map' | 'sections' | 'tails'>;
  readonly opening: OpeningOnHead;
  /** From the middle of the opening, at every vertex of the rows' head. */
  readonly fromOpening: Float64Array | undefined;
  readonly spacing: RowSpacing;
  /** Vertex of her own head under each laid knot: of the head that is not turned over. */
  readonly under: ArrayLike<number>;
  isSore(vertex: number): boolean;
  isLump(vertex: number): boolean;
}

export interface Decided {
  readonly knots: readonly PlannedKnot[];
  /** Wishes that met no knot, or that the piece can't follow. */
  readonly lostWishes: ReadonlyArray<{ readonly id: string; readonly why: string }>;
}

/** Rows counted from the nape whose ends hold the cap: 1, 3, 5 … whatever short rows lie between. */
const EVERY_OTHER = 2;

export function decideKnots(
  inputs: PlanInputs,
  ground: DecisionGround,
  laid: Laid,
  planned: readonly PlannedRow[],
): Decided {
  const table = tableOf(inputs, ground, laid);
  const lost = [...table.wishes.lost];
  const knots: PlannedKnot[] = [];
  let from = 0;
  planned.forEach((plannedRow, index) => {
    let to = from;
    while (laid.knots[to]?.row === index) to++;
    const inRow = laid.knots.slice(from, to);
    const row: RowAtWork = {
      row: laid.rows[index],
      planned: plannedRow,
      index,
      inRow,
      from,
      ids: idsOf(plannedRow, inRow),
    };
    for (const i of orderInRow(inputs, row.row, inRow)) {
      const { knot, refused, wishes } = decideOne(table, row, i, planned);
      knots.push(knot);
      if (refused !== undefined) lost.push(...wishes.map((id) => ({ id, why: refused })));
    }
    from = to;
  });
  return { knots, lostWishes: lost };
}

/** What holds for all knots of a plan, and how far each zone and product has been used. */
interface Table {
  readonly inputs: PlanInputs;
  readonly ground: DecisionGround;
  readonly turned: boolean;
  readonly context: WhereContext;
  readonly pieces: ReadonlyMap<string, HookedPiece>;
  readonly products: ReadonlyMap<string, Product>;
  readonly wishes: ReturnType<typeof wishesOf>;
  readonly combs: ReturnType<typeof combPoints>;
  readonly deepest: number;
  readonly usedInZone: Map<PieceZone, number>;
  readonly usedOfProduct: Map<string, number>;
}

interface RowAtWork {
  readonly row: Row;
  readonly planned: PlannedRow;
  readonly index: number;
  readonly inRow: readonly LaidKnot[];
  /** Index of its first knot among all that are laid. */
  readonly from: number;
  readonly ids: readonly string[];
}

function tableOf(inputs: PlanInputs, ground: DecisionGround, laid: Laid): Table {
  const context = whereContext(inputs, ground.head, ground.part);
  return {
    inputs,
    ground,
    turned: laid.turned,
    context,
    pieces: hookedPieces(inputs),
    products: new Map(inputs.products.map((p) => [p.id, p])),
    wishes: wishesOf(inputs, ground, laid, context),
    combs: combPoints(inputs.cap, ground.head.mark),
    deepest: Math.max(...laid.rows.map((r) => r.quarter)),
    usedInZone: new Map(),
    usedOfProduct: new Map(),
  };
}

function nextOf<K>(used: Map<K, number>, key: K): number {
  const place = used.get(key) ?? 0;
  used.set(key, place + 1);
  return place;
}

function decideOne(table: Table, at: RowAtWork, i: number, planned: readonly PlannedRow[]) {
  const { inputs, ground, turned } = table;
  const { head, part, spacing } = ground;
  const { row, inRow } = at;
  const k = inRow[i];
  const exposed = exposure(inputs, row, k, head, spacing);
  const zone = zoneOf(k, exposed === 'part' || exposed === 'crown', table.context);
  const pieceZone = row.kind === 'fringe' ? 'fringe' : pieceZoneOf(zone);
  const hers = table.wishes.of(at.from + i);
  const wanted = hers.cut !== undefined && table.pieces.has(hers.cut) ? hers.cut : undefined;
  const cut = wanted ?? cutFor(inputs, pieceZone, nextOf(table.usedInZone, pieceZone));
  const piece = table.pieces.get(cut) as HookedPiece;
  const product = table.products.get(piece.product) as Product;
  const under = ground.under[at.from + i];
  const situation = situationOf(table, at, i, { exposed, zone, piece, product, under });
  const onLump = ground.isLump(under) && situation.capped;
  const decision = decideKnot(situation, onLump ? { through: 'net', ...hers.wish } : hers.wish);
  const [x, y, z] = fallDirection(head.mesh, part.fromPart, k.vertex);
  const fall: Vector = [turned ? 0 - x : x, y, z];
  const hook = hookDirection(fall, decision.entry);
  const order = nextOf(table.usedOfProduct, product.id);
  const section = ground.base.sections[ground.base.map.labels[under]];
  // Written out rather than spread: V8 lays such an object out ten times as fast.
  const knot: PlannedKnot = {
    kind: decision.kind,
    wraps: decision.wraps,
    lock: decision.lock,
    through: decision.through,
    holes: decision.holes,
    entry: decision.entry,
    backcomb: decision.backcomb,
    chain: decision.chain,
    id: at.ids[i],
    row: at.index,
    place: inRow.slice(0, i + 1).filter((other) => other.hand !== 'removed').length,
    hand: k.hand === 'moved' || k.hand === 'added' ? k.hand : undefined,
    xMm: k.xMm,
    yMm: k.yMm,
    zMm: k.zMm,
    normal: normalAt(head.mesh, k.vertex, turned),
    fromMiddleMm: at.planned.startMm + k.arcMm,
    zone,
    pieceZone,
    cut,
    exposed: exposed !== false,
    onNet: situation.capped ? situation.netHere : 'none',
    tenderOrThin: situation.tenderOrThin,
    anchorPlace: decision.kind === 'anchor' ? anchorPlaceOf(head.mark, k.xMm, k.yMm, k.zMm) : undefined,
    blending: situation.blending,
    biteMm: biteSideMm(decision.through, piece.massG, section?.biteMm2PerG ?? 0),
    massG: piece.massG,
    along: alongRow(inRow, i),
    hook,
    hookWords: directionWords(hook),
    where: whereOf(k, zone, table.context),
    aboveRowBeforeMm: aboveRowBefore(k, planned, at.index),
    piece: {
      product: product.id,
      pack: Math.floor(order / piece.perPack) + 1,
      number: (order % piece.perPack) + 1,
    },
    seconds: knotSeconds(decision, piece, inputs.pace, inputs.schools.prepare === 'pieceByPiece'),
  };
  return { knot, refused: decision.refused, wishes: hers.ids };
}

function situationOf(
  { inputs, ground, combs, deepest }: Table,
  { row, planned, inRow }: RowAtWork,
  i: number,
  here: {
    readonly exposed: KnotSituation['exposed'];
    readonly zone: KnotZone;
    readonly piece: HookedPiece;
    readonly product: Product;
    readonly under: number;
  },
): KnotSituation {
  const { head, spacing } = ground;
  const { product, piece } = here;
  const k = inRow[i];
  const fromHairline = head.scalp.fromHairline[k.vertex];
  const perimeter = fromHairline < 0.8 * spacing.gapMm;
  const isAnchorRow = row.kind === 'whole' && !row.curve.closed && ((deepest - row.quarter) / 4) % EVERY_OTHER === 0;
  return {
    texture: product.texture,
    canOneLeg: piece.canOneLeg,
    canLock: piece.canLock,
    threadLoop: product.loop === 'thread',
    loose: product.loop === 'none',
    slips: product.test.hooked === 'slips',
    clings: product.test.apart === 'clings',
    capped: inputs.cap.dome !== 'none',
    on: hookedOn(inputs, ground, row, here.under),
    netHere: ground.fromOpening ? netAt(ground.opening, ground.fromOpening[k.vertex]) : 'net',
    blending: isBlending(inputs.cap, here.zone, perimeter),
    exposed: here.exposed,
    secondRow: row.quarter > 0 && row.quarter <= 4,
    perimeter,
    anchorPlace:
      isAnchorRow &&
      holdsByPieces(inputs.cap) &&
      fromHairline < 1.2 * spacing.gapMm &&
      isEnd(planned, inRow, i) &&
      !heldByComb(combs, k.xMm, k.yMm, k.zMm),
    tenderOrThin: ground.isSore(here.under),
    schools: inputs.schools,
  };
}

/** Names count from the middle of the back outwards, over what was laid: hand changes rename no neighbour. */
function idsOf(row: PlannedRow, inRow: readonly LaidKnot[]): string[] {
  const laid = inRow.filter((k) => k.hand !== 'added');
  const at = laid.map((k) => ({ k, mm: row.startMm + (k.namedAtMm ?? k.arcMm) })).sort((a, b) => a.mm - b.mm);
  const names = new Map(
    knotIds(
      row.id,
      at.map((a) => a.mm),
    ).map((id, i) => [at[i].k, id]),
  );
  let added = 0;
  return inRow.map((k) => names.get(k) ?? `${row.id}-h${String(++added).padStart(2, '0')}`);
}

/** Places in a row in the order of work; from her left to her right unless something has to cover what comes before. */
function orderInRow(inputs: PlanInputs, row: Row, inRow: readonly LaidKnot[]): number[] {
  const order = Array.from(inRow.keys()).filter((i) => inRow[i].hand !== 'removed');
  if (row.kind === 'fringe') return order.sort((a, b) => Math.abs(inRow[a].xMm) - Math.abs(inRow[b].xMm));
  const backToFront = inputs.schools.exposed === 'backToFront' && inputs.schools.oneLeg === 'exposed';
  return row.besidePart && backToFront ? order.sort((a, b) => inRow[a].zMm - inRow[b].zMm) : order;
}

/** Rows with nothing above: beside the part, round the crown, or along the front where hair goes back from it. */
function exposure(
  inputs: PlanInputs,
  row: Row,
  k: LaidKnot,
  head: HeadStage,
  spacing: RowSpacing,
): KnotSituation['exposed'] {
  if (row.kind === 'front' || (row.kind === 'fringe' && row.quarter === -2)) return 'front';
  if (row.besidePart) return inputs.part.kind === 'crown' ? 'crown' : 'part';
  const goesBack = inputs.rows.scheme === 'straightBack' || inputs.rows.scheme === 'found';
  return goesBack && head.scalp.fromFrontHairline[k.vertex] < 0.7 * spacing.gapMm ? 'front' : false;
}

/** Wider than this a twist opens when it is hooked into, mm (guess). */
const WIDE_TWIST_MM = 9;

function hookedOn(inputs: PlanInputs, { base }: DecisionGround, row: Row, under: number): KnotSituation['on'] {
  const { scheme } = inputs.rows;
  if (scheme === 'grid') return 'band';
  if (scheme === 'rods') return 'rod';
  if (scheme === 'fromTie' && row.quarter === 0) return 'coil';
  if (inputs.cap.dome !== 'none') return 'scalp';
  const { family, found } = inputs.base;
  const twists = family === 'flatTwists' || family === 'behindPart' || (family === 'found' && found.what !== 'rows');
  return twists && (base.tails[base.map.labels[under]]?.thicknessMm ?? 0) > WIDE_TWIST_MM ? 'twist' : 'scalp';
}

/** From the neighbour on one side to that on the other. */
function alongRow(inRow: readonly LaidKnot[], i: number): Vector {
  const a = inRow[Math.max(0, i - 1)];
  const b = inRow[Math.min(inRow.length - 1, i + 1)];
  return unit([b.xMm - a.xMm, b.yMm - a.yMm, b.zMm - a.zMm]);
}

/** A wig has no anchors, unless a few pieces hold it. */
function holdsByPieces(cap: Cap): boolean {
  return !cap.wig || cap.wigHolds.includes('pieces');
}

function isBlending(cap: Cap, zone: KnotZone, perimeter: boolean): boolean {
  if (!cap.wig || cap.dome === 'none' || !perimeter) return false;
  const zones: Readonly<Record<Cap['blending'], KnotZone | undefined>> = {
    none: undefined,
    front: 'faceEdge',
    sides: 'side',
    nape: 'nape',
  };
  return zones[cap.blending] === zone;
}

function isEnd(row: PlannedRow, inRow: readonly LaidKnot[], i: number): boolean {
  if (row.closed) return false;
  const kept = Array.from(inRow.keys()).filter((n) => inRow[n].hand !== 'removed');
  return i === kept[0] || i === kept[kept.length - 1];
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

/** A knot or row is meant when it lies within this share of the spacing of the place told. */
const MEANT_WITHIN = 0.75;

interface Hers {
  readonly wish: WishAt['wish'];
  readonly cut: string | undefined;
  /** Id of each wish that is in it. */
  readonly ids: readonly string[];
}

const NO_WISH: Hers = { wish: {}, cut: undefined, ids: [] };

/** Wishes laid on the knots they mean; a knot's own comes after its row's, a row's after its zone's. */
function wishesOf(inputs: PlanInputs, ground: DecisionGround, laid: Laid, context: WhereContext) {
  const { knots } = laid;
  const hers = new Map<number, { wish: WishAt['wish']; ids: string[] }>();
  const lost: { id: string; why: string }[] = [];
  const reach = MEANT_WITHIN * ground.spacing.pitchMm;
  const give = (knot: number, { id, wish }: WishAt) => {
    const old = hers.get(knot);
    hers.set(knot, { wish: { ...old?.wish, ...wish }, ids: [...(old?.ids ?? []), id] });
  };
  const nearest = (at: readonly [number, number]) => {
    const place = onSurface(ground.head.shape, directionOf(at));
    let best = -1;
    let away = reach;
    knots.forEach((k, i) => {
      if (k.hand === 'removed') return;
      const d = distance([k.xMm, k.yMm, k.zMm], place);
      if (d >= away) return;
      away = d;
      best = i;
    });
    return best;
  };
  const rank = (w: WishAt) => ('zone' in w.of ? 0 : 'row' in w.of ? 1 : 2);
  for (const wish of [...inputs.knotWishes].sort((a, b) => rank(a) - rank(b))) {
    const { of } = wish;
    let met = 0;
    if ('zone' in of) {
      knots.forEach((k, i) => {
        const row = laid.rows[k.row];
        if (pieceZoneOf(zoneOf(k, row.besidePart, context)) !== of.zone) return;
        give(i, wish);
        met++;
      });
    } else {
      const found = nearest('row' in of ? of.row : of.knot);
      if (found >= 0) {
        knots.forEach((k, i) => {
          if ('row' in of ? k.row !== knots[found].row : i !== found) return;
          give(i, wish);
          met++;
        });
      }
    }
    if (met === 0) lost.push({ id: wish.id, why: 'there is no knot at that place any more' });
  }
  return {
    lost,
    of(knot: number): Hers {
      const found = hers.get(knot);
      if (!found) return NO_WISH;
      const { cut, ...wish } = found.wish;
      return { wish, cut, ids: found.ids };
    },
  };
}
