/** What a style really was, row by row: folded from its events, held against the plan that was followed last. */
import { type CountedRow, inColumns, type TimedColumns, type TimedKnots } from '../hands/index.ts';
import type { InstallState, Timed } from '../install/index.ts';
import type { PlannedKnot, PlannedRow } from '../knots/index.ts';
import type { KnotKind, KnotZone } from '../trade/index.ts';

export interface StyleRow {
  readonly id: string;
  readonly label: string;
  readonly zone: KnotZone;
  readonly side: CountedRow['side'];
  /** Knots that were planned, and those that are in. */
  readonly planned: number;
  readonly knots: number;
  /** Pieces that it took; counted by her where she counted, else one a knot. */
  readonly pieces: number;
  readonly isCounted: boolean;
  /** From knot to knot, mm: as planned, and as her count makes it. */
  readonly plannedMm: number;
  readonly hookedMm: number;
  /** Of the knots that were timed: how many, what they took, what common practice tells for them. */
  readonly timedKnots: number;
  readonly seconds: number;
  readonly plainSeconds: number;
}

export interface StyleFigures {
  readonly rows: readonly StyleRow[];
  readonly timed: TimedColumns;
  readonly knots: number;
  readonly leftEmpty: number;
  readonly pieces: number;
  /** Hooked pieces that come out of a pack. */
  readonly piecesPerPack: number;
}

interface Followed {
  readonly rows: readonly PlannedRow[];
  readonly knots: readonly PlannedKnot[];
  readonly supply: { readonly piecesPerPack: number };
}

export function styleFigures({ rows, knots, supply }: Followed, state: InstallState): StyleFigures {
  const byId = new Map(knots.map((k) => [k.id, k]));
  const isIn = new Map(state.done.map((d) => [d.knotId, !d.skipped]));
  const timed = state.timed.flatMap((t) => timedKnots(t, byId));
  return {
    rows: rows.flatMap((row, i) => styleRow(row, i, knots, byId, isIn, state)),
    timed: inColumns(timed),
    knots: state.done.filter((d) => !d.skipped).length,
    leftEmpty: state.done.filter((d) => d.skipped).length,
    pieces: state.piecesFirst,
    piecesPerPack: supply.piecesPerPack,
  };
}

/** Knots told together are of the kind and the place that most of them have. */
function timedKnots({ knotIds, seconds, afterSeconds }: Timed, byId: ReadonlyMap<string, PlannedKnot>): TimedKnots[] {
  const there = knotIds.flatMap((id) => byId.get(id) ?? []);
  // One of a plan that was given up on the way is of no kind that is known any more.
  if (there.length === 0 || there.length < knotIds.length) return [];
  return [
    {
      kind: mostOf<KnotKind>(there.map((k) => k.kind)),
      zone: mostOf<KnotZone>(there.map((k) => k.zone)),
      knots: there.length,
      seconds,
      plainSeconds: there.reduce((sum, k) => sum + k.plainSeconds, 0),
      hoursOn: afterSeconds / 3600,
    },
  ];
}

function mostOf<T>(values: readonly T[]): T {
  const counts = new Map<T, number>();
  for (const v of values) counts.set(v, (counts.get(v) ?? 0) + 1);
  return [...counts].reduce((most, c) => (c[1] > most[1] ? c : most))[0];
}

/** Of a row that lies on one side by so much it is told as of that side. */
const ON_ONE_SIDE = 0.8;

function sideOf(knots: readonly PlannedKnot[]): CountedRow['side'] {
  const left = knots.filter((k) => k.xMm > 0).length / knots.length;
  return left >= ON_ONE_SIDE ? 'left' : left <= 1 - ON_ONE_SIDE ? 'right' : 'both';
}

function styleRow(
  row: PlannedRow,
  index: number,
  all: readonly PlannedKnot[],
  byId: ReadonlyMap<string, PlannedKnot>,
  isIn: ReadonlyMap<string, boolean>,
  { counted, timed }: InstallState,
): StyleRow[] {
  const own = all.filter((k) => k.row === index);
  if (own.length === 0) return [];
  const ids = new Set(own.map((k) => k.id));
  const knots = own.filter((k) => isIn.get(k.id)).length;
  // A count of a stretch is shared out by its knots.
  let more = 0;
  let countedKnots = 0;
  for (const c of counted) {
    const here = c.knotIds.filter((id) => ids.has(id)).length;
    more += ((c.pieces - c.knots) * here) / c.knots;
    countedKnots += here;
  }
  const pieces = Math.max(0, Math.round(knots + more));
  const of = timed.filter((t) => t.knotIds.length > 0 && t.knotIds.every((id) => ids.has(id)));
  const plannedMm = row.lengthMm / Math.max(1, row.closed ? own.length : own.length - 1);
  return [
    {
      id: row.id,
      label: row.label,
      zone: mostOf(own.map((k) => k.zone)),
      side: sideOf(own),
      planned: own.length,
      knots,
      pieces,
      isCounted: countedKnots > 0,
      plannedMm,
      hookedMm: pieces > 0 && knots > 0 ? (plannedMm * knots) / pieces : plannedMm,
      timedKnots: of.reduce((sum, t) => sum + t.knotIds.length, 0),
      seconds: of.reduce((sum, t) => sum + t.seconds, 0),
      plainSeconds: of.reduce(
        (sum, t) => sum + t.knotIds.reduce((s, id) => s + (byId.get(id)?.plainSeconds ?? 0), 0),
        0,
      ),
    },
  ];
}

/** Rows that were counted, as her spacing is learned from. */
export const countedRows = ({ rows }: Pick<StyleFigures, 'rows'>): CountedRow[] =>
  rows
    .filter((r) => r.isCounted && r.knots > 0 && r.pieces > 0)
    .map(({ knots, pieces, side }) => ({ gaps: knots, hookedOverPlanned: knots / pieces, side }));
