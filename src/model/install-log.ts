/** Install sessions and the log: append-only events with the plan as it was, and one line when it is done. */
import type { InstallEventKind } from '../core/install/index.ts';
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
}

export interface StoredInstallEvent {
  readonly seq?: number;
  readonly sessionId: string;
  /** Its own, so that an event on its way is known again in the store. */
  readonly key?: string;
  readonly kind: InstallEventKind;
  readonly atMs: number;
  readonly knotId?: string;
  readonly text?: string;
}

export interface LogEntry {
  readonly id: string;
  readonly planId: string;
  readonly sessionId?: string;
  readonly planName: string;
  readonly atMs: number;
  readonly line: string;
  readonly planned: LogFigures;
  readonly used: LogFigures;
  /** What came back to the stash. */
  readonly back?: ReadonlyArray<{ readonly name: string; readonly packs: number; readonly pieces: number }>;
}

export interface LogFigures {
  readonly knots: number;
  readonly pieces: number;
  readonly packs: number;
  readonly minutes: number;
  readonly price: number;
}
