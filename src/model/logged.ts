/** What a style of the log comes to, as one line of figures: what was written, what was folded from its events, what its days say. */
import { type WornFor, wornFor } from '../core/log/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import type { LogEntry } from './install-log.ts';

/** A style as it is kept. */
export interface KeptStyle {
  readonly id: string;
  readonly entry: LogEntry;
  readonly session: { readonly takenOutAtMs: number | undefined } | undefined;
  readonly style:
    | {
        readonly finishedAtMs: number;
        readonly isOffAtNight: boolean;
        readonly piecesPerPack: number;
        readonly timedKnots: number;
        readonly seconds: number;
      }
    | undefined;
  readonly wear: readonly WearEvent[];
}

export interface StyleLine extends WornFor {
  readonly id: string;
  readonly name: string;
  readonly atMs: number;
  readonly pieces: number;
  readonly plannedPieces: number;
  readonly minutes: number;
  /** Mean of the knots that were timed, s; undefined where none was. */
  readonly secondsAKnot: number | undefined;
  /** Pieces left of the packs that were opened; undefined where that was not folded. */
  readonly leftOver: number | undefined;
  readonly price: number;
  readonly costADay: number | undefined;
  readonly costAWearing: number | undefined;
  readonly line: string;
}

/** @param dayOf the day of a moment where she is, "2026-12-05" */
export function styleLine(
  { id, entry, session, style, wear }: KeptStyle,
  today: string,
  dayOf: (atMs: number) => string,
): StyleLine {
  const { used, planned } = entry;
  const out = session?.takenOutAtMs;
  const worn = wornFor(
    dayOf(style?.finishedAtMs ?? entry.atMs),
    out === undefined ? undefined : dayOf(out),
    // Of a line whose install is gone nobody knows how long it was worn.
    session ? today : dayOf(entry.atMs),
    style?.isOffAtNight ?? false,
    wear,
  );
  const renewed = entry.renewed?.reduce((sum, r) => sum + r.pieces, 0) ?? 0;
  return {
    ...worn,
    id,
    name: entry.planName,
    atMs: entry.atMs,
    pieces: used.pieces + renewed,
    plannedPieces: planned.pieces,
    minutes: used.minutes,
    secondsAKnot: style && style.timedKnots > 0 ? style.seconds / style.timedKnots : undefined,
    leftOver: style ? Math.max(0, Math.floor(used.packs * style.piecesPerPack) - used.pieces) : undefined,
    price: used.price,
    costADay: used.price > 0 ? used.price / worn.days : undefined,
    costAWearing: used.price > 0 ? used.price / worn.wearings : undefined,
    line: entry.line,
  };
}
