/** Three styles of the past year: hands that are slower than planned at first and learn, a part that slipped, less left over each time. */
import { formatISO } from 'date-fns';
import { planWithFindings } from '../core/findings/index.ts';
import { exp } from '../core/numerics/index.ts';
import type { PlanGraph } from '../core/plan/index.ts';
import type { KnotKind, NextWish, WearKind, WearPlace } from '../core/trade/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';
import type { PlanDocument } from '../model/plan.ts';
import { planInputs } from '../model/to-inputs.ts';
import { crownTwists, shoulderCurls, sweptCoils } from './plans.ts';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;

interface PastStyle {
  readonly key: string;
  readonly plan: PlanDocument;
  readonly daysAgo: number;
  readonly wornDays: number;
  /** Her seconds over those of common practice, and how much slower by the hour. */
  readonly pace: number;
  readonly tires: number;
  readonly slowWith: Readonly<Partial<Record<KnotKind, number>>>;
  /** Her gap over the one that was planned, on either side. */
  readonly gap: { readonly left: number; readonly right: number };
  readonly line: string;
  readonly wishes: readonly NextWish[];
  readonly enough: number;
  readonly noted: ReadonlyArray<readonly [day: number, what: WearKind, place?: WearPlace]>;
  /** What a photo of it made of the guesses. */
  readonly guesses?: PlanDocument['guesses'];
}

const PAST: readonly PastStyle[] = [
  {
    key: 'past-1',
    plan: { ...crownTwists, guesses: {} },
    daysAgo: 338,
    wornDays: 24,
    pace: 2.05,
    tires: 0.07,
    slowWith: { threadLoop: 1.15, oneLeg: 1.3 },
    gap: { left: 0.95, right: 0.88 },
    line: 'It took so long that my neck hurt. Less at the back next time.',
    wishes: ['lessBehind', 'tooLong'],
    enough: 0.85,
    noted: [
      [2, 'sore', 'rightTemple'],
      [3, 'uncovered'],
      [8, 'washed'],
      [11, 'fuzz', 'nape'],
      [12, 'tidied'],
      [19, 'itch', 'behind'],
      [23, 'tangle', 'nape'],
    ],
  },
  {
    key: 'past-2',
    plan: { ...shoulderCurls, guesses: { ribbonWidthMm: 12.6, opacity: 0.6 } },
    daysAgo: 243,
    wornDays: 31,
    pace: 1.7,
    tires: 0.05,
    slowWith: { oneLeg: 1.25, anchor: 1.1 },
    gap: { left: 0.98, right: 0.91 },
    line: 'The part slipped after two weeks; colours could be better mixed.',
    wishes: ['partSlipped', 'mixedBetter'],
    enough: 0.92,
    noted: [
      [1, 'compliments'],
      [6, 'rained'],
      [9, 'washed'],
      [14, 'slip', 'top'],
      [15, 'fuzz', 'behind'],
      [16, 'tidied'],
      [20, 'compliments'],
      [22, 'swam'],
      [29, 'matted', 'nape'],
    ],
  },
  {
    key: 'past-3',
    plan: { ...sweptCoils, guesses: {} },
    daysAgo: 131,
    wornDays: 27,
    pace: 1.4,
    tires: 0.04,
    slowWith: { oneLeg: 1.2 },
    gap: { left: 1.0, right: 0.94 },
    line: 'Good. A little wider at the nape.',
    wishes: ['lessNape'],
    enough: 0.96,
    noted: [
      [3, 'compliments'],
      [7, 'washed'],
      [10, 'slip', 'front'],
      [13, 'fuzz', 'nape'],
      [13, 'tidied'],
      [18, 'washed'],
      [25, 'fuzz', 'behind'],
    ],
  },
];

export interface PastRecords {
  readonly sessions: InstallSession[];
  readonly events: StoredInstallEvent[];
  readonly log: LogEntry[];
  readonly wear: Array<WearEvent & { readonly sessionId: string }>;
}

export function pastStyles(graph: PlanGraph, nowMs: number, random: () => number): PastRecords {
  const all: PastRecords = { sessions: [], events: [], log: [], wear: [] };
  for (const style of PAST) addStyle(all, style, graph, nowMs, random);
  return all;
}

/** Nearly normal: the sum of four. */
const about = (random: () => number) => random() + random() + random() + random() - 2;

function addStyle(all: PastRecords, style: PastStyle, graph: PlanGraph, nowMs: number, random: () => number) {
  const { key, plan } = style;
  const result = planWithFindings(graph, planInputs(plan));
  const sessionId = `demo-install-${key}`;
  const startMs = nowMs - style.daysAgo * DAY_MS;
  const events: StoredInstallEvent[] = [{ sessionId, kind: 'start', atMs: startMs }];
  let at = startMs;
  let rested = startMs;
  let pieces = 0;
  const tell = (event: Omit<StoredInstallEvent, 'sessionId' | 'atMs'>) =>
    events.push({ sessionId, atMs: Math.round(at), ...event });
  for (const row of result.rows) {
    const knots = result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
    if (knots.length === 0) continue;
    // She stops for the night after some three hours.
    if (at - rested > 3 * HOUR_MS) {
      tell({ kind: 'pause' });
      at += 20 * HOUR_MS;
      rested = at;
      tell({ kind: 'resume' });
    }
    tell({ kind: 'step', stepId: `begin-${row.id}`, outcome: 'done' });
    for (const k of knots) {
      const tired = exp((style.tires * (at - rested)) / HOUR_MS);
      const seconds = k.plainSeconds * style.pace * (style.slowWith[k.kind] ?? 1) * tired * exp(0.5 * about(random));
      at += 1000 * Math.max(6, seconds);
      tell({ kind: 'knot', knotId: k.id });
    }
    const right = knots.filter((k) => k.xMm < 0).length / knots.length;
    const gap = style.gap.left * (1 - right) + style.gap.right * right;
    const took = Math.max(1, Math.round(knots.length / (gap * exp(0.05 * about(random)))));
    pieces += took;
    if (knots.length > 3) tell({ kind: 'count', knotIds: knots.map((k) => k.id), pieces: took });
    else pieces += knots.length - took;
  }
  at += 60_000;
  tell({ kind: 'note', text: style.line });
  tell({ kind: 'finish' });
  const finishedMs = at;
  all.sessions.push({
    id: sessionId,
    planId: plan.id,
    startedAtMs: startMs,
    plan,
    finished: 1,
    knots: result.knots.length,
    takenOutAtMs: finishedMs + style.wornDays * DAY_MS,
    keptAtMs: finishedMs + style.wornDays * DAY_MS,
  });
  all.events.push(...events);
  all.wear.push(...daysOf(style, sessionId, finishedMs));
  all.log.push(entryOf(style, sessionId, result, { pieces, finishedMs, workedMinutes: workedIn(events) }));
}

const workedIn = (events: readonly StoredInstallEvent[]) => {
  const nights = events.filter((e) => e.kind === 'pause').length * 20 * HOUR_MS;
  return (events[events.length - 1].atMs - events[0].atMs - nights) / 60_000;
};

function daysOf({ noted }: PastStyle, sessionId: string, finishedMs: number) {
  return noted.map(([after, what, place], i) => {
    const atMs = finishedMs + after * DAY_MS + i;
    const day = formatISO(atMs, { representation: 'date' });
    return { sessionId, key: `${sessionId}-day-${i}`, atMs, day, what, ...(place ? { place } : {}) };
  });
}

function entryOf(
  { key, plan, line, wishes, enough }: PastStyle,
  sessionId: string,
  { knots, supply, time }: ReturnType<typeof planWithFindings>,
  done: { readonly pieces: number; readonly finishedMs: number; readonly workedMinutes: number },
): LogEntry {
  const packs = Math.ceil(done.pieces / supply.piecesPerPack);
  return {
    id: `demo-log-${key}`,
    planId: plan.id,
    sessionId,
    planName: plan.name,
    atMs: done.finishedMs + 120_000,
    line,
    wishes,
    enough,
    planned: {
      knots: knots.length,
      pieces: supply.pieces,
      packs: supply.packs,
      minutes: Math.round(time.totalMinutes),
      price: supply.price,
    },
    used: {
      knots: knots.length,
      pieces: done.pieces,
      packs,
      minutes: Math.round(time.totalMinutes - time.knotMinutes + done.workedMinutes),
      price: Math.round((supply.price * Math.max(packs, supply.packs)) / Math.max(1, supply.packs)),
    },
  };
}
