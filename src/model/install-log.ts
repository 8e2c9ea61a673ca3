/** Install sessions and the log: append-only events with the plan as it was, and one line when it is done. */
import { type InstallEvent, inOrder } from '../core/install/index.ts';
import type { NextWish } from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';

export interface InstallSession {
  readonly id: string;
  readonly planId: string;
  readonly startedAtMs: number;
  /** The plan as it was when she began: later changes to it don't move knots under her hands. */
  readonly plan: PlanDocument;
  readonly finished: 0 | 1;
  /** How many the plan had then. */
  readonly knots?: number;
  /** The day on which it came off, once it has. */
  readonly takenOutAtMs?: number;
  /** When what was worth keeping went back to the stash, once it has. */
  readonly keptAtMs?: number;
}

export interface StoredInstallEvent extends InstallEvent {
  readonly seq?: number;
  readonly sessionId: string;
  /** Of a new plan from here on. */
  readonly plan?: PlanDocument;
}

/** The plan that an install follows now: the one that it began with, or the newest that was taken on the way. */
export function planOf(session: InstallSession, events: readonly StoredInstallEvent[]): PlanDocument {
  const taken = inOrder(events).findLast((e) => e.kind === 'plan') as StoredInstallEvent | undefined;
  return taken?.plan ?? session.plan;
}

export interface LogEntry {
  readonly id: string;
  readonly planId: string;
  readonly sessionId?: string;
  readonly planName: string;
  readonly atMs: number;
  readonly line: string;
  /** What she would have otherwise next time. */
  readonly wishes?: readonly NextWish[];
  /** Hair that would have been right, over what was used. */
  readonly enough?: number;
  readonly planned: LogFigures;
  readonly used: LogFigures;
  /** Renewals while it was worn, whose pieces are out of the stash. */
  readonly renewed?: ReadonlyArray<{ readonly atMs: number; readonly pieces: number }>;
  /** Written as the install was finished, from what was counted: she has not seen to it yet. */
  readonly byItself?: 1;
  /** Lots of the stash before and after, so that it can be put right. */
  readonly taken?: ReadonlyArray<{ readonly id: string; readonly before: LotCount; readonly after: LotCount }>;
  /** What came back to the stash. */
  readonly back?: ReadonlyArray<{ readonly name: string; readonly packs: number; readonly pieces: number }>;
}

interface LotCount {
  readonly packs: number;
  readonly loose: number;
}

export interface LogFigures {
  readonly knots: number;
  readonly pieces: number;
  readonly packs: number;
  readonly minutes: number;
  readonly price: number;
}
