/** Another plan from here on: worked out, what is in found again in it, and taken with one event. */
import { useCallback, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { carriedOver, inOrder } from '../../../core/install/index.ts';
import type { SoFar } from '../../../model/from-here.ts';
import type { StoredInstallEvent } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import { refusalOf } from '../../../model/read-plan.ts';
import { planner } from '../../ask/clients.ts';
import { inputsOf } from '../../ask/fineness.ts';
import type { Install } from './use-install.ts';

/** Which knots are in, by the newest plan. */
export const idsIn = ({ done }: Install['state']): ReadonlySet<string> =>
  new Set(done.filter((d) => !d.skipped).map((d) => d.knotId));

/** Places that were left empty stay so: they are as little to come as what is in. */
export const soFarOf = ({ rows, knots, spacing: { fingers } }: PlanResult, { done }: Install['state']): SoFar => ({
  rows,
  knots,
  fingers,
  isIn: new Set(done.map((d) => d.knotId)),
});

export interface NewPlan {
  readonly take: (change: PlanChange, more?: WithIt) => Promise<string | undefined>;
  readonly isWorking: boolean;
}

interface WithIt {
  /** A knot that is in, and where it is now, mm. */
  readonly moved?: { readonly id: string; readonly xMm: number; readonly yMm: number; readonly zMm: number };
  /** Hair that is left: another plan that takes less makes it no less. */
  readonly packsLeft?: number;
}

/** @param left packs that are left by the forecast; undefined while nothing is in */
export function useNewPlan(
  plan: PlanDocument,
  result: PlanResult,
  install: Install,
  left: number | undefined,
): NewPlan {
  const [isWorking, setWorking] = useState(false);
  const take = useCallback(
    async (change: PlanChange, { moved, packsLeft = left }: WithIt = {}) => {
      const why = refusalOf(change.plan);
      if (why) return `${why} Nothing was changed.`;
      setWorking(true);
      try {
        const outcome = await workedOut(change.plan);
        if (typeof outcome === 'string') return outcome;
        const refused = whyNotLaid(plan, change.plan, outcome);
        if (refused) return `${refused} Nothing was changed.`;
        const isIn = new Set(install.now().done.map((d) => d.knotId));
        const before = result.knots.map((k) => (k.id === moved?.id ? moved : k));
        const renamed = carriedOver(before, outcome.knots, isIn);
        install.add('plan', {
          plan: colouredAsHooked(change.plan, result, renamed),
          renamed,
          text: change.words,
          ...(packsLeft === undefined ? {} : { packsLeft }),
        });
        return undefined;
      } finally {
        setWorking(false);
      }
    },
    [plan, install, result, left],
  );
  return { take, isWorking };
}

/** Why nothing comes of what she put in by hand: the first reason, where not one of it could be laid. */
function whyNotLaid(before: PlanDocument, next: PlanDocument, { rowScheme }: PlanResult): string | undefined {
  const known = new Set(before.rows.hand.map((h) => h.id));
  const added = next.rows.hand.filter((h) => h.op === 'add' && !known.has(h.id));
  const lost = rowScheme.lostChanges.filter((l) => added.some((h) => h.id === l.id));
  return added.length > 0 && lost.length === added.length ? `It can’t go there: ${lost[0].why}.` : undefined;
}

/** Where colours are mixed, what is in keeps its own under its new name. */
function colouredAsHooked(
  plan: PlanDocument,
  { knots, mix }: PlanResult,
  renamed: Readonly<Record<string, string>>,
): PlanDocument {
  if (!mix) return plan;
  const hooked = Object.fromEntries(
    knots.flatMap((k) => (renamed[k.id] === undefined ? [] : [[renamed[k.id], k.colour] as const])),
  );
  return { ...plan, colours: { ...plan.colours, hooked } };
}

const TRIES = 5;

async function workedOut(plan: PlanDocument): Promise<PlanResult | string> {
  for (let i = 0; i < TRIES; i++) {
    const outcome = await planner.call('plan', inputsOf(plan));
    if (outcome.state === 'done') return outcome.value;
    if (outcome.state !== 'stale') return `${outcome.message} Nothing was changed.`;
  }
  return 'It could not be worked out just now. Nothing was changed.';
}

/** The plan before the one that is followed now, and the words of what was taken; undefined where none was. */
export function planBefore(
  begun: PlanDocument,
  events: readonly StoredInstallEvent[],
): { readonly plan: PlanDocument; readonly words: string } | undefined {
  const taken = inOrder(events).filter((e) => e.kind === 'plan') as StoredInstallEvent[];
  const last = taken.at(-1);
  if (!last) return undefined;
  return { plan: taken.at(-2)?.plan ?? begun, words: last.text ?? 'A new plan' };
}
