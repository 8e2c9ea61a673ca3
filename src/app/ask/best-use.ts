/** The one search that may run: in two workers of its own, which end with it. It outlives a switch of the bench's part, not of the plan. */
import { create } from 'zustand';
import { seededRandom } from '../../core/numerics/index.ts';
import type { Look, PlanInputs } from '../../core/plan/index.ts';
import {
  type Allowed,
  type Genome,
  type Merit,
  meritOfUse,
  Search,
  searchSpace,
  stopsHelping,
  type TradePoint,
  type UseAim,
  type UseFigures,
  type UseLimits,
  type UseSpace,
} from '../../core/search/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { CoreClient } from '../../workers/client.ts';
import { type Evaluator, runSearch } from '../../workers/run-search.ts';
import { startClient } from './clients.ts';
import { inputsOf } from './fineness.ts';

export interface UseAsked {
  readonly limits: UseLimits;
  readonly aim: UseAim;
  readonly allowed: Allowed;
  readonly seed: number;
}

export interface UseCandidate extends TradePoint {
  readonly genome: Genome;
  readonly figures: UseFigures;
}

export interface UseRun {
  readonly asked: UseAsked;
  /** The plan that it started from. */
  readonly plan: PlanDocument;
  readonly space: UseSpace;
  /** Checking: what was found is worked out on the plan's own head before it is shown as found. */
  readonly state: 'running' | 'checking' | 'stopped' | 'done' | 'failed';
  readonly why?: string;
  readonly tried: number;
  readonly budget: number;
  readonly seconds: number;
  /** Of the plan as it is, on the same coarse head. */
  readonly now: UseFigures | undefined;
  readonly best: UseCandidate | undefined;
  readonly curve: readonly UseCandidate[];
  readonly stopsAt: number | undefined;
}

const BUDGET = 2000;
const WORKERS = 2;

/** What she wrote into the bench; what she left alone follows the plan. */
export interface UseForm {
  readonly planId: string;
  readonly aim: UseAim['kind'];
  /** Share that has to be hidden, 0 to 1. */
  readonly hidden?: number;
  readonly packs?: number;
  readonly hours?: number;
  readonly massG?: number;
  readonly allowed: Allowed;
}
const PLAIN_FORM: Omit<UseForm, 'planId'> = { aim: 'cover', allowed: { split: true, half: false, open: true } };

/** Her entries for this plan; another plan starts anew. */
export function formOf(form: UseForm | undefined, planId: string): UseForm {
  return form?.planId === planId ? form : { ...PLAIN_FORM, planId };
}

interface BestUseState {
  readonly form: UseForm | undefined;
  readonly run: UseRun | undefined;
  /** Takes it over, or says why not. */
  write(planId: string, change: Partial<UseForm>): string | undefined;
  start(plan: PlanDocument, look: Look, asked: UseAsked): void;
  stop(): void;
  forget(): void;
}

/** What has to end with the run. */
let running: { stopped: boolean; clients: readonly CoreClient[] } | undefined;

function end() {
  if (!running) return;
  running.stopped = true;
  for (const c of running.clients) c.stop();
  running = undefined;
}

const LEAST = { packs: 1, hours: 0.5, massG: 20 } as const;

function refusalOf(change: Partial<UseForm>): string | undefined {
  const { hidden } = change;
  if (hidden !== undefined && (hidden < 0.1 || hidden > 1)) return 'Between 10 and 100 %.';
  for (const key of ['packs', 'hours', 'massG'] as const) {
    const value = change[key];
    if (value !== undefined && value < LEAST[key]) return `That has to be at least ${LEAST[key]}.`;
  }
  return undefined;
}

export const useBestUse = create<BestUseState>((set, get) => ({
  form: undefined,
  run: undefined,
  write: (planId, change) => {
    const refusal = refusalOf(change);
    const taken = change.packs === undefined ? change : { ...change, packs: Math.floor(change.packs) };
    if (!refusal) set((s) => ({ form: { ...formOf(s.form, planId), ...taken } }));
    return refusal;
  },
  start: (plan, look, asked) => {
    end();
    const inputs = inputsOf(plan);
    const space = searchSpace(inputs, look.gaps.fingers, asked.allowed, look.patches);
    const search = new Search({
      sizes: space.sizes,
      budget: BUDGET,
      random: seededRandom(asked.seed),
      starts: [space.now],
    });
    const mine = { stopped: false, clients: Array.from({ length: WORKERS }, startClient) };
    running = mine;
    const startedAt = performance.now();
    const seconds = () => (performance.now() - startedAt) / 1000;
    set({ run: { ...NOT_YET, asked, plan, space, budget: search.budget } });
    const change = (c: Partial<UseRun>) => {
      const { run } = get();
      if (run && running === mine) set({ run: { ...run, ...c } });
    };
    const judgeMerit = (f: UseFigures) => meritOfUse(f, asked.limits, asked.aim, plan.finish.fullness);
    const finish = (c: Partial<UseRun>) => {
      change(c);
      if (running === mine) end();
    };
    const check = async (figures: ReadonlyMap<string, UseFigures>) => {
      if (running !== mine) return;
      change({ state: 'checking' });
      // A worker of its own: those of the search are done, or were stopped in the middle.
      for (const c of mine.clients) c.stop();
      const checker = startClient();
      mine.clients = [checker];
      const checked = await checkedOnFine(checker, { inputs, space, search, figures, judgeMerit });
      finish({ ...checked, state: mine.stopped ? 'stopped' : 'done', seconds: seconds() });
    };
    runSearch<UseFigures>({
      search,
      evaluators: mine.clients.map((client) => evaluatorBy(client, inputs, space, () => mine.stopped)),
      meritOf: judgeMerit,
      isStopped: () => mine.stopped,
      onProgress: (figures) => change({ ...summary(search, figures, space), tried: search.tried, seconds: seconds() }),
    })
      .then(check)
      .catch((error) => finish({ state: 'failed', why: error instanceof Error ? error.message : String(error) }));
  },
  stop: () => {
    const { run } = get();
    if (!running || run?.state !== 'running') return;
    running.stopped = true;
    for (const c of running.clients) c.stop();
    set({ run: { ...run, state: 'checking' } });
  },
  forget: () => {
    end();
    set({ run: undefined });
  },
}));

/** A run of which nothing is known yet. */
const NOT_YET = {
  state: 'running',
  tried: 0,
  seconds: 0,
  now: undefined,
  best: undefined,
  curve: [],
  stopsAt: undefined,
} as const;

/** One worker as a judge: what it was stopped in is left out. */
function evaluatorBy(
  client: CoreClient,
  inputs: PlanInputs,
  space: UseSpace,
  isStopped: () => boolean,
): Evaluator<UseFigures> {
  return async (genomes) => {
    const outcome = await client.call('evaluateUses', { inputs, space, genomes });
    if (outcome.state === 'done') return outcome.value;
    if (isStopped()) return genomes.map(() => undefined);
    throw leftBy(outcome);
  };
}

const leftBy = (outcome: object) => new Error('message' in outcome ? String(outcome.message) : 'the search was left');

function summary(search: Search, figures: ReadonlyMap<string, UseFigures>, space: UseSpace) {
  const candidate = (genome: Genome): UseCandidate | undefined => {
    const f = figures.get(genome.join());
    return f && { genome, figures: f, packs: f.packs, hidden: f.hidden };
  };
  const curve = search.tradeOff.map((p) => candidate(p.genome)).filter((c) => c !== undefined);
  return {
    now: figures.get(space.now.join()),
    best: search.best && candidate(search.best.genome),
    curve,
    stopsAt: stopsHelping(curve),
  };
}

/** So many of the best are worked out on the fine head, besides the points of the curve. */
const CHECKED = 6;

interface ToCheck {
  readonly inputs: PlanInputs;
  readonly space: UseSpace;
  readonly search: Search;
  readonly figures: ReadonlyMap<string, UseFigures>;
  readonly judgeMerit: (figures: UseFigures) => Merit;
}

/** What is shown in the end is what the head of the plan itself says, within her limits there too. @throws Error where it can't be worked out */
async function checkedOnFine(client: CoreClient, { inputs, space, search, figures, judgeMerit }: ToCheck) {
  const byMerit = [...figures]
    .map(([key, f]) => ({ genome: key.split(',').map(Number), score: judgeMerit(f).score }))
    .sort((a, b) => b.score - a.score);
  const onCurve = search.tradeOff.map((p) => p.genome);
  const wanted = [space.now, ...byMerit.slice(0, CHECKED).map((b) => b.genome), ...onCurve];
  const genomes = [...new Map(wanted.map((g) => [g.join(), g])).values()];
  const outcome = await client.call('evaluateUses', { inputs, space, genomes, fine: true });
  // What was not worked out on her own head is never shown as found.
  if (outcome.state !== 'done') throw leftBy(outcome);
  const fine = genomes.flatMap((genome, i) => {
    const f = outcome.value[i];
    return f ? [{ genome, figures: f, packs: f.packs, hidden: f.hidden, merit: judgeMerit(f) }] : [];
  });
  const best = fine.reduce<(typeof fine)[number] | undefined>(
    (a, b) => (a && a.merit.score >= b.merit.score ? a : b),
    undefined,
  );
  const curve = risingCurve(fine.filter((c) => c.merit.trade !== undefined));
  return {
    now: fine.find((c) => c.genome.join() === space.now.join())?.figures,
    best,
    curve,
    stopsAt: stopsHelping(curve),
  };
}

/** The most cover for each number of packs, dearer ones only where they hide more. */
function risingCurve<T extends UseCandidate>(all: readonly T[]): T[] {
  const curve: T[] = [];
  for (const c of [...all].sort((a, b) => a.packs - b.packs || b.hidden - a.hidden))
    if (curve.length === 0 || (c.packs > curve[curve.length - 1].packs && c.hidden > curve[curve.length - 1].hidden))
      curve.push(c);
  return curve;
}
