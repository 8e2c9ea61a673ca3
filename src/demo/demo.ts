/** Everything the demo starts with: plans, one install left half-way, one finished, and its line in the log. */

import { formatISO } from 'date-fns';
import { planWithFindings } from '../core/findings/index.ts';
import { type OrderStep, orderOfWork } from '../core/install/index.ts';
import { seededRandom } from '../core/numerics/index.ts';
import { type PlanGraph, planGraph } from '../core/plan/index.ts';
import type { WearKind, WearPlace } from '../core/trade/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';
import type { PlanDocument } from '../model/plan.ts';
import { planInputs } from '../model/to-inputs.ts';
import { pastStyles } from './past.ts';
import { demoPlans, shoulderCurls, sweptCoils } from './plans.ts';
import { type DemoStash, demoStash } from './stash.ts';

export interface DemoBundle {
  readonly plans: readonly PlanDocument[];
  readonly sessions: readonly InstallSession[];
  readonly events: readonly StoredInstallEvent[];
  readonly log: readonly LogEntry[];
  /** What was noted of the days on which the finished one is worn. */
  readonly wear: ReadonlyArray<WearEvent & { readonly sessionId: string }>;
  /** Hair of the wearer, and things. */
  readonly stash: DemoStash;
}

const DAY_MS = 86_400_000;
const WORN_DAYS = 12;

export function demoBundle(nowMs: number, seed = 7): DemoBundle {
  const random = seededRandom(seed);
  const graph = planGraph();
  const half = halfDone(graph, nowMs - 2 * DAY_MS, random);
  const finished = finishedInstall(graph, nowMs - WORN_DAYS * DAY_MS, random);
  const past = pastStyles(graph, nowMs, random);
  return {
    plans: demoPlans,
    sessions: [half.session, finished.session, ...past.sessions],
    events: [
      half.events,
      finished.events,
      ...past.sessions.map((s) => past.events.filter((e) => e.sessionId === s.id)),
    ].flatMap(numbered),
    log: [finished.entry, ...past.log],
    wear: [...wornDays(finished.session.id, nowMs - WORN_DAYS * DAY_MS), ...past.wear],
    stash: demoStash,
  };
}

/** Day, what was noted, and where. */
const NOTED: ReadonlyArray<readonly [day: number, what: WearKind, place?: WearPlace]> = [
  [1, 'compliments'],
  [2, 'sore', 'leftTemple'],
  [4, 'uncovered'],
  [5, 'fuzz', 'nape'],
  [5, 'tidied'],
  [7, 'rained'],
  [9, 'washed'],
  [10, 'slip', 'front'],
];

function wornDays(sessionId: string, finishedMs: number): DemoBundle['wear'] {
  return NOTED.map(([after, what, place], i) => {
    const atMs = finishedMs + after * DAY_MS + i;
    const day = formatISO(atMs, { representation: 'date' });
    return { sessionId, key: `${sessionId}-day-${i}`, atMs, day, what, ...(place ? { place } : {}) };
  });
}

/** As a device would have written them: each with its key, in their order. */
const numbered = (events: readonly StoredInstallEvent[]): StoredInstallEvent[] =>
  events.map((e, n) => ({ ...e, n, key: `${e.sessionId}-${n}` }));

function knotEvents(
  sessionId: string,
  ids: readonly string[],
  seconds: readonly number[],
  startMs: number,
  random: () => number,
  order: readonly OrderStep[] = [],
) {
  const events: StoredInstallEvent[] = [{ sessionId, kind: 'start', atMs: startMs }];
  let at = startMs;
  let step = 0;
  /** Steps other than knots that come before one. */
  const stepsBefore = (knotId: string) => {
    for (; step < order.length && !order[step].knotIds?.includes(knotId); step++) {
      if (order[step].knotIds) continue;
      at += 60_000 * Math.min(4, order[step].minutes);
      events.push({ sessionId, kind: 'step', atMs: Math.round(at), stepId: order[step].id, outcome: 'done' });
    }
  };
  ids.forEach((knotId, i) => {
    if (order.length > 0) stepsBefore(knotId);
    at += 1000 * seconds[i] * (0.75 + 0.6 * random());
    events.push({ sessionId, kind: 'knot', atMs: Math.round(at), knotId });
  });
  return { events, endMs: Math.round(at) };
}

function halfDone(graph: PlanGraph, startMs: number, random: () => number) {
  const plan = planWithFindings(graph, planInputs(shoulderCurls));
  const session: InstallSession = {
    id: 'demo-install-half',
    planId: shoulderCurls.id,
    startedAtMs: startMs,
    plan: shoulderCurls,
    finished: 0,
    knots: plan.knots.length,
  };
  const done = plan.knots.slice(0, Math.round(plan.knots.length * 0.44));
  const { events, endMs } = knotEvents(
    session.id,
    done.map((k) => k.id),
    done.map((k) => k.seconds),
    startMs,
    random,
    orderOfWork(plan),
  );
  events.push({
    sessionId: session.id,
    kind: 'note',
    atMs: endMs + 4000,
    text: 'Right side of the nape is tighter than the left.',
  });
  events.push({ sessionId: session.id, kind: 'pause', atMs: endMs + 9000 });
  return { session, events };
}

function finishedInstall(graph: PlanGraph, startMs: number, random: () => number) {
  const plan = planWithFindings(graph, planInputs(sweptCoils));
  const session: InstallSession = {
    id: 'demo-install-done',
    planId: sweptCoils.id,
    startedAtMs: startMs,
    plan: sweptCoils,
    finished: 1,
  };
  const { events, endMs } = knotEvents(
    session.id,
    plan.knots.map((k) => k.id),
    plan.knots.map((k) => k.seconds),
    startMs,
    random,
  );
  events.push({ sessionId: session.id, kind: 'finish', atMs: endMs + 60_000 });
  const extra = 6;
  const used = plan.knots.length + extra;
  const entry: LogEntry = {
    id: 'demo-log-1',
    planId: sweptCoils.id,
    sessionId: session.id,
    planName: sweptCoils.name,
    atMs: endMs + 120_000,
    line: 'Six fillers behind the temples after shaking out. Wider at the nape next time.',
    planned: figures(
      plan.knots.length,
      plan.supply.pieces,
      plan.supply.packs,
      plan.time.totalMinutes,
      plan.supply.price,
    ),
    used: figures(
      plan.knots.length,
      used,
      Math.ceil(used / plan.supply.piecesPerPack),
      plan.time.totalMinutes - plan.time.knotMinutes + (endMs - startMs) / 60_000,
      plan.supply.price,
    ),
  };
  return { session, events, entry };
}

function figures(knots: number, pieces: number, packs: number, minutes: number, price: number) {
  return { knots, pieces, packs, minutes: Math.round(minutes), price };
}
