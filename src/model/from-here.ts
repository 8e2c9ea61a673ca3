/** A new plan from here: rows that are in stay as they lie, the rest is laid for the hair, the time or the fullness that is left. */
import { dequal } from 'dequal';
import { type DirectionDeg, directionDeg } from '../core/head/index.ts';
import type { PlannedKnot, PlannedRow } from '../core/knots/index.ts';
import {
  fingersFigure,
  PIECE_ZONES,
  type PieceZone,
  ROW_LIMITS,
  SPACING_LIMITS_FINGERS,
  type SpacingZone,
  ZONES,
} from '../core/trade/index.ts';
import { splitZones } from './cap-and-hair.ts';
import { freshId } from './ids.ts';
import { addMark } from './measure-commands.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { lineToKeep } from './rows-by-hand.ts';
import { setSpacing } from './spacing-commands.ts';
import { fingerMm } from './to-inputs.ts';

/** The plan so far: its rows, its knots, and which of these are in. */
export interface SoFar {
  readonly rows: readonly PlannedRow[];
  readonly knots: readonly PlannedKnot[];
  readonly isIn: ReadonlySet<string>;
  /** As they are, by zone, hers or left to the hair. */
  readonly fingers: Readonly<Record<SpacingZone, number>>;
}

/** One way on, in steps from mild to strong; each step in variants that differ only in where the next row begins. */
export interface WayOn {
  readonly key: string;
  readonly name: string;
  readonly why: string;
  readonly steps: ReadonlyArray<{ readonly words: string; readonly variants: readonly PlanDocument[] }>;
}

/** Rows of these kinds lie where a field has them; all others follow what is there, and stay by themselves. */
const LAID_BY_FIELD: ReadonlySet<PlannedRow['kind']> = new Set(['whole', 'short', 'front']);
/** A row keeps others off by so much of its own gap. */
const KEEPS_OFF = 0.55;
/** Every row of which a knot is in stays: its line and its knots. Gaps that were left to the hair are held as they are, or finer pieces would move them. */
export function keptSoFar(begun: PlanDocument, soFar: SoFar): PlanDocument {
  const { plan } = setSpacing(begun, soFar.fingers);
  let hand = plan.rows.hand;
  for (const row of soFar.rows) {
    const knots = soFar.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
    if (!knots.some((k) => soFar.isIn.has(k.id))) continue;
    if (LAID_BY_FIELD.has(row.kind) && !row.locked) {
      const closesMm = Math.min(60, Math.round(10 * KEEPS_OFF * gapOf(knots, soFar, fingerMm(begun))) / 10);
      hand = [
        ...hand,
        { id: freshId('h', hand), op: 'lock', line: lineToKeep(row), knots: knots.map(placeOf), closesMm },
      ];
    }
  }
  return { ...plan, rows: { ...plan.rows, hand } };
}

/** Where pieces change from here, rows of which a knot is in keep theirs. */
function keepingCuts(plan: PlanDocument, soFar: SoFar): PlanDocument {
  let { knotWishes } = plan;
  for (const row of soFar.rows) {
    const knots = soFar.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
    if (!knots.some((k) => soFar.isIn.has(k.id))) continue;
    for (const { at, cut } of cutsOf(knots)) {
      const others = knotWishes.filter((w) => !dequal(w.of, at));
      const before = knotWishes.find((w) => dequal(w.of, at))?.wish;
      knotWishes = [...others, { id: freshId('w', knotWishes), of: at, wish: { ...before, cut } }];
    }
  }
  return { ...plan, knotWishes };
}

/** From one row to the next, as it was laid. */
function gapOf(knots: readonly PlannedKnot[], { fingers }: SoFar, finger: number): number {
  const above = knots.flatMap((k) => (k.aboveRowBeforeMm === undefined ? [] : [k.aboveRowBeforeMm]));
  if (above.length > 0) return above.reduce((a, b) => a + b, 0) / above.length;
  return finger * Math.min(...ZONES.map((z) => fingers[z]));
}

const placeOf = (k: PlannedKnot): DirectionDeg => directionDeg([k.xMm, k.yMm, k.zMm]);

/** What most of a row is hooked with, said of the row; the others knot by knot. */
function cutsOf(knots: readonly PlannedKnot[]) {
  const counts = new Map<string, PlannedKnot[]>();
  for (const k of knots) counts.set(k.cut, [...(counts.get(k.cut) ?? []), k]);
  const [[most, of], ...others] = [...counts].sort((a, b) => b[1].length - a[1].length);
  return [
    { at: { row: placeOf(of[0]) }, cut: most },
    ...others.flatMap(([cut, ks]) => ks.map((k) => ({ at: { knot: placeOf(k) }, cut }))),
  ];
}

const QUARTER = 0.25;
const MOST_STEPS = 8;
/** Where the first new row lies hangs on where rows are counted from: a quarter of a gap one way or the other. */
function shifted(plan: PlanDocument): PlanDocument[] {
  const [least, most] = ROW_LIMITS.offset;
  return [0, most, least].map((offset) => ({ ...plan, rows: { ...plan.rows, offset } }));
}

/** Rows that follow what is there, bands, rods, twists, can't be locked: another gap would move what is in on them. */
const canChangeGaps = ({ rows, knots, isIn }: SoFar): boolean =>
  rows.every(
    (row) =>
      LAID_BY_FIELD.has(row.kind) ||
      row.kind === 'fringe' ||
      row.kind === 'border' ||
      !knots.slice(row.firstKnot, row.firstKnot + row.knotCount).some((k) => isIn.has(k.id)),
  );

/** Zones in which something is to come. */
function zonesToCome({ knots, isIn }: SoFar): PieceZone[] {
  const open = new Set(knots.filter((k) => !isIn.has(k.id)).map((k) => k.pieceZone));
  return PIECE_ZONES.filter((z) => open.has(z));
}

function gaps(
  kept: PlanDocument,
  soFar: SoFar,
  zones: readonly SpacingZone[],
  name: string,
  sign: 1 | -1,
): WayOn['steps'] {
  const steps: Array<WayOn['steps'][number]> = [];
  if (!canChangeGaps(soFar)) return steps;
  const [least, most] = SPACING_LIMITS_FINGERS;
  for (let k = 1; k <= (sign > 0 ? MOST_STEPS : 3); k++) {
    const next = Object.fromEntries(
      ZONES.map((z) => {
        const now = soFar.fingers[z];
        return [z, zones.includes(z) ? Math.max(least, Math.min(most, now + sign * k * QUARTER)) : now];
      }),
    ) as Record<SpacingZone, number>;
    if (zones.every((z) => next[z] === soFar.fingers[z])) break;
    steps.push({
      words: `${name}, by ${fingersFigure(k * QUARTER)}`,
      variants: shifted(setSpacing(kept, next).plan),
    });
  }
  return steps;
}

const isZone = (z: string): z is SpacingZone => (ZONES as readonly string[]).includes(z);

/** Ways to do with what is left, of hair or of time. @param plan as it was begun */
export function waysOn(plan: PlanDocument, soFar: SoFar): WayOn[] {
  const kept = keptSoFar(plan, soFar);
  const open = zonesToCome(soFar);
  const openZones = open.filter(isZone);
  const under = openZones.filter((z) => z === 'back' || z === 'nape');
  const ways: WayOn[] = [
    {
      key: 'wider',
      name: 'Wider gaps from here',
      why: 'Fewer knots and fewer minutes; the rows to come hide less.',
      steps: gaps(kept, soFar, openZones, 'Wider gaps from here', 1),
    },
    ...(under.length > 0 && under.length < openZones.length
      ? [
          {
            key: 'widerUnder',
            name: 'Wider where much falls over it',
            why: 'The front stays as planned; hair from above hangs over the wider rows.',
            steps: gaps(kept, soFar, under, 'Wider where much falls over it', 1),
          },
        ]
      : []),
    // A clear gap grows and shrinks with its piece: what is in on bands and rods would move with it.
    ...(canChangeGaps(soFar) || plan.spacing.said === 'centres' ? [finerFrom(keepingCuts(kept, soFar), open)] : []),
    laterFrom(kept),
  ];
  return ways.filter((w) => w.steps.length > 0);
}

/** Ways to more or to less of it, where it turns out too thin or too full. */
export function otherFullness(plan: PlanDocument, soFar: SoFar): WayOn[] {
  const kept = keptSoFar(plan, soFar);
  const zones = zonesToCome(soFar).filter(isZone);
  return [
    {
      key: 'closer',
      name: 'Closer rows from here',
      why: 'Hides more; takes more hair and more time.',
      steps: gaps(kept, soFar, zones, 'Closer rows from here', -1).slice(0, 1),
    },
    {
      key: 'thinner',
      name: 'Wider rows from here',
      why: 'Lighter and flatter; too full happens as often as too thin.',
      steps: gaps(kept, soFar, zones, 'Wider rows from here', 1).slice(0, 1),
    },
  ].filter((w) => w.steps.length > 0);
}

function finerFrom(kept: PlanDocument, open: readonly PieceZone[]): WayOn {
  const cuts = open.map((z) => kept.cuts.find((c) => c.id === kept.pieces[z].cut));
  const now = Math.min(...cuts.map((c) => c?.split ?? 1));
  const strands = Math.min(...cuts.map((c) => kept.products.find((p) => p.id === c?.product)?.strandsPerPiece ?? 1));
  const steps = ([2, 4, 8, 16] as const)
    .filter((s) => s > now && s <= 4 * now && s <= strands)
    .map((split) => ({
      words: `Finer pieces from here, split in ${split}`,
      variants: [splitZones(kept, open, split, '').plan],
    }));
  return {
    key: 'finer',
    name: 'Finer pieces from here',
    why: 'Every knot stays in its place, with half of the hair: lighter and thinner, and the splitting takes time.',
    steps: open.length > 0 ? steps : [],
  };
}

function laterFrom(kept: PlanDocument): WayOn {
  const words = 'The second pass another day';
  return {
    key: 'later',
    name: words,
    why: 'A finished style may be opened again for additions.',
    steps:
      kept.rows.secondPass === 'none'
        ? []
        : [{ words, variants: [{ ...kept, rows: { ...kept.rows, secondPass: 'none' as const } }] }],
  };
}

/** She placed it differently: the rest at the gaps that her rows have, or with another hair. */
export function asPlaced(
  plan: PlanDocument,
  soFar: SoFar,
  placed: { readonly fingers?: number; readonly product?: string },
): WayOn | undefined {
  let kept = keptSoFar(plan, soFar);
  const words: string[] = [];
  if (placed.product !== undefined) {
    const cut = kept.cuts.find((c) => c.product === placed.product);
    if (!cut) return undefined;
    const pieces = { ...kept.pieces };
    for (const zone of zonesToCome(soFar)) pieces[zone] = { cut: cut.id };
    kept = { ...keepingCuts(kept, soFar), pieces };
    words.push(`the rest with ${cut.name}`);
  }
  const fingers = canChangeGaps(soFar) ? placed.fingers : undefined;
  const variants = fingers === undefined ? [kept] : shifted(setSpacing(kept, atGap(soFar, fingers)).plan);
  if (fingers !== undefined)
    words.push(`rows ${fingersFigure(fingers)} ${fingers > 1 ? 'fingers' : 'of a finger'} apart`);
  if (words.length === 0) return undefined;
  return {
    key: 'placed',
    name: 'As you placed it',
    why: 'What is in stays; what is to come follows it.',
    steps: [{ words: `As placed: ${words.join(', ')}`, variants }],
  };
}

/** Zones keep to each other as they did. */
function atGap({ fingers }: SoFar, said: number): Record<SpacingZone, number> {
  const [least, most] = SPACING_LIMITS_FINGERS;
  const scale = said / fingers.back;
  const at = (z: SpacingZone) => Math.max(least, Math.min(most, Math.round(20 * fingers[z] * scale) / 20));
  return Object.fromEntries(ZONES.map((z) => [z, at(z)])) as Record<SpacingZone, number>;
}

/** A sore place: knots to come there go through the net, if there is one. Knots that are in stay. */
export function sparing(plan: PlanDocument, soFar: SoFar, at: DirectionDeg, radiusMm: number): PlanChange {
  const kept = keptSoFar(plan, soFar);
  const marked = addMark(kept, { kind: 'tender', erase: false, place: { stroke: { points: [at], radiusMm } } });
  return { words: 'Spared where it hurts', plan: marked.plan };
}

/** One more knot where a gap is. */
export function filledAt(plan: PlanDocument, soFar: SoFar, at: DirectionDeg): PlanChange {
  const kept = keptSoFar(plan, soFar);
  const hand = [...kept.rows.hand, { id: freshId('h', kept.rows.hand), op: 'add' as const, at }];
  return { words: 'A piece where the gap is', plan: { ...kept, rows: { ...kept.rows, hand } } };
}

/** A row that was kept once is laid again a little elsewhere: its knots are known within so much, degrees. */
const SAME_DEG = 3;

/** A knot that she set elsewhere. @returns undefined where it sits on what is there, which no plan moves */
export function setElsewhere(
  plan: PlanDocument,
  soFar: SoFar,
  from: DirectionDeg,
  to: DirectionDeg,
): PlanChange | undefined {
  const kept = keptSoFar(plan, soFar);
  const away = (d: DirectionDeg) => (d[0] - from[0]) ** 2 + (d[1] - from[1]) ** 2;
  const locked = kept.rows.hand.flatMap((h) => (h.op === 'lock' ? h.knots : []));
  const nearest = locked.reduce<DirectionDeg | undefined>((a, d) => (a && away(a) <= away(d) ? a : d), undefined);
  if (!nearest || away(nearest) > SAME_DEG ** 2) return undefined;
  const hand = kept.rows.hand.map((h) =>
    h.op === 'lock' ? { ...h, knots: h.knots.map((k) => (k === nearest ? to : k)) } : h,
  );
  return { words: 'A knot set elsewhere', plan: { ...kept, rows: { ...kept.rows, hand } } };
}

/** As many as can be hooked in a quarter of an hour or so. */
const MOST_IN_LAYER = 24;

/** Another layer beside the part: a piece between every two that lie beside it, nearest to the front first. */
export function layerAtPart(plan: PlanDocument, soFar: SoFar): PlanChange {
  const kept = keptSoFar(plan, soFar);
  const beside = soFar.rows.flatMap((row) => {
    const knots = soFar.knots.slice(row.firstKnot, row.firstKnot + row.knotCount).sort((a, b) => a.place - b.place);
    return knots
      .slice(1)
      .flatMap((k, i) => (k.zone === 'part' && knots[i].zone === 'part' ? [middle(knots[i], k)] : []));
  });
  const forwards = beside.sort((a, b) => b[2] - a[2]).slice(0, MOST_IN_LAYER);
  let { hand } = kept.rows;
  for (const at of forwards) hand = [...hand, { id: freshId('h', hand), op: 'add', at: directionDeg(at) }];
  return { words: 'Another layer beside the part', plan: { ...kept, rows: { ...kept.rows, hand } } };
}

const middle = (a: PlannedKnot, b: PlannedKnot) =>
  [(a.xMm + b.xMm) / 2, (a.yMm + b.yMm) / 2, (a.zMm + b.zMm) / 2] as const;
