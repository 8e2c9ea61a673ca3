/** The one search that may run: in two workers of its own, which end with it. It outlives a switch of the bench's part, not of the plan. */
import { create } from 'zustand';
import { seededRandom } from '../../core/numerics/random.ts';
import type { Look } from '../../core/plan/look-result.ts';
import {
  judgeUse,
  stopsHelping,
  type TradePoint,
  type UseAim,
  type UseFigures,
  type UseLimits,
} from '../../core/search/best-use.ts';
import { type Genome, Search } from '../../core/search/search.ts';
import { type Allowed, searchSpace, type UseSpace } from '../../core/search/use.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { CoreClient } from '../../workers/client.ts';
import { type Judge, runSearch } from '../../workers/run-search.ts';
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
  readonly state: 'running' | 'stopped' | 'done' | 'failed';
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
  write(planId: string, change: Partial<UseForm>): void;
  start(plan: PlanDocument, look: Look, asked: UseAsked): void;
  stop(): void;
  forget(): void;
}

/** What has to end with the run. */
let running: { stopped: boolean; readonly clients: readonly CoreClient[] } | undefined;

function end() {
  if (!running) return;
  running.stopped = true;
  for (const c of running.clients) c.stop();
  running = undefined;
}

export const useBestUse = create<BestUseState>((set, get) => ({
  form: undefined,
  run: undefined,
  write: (planId, change) => set((s) => ({ form: { ...formOf(s.form, planId), ...change } })),
  start: (plan, look, asked) => {
    end();
    const inputs = inputsOf(plan);
    const space = searchSpace(inputs, asked.allowed, look.patches, inputs.rows.scheme === 'joined');
    const search = new Search({
      sizes: space.sizes,
      budget: BUDGET,
      random: seededRandom(asked.seed),
      starts: [space.now],
    });
    const clients = Array.from({ length: WORKERS }, startClient);
    const mine = { stopped: false, clients };
    running = mine;
    const startedAt = performance.now();
    const seconds = () => (performance.now() - startedAt) / 1000;
    set({
      run: {
        asked,
        plan,
        space,
        state: 'running',
        tried: 0,
        budget: search.budget,
        seconds: 0,
        now: undefined,
        best: undefined,
        curve: [],
        stopsAt: undefined,
      },
    });
    const change = (c: Partial<UseRun>) => {
      const { run } = get();
      if (run && running === mine) set({ run: { ...run, ...c } });
    };
    const judge =
      (client: CoreClient): Judge<UseFigures> =>
      async (genomes) => {
        const outcome = await client.call('evaluateUses', { inputs, space, genomes });
        if (outcome.state === 'done') return outcome.value;
        if (mine.stopped) return genomes.map(() => undefined);
        throw new Error('message' in outcome ? outcome.message : 'the search was left');
      };
    runSearch<UseFigures>({
      search,
      judges: clients.map(judge),
      judgementOf: (f) => judgeUse(f, asked.limits, asked.aim, plan.finish.fullness),
      isStopped: () => mine.stopped,
      onProgress: (figures) => change({ ...summary(search, figures, space), tried: search.tried, seconds: seconds() }),
    }).then(
      () => {
        change({ state: 'done', seconds: seconds() });
        if (running === mine) end();
      },
      (error) => {
        change({ state: 'failed', why: error instanceof Error ? error.message : String(error) });
        if (running === mine) end();
      },
    );
  },
  stop: () => {
    const { run } = get();
    end();
    if (run?.state === 'running') set({ run: { ...run, state: 'stopped' } });
  },
  forget: () => {
    end();
    set({ run: undefined });
  },
}));

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
