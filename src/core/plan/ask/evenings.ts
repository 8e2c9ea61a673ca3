/** The work of a plan over the evenings that she has for it: what falls on which, when it is done, and what a date would ask. */
import {
  daysLater,
  type Evening,
  type EveningHabit,
  eveningFor,
  latestStart,
  overEvenings,
  type Task,
  workDays,
  workDaysUntil,
} from '../../time/index.ts';
import type { StepKind, Weekday } from '../../trade/index.ts';
import type { Plan } from '../result.ts';

/** Days as "2026-12-05"; minutes after midnight for the hour. */
export interface EveningsWish extends EveningHabit {
  readonly first: string;
  readonly startsAt: number;
  readonly days: readonly Weekday[];
  readonly finishBy?: string;
}

export interface DatedEvening extends Evening {
  readonly day: string;
}

export interface FinishBy {
  readonly day: string;
  /** Evenings that lie before it. */
  readonly evenings: number;
  /** As forecast, and if she is as slow as is likely. */
  readonly likely: Reach;
  readonly slow: Reach;
}

export interface Reach {
  readonly inTime: boolean;
  /** Shortest evening that does it, minutes; undefined where none does. */
  readonly minutes: number | undefined;
  /** The latest day to begin on, with evenings as she has them. */
  readonly beginBy: string;
}

export interface EveningsPlan {
  readonly evenings: readonly DatedEvening[];
  readonly workMinutes: number;
  readonly breakMinutes: number;
  readonly waitMinutes: number;
  /** How many evenings if she is as quick, and as slow, as is likely. */
  readonly countRange: readonly [low: number, high: number];
  readonly doneOn: string;
  readonly doneRange: readonly [early: string, late: string];
  readonly finishBy: FinishBy | undefined;
}

type Work = Pick<Plan, 'base' | 'worklist' | 'rows' | 'time'>;

/** Nobody stops in the middle of a row; bundles can be put down after each of them. */
export function tasksOf({ base, worklist, rows }: Work): Task[] {
  const laying = base.work.map((w) => ({ what: w.what, minutes: w.minutes, waitMinutes: 0 }));
  const hooking = worklist.flatMap((step): Task[] => {
    const parts = step.knots ? rowParts(step.knots, rows) : bundleParts(step.kind, step.minutes);
    return parts.map((share, i) => ({
      what: step.what,
      minutes: step.minutes * share,
      waitMinutes: i === parts.length - 1 ? step.waitMinutes : 0,
    }));
  });
  return [...laying, ...hooking];
}

function rowParts([from, to]: readonly [number, number], rows: Work['rows']): number[] {
  const inStep = rows.filter((r) => r.knotCount > 0 && r.firstKnot >= from && r.firstKnot + r.knotCount <= to);
  const counted = inStep.reduce((sum, r) => sum + r.knotCount, 0);
  return counted === to - from && counted > 0 ? inStep.map((r) => r.knotCount / counted) : [1];
}

/** What is done piece by piece, and about how long a bundle of them takes, minutes. */
const BY_BUNDLES: ReadonlySet<StepKind> = new Set(['prepare', 'open', 'smooth', 'finish']);
const BUNDLE_MINUTES = 10;

function bundleParts(kind: StepKind, minutes: number): number[] {
  const bundles = BY_BUNDLES.has(kind) ? Math.max(1, Math.round(minutes / BUNDLE_MINUTES)) : 1;
  return new Array(bundles).fill(1 / bundles);
}

/** @throws RangeError where the wish leaves no day or no minute to work in */
export function eveningsOf(plan: Work, wish: EveningsWish): EveningsPlan {
  const tasks = tasksOf(plan);
  const [low, high] = plan.time.range.map((m) => (plan.time.totalMinutes > 0 ? m / plan.time.totalMinutes : 1));
  const [likely, quick, slow] = [1, low, high].map((factor) => overEvenings(tasks, wish, factor));
  const days = workDays(wish.first, wish.days, Math.max(1, slow.length));
  const last = (evenings: readonly Evening[]) => days[Math.max(0, evenings.length - 1)];
  const sum = (of: (e: Evening) => number) => likely.reduce((total, e) => total + of(e), 0);
  return {
    evenings: likely.map((e, i) => ({ day: days[i], ...e })),
    workMinutes: sum((e) => e.workMinutes),
    breakMinutes: sum((e) => e.breakMinutes),
    waitMinutes: sum((e) => e.waitMinutes),
    countRange: [quick.length, slow.length],
    doneOn: last(likely),
    doneRange: [last(quick), last(slow)],
    finishBy: wish.finishBy === undefined ? undefined : finishBy(tasks, wish, wish.finishBy, [likely, slow], high),
  };
}

function finishBy(
  tasks: readonly Task[],
  wish: EveningsWish,
  day: string,
  [likely, slow]: readonly (readonly Evening[])[],
  high: number,
): FinishBy {
  const evenings = workDaysUntil(wish.first, day, wish.days);
  const reach = (laid: readonly Evening[], factor: number): Reach => ({
    inTime: laid.length <= evenings,
    minutes: eveningFor(tasks, evenings, wish, factor),
    beginBy: latestStart(day, wish.days, laid.length),
  });
  return { day, evenings, likely: reach(likely, 1), slow: reach(slow, high) };
}

/** The day to take it out on, so many days after it was done. */
export const takedownDay = (doneOn: string, wornDays: number) => daysLater(doneOn, wornDays);
