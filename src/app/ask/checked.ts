/** All that is known of how the plan looks, for every station: the tally's look, Check's own, hair, ranges, findings. */
import { useMemo } from 'react';
import type { Finding, LookTold, PlanResult } from '../../core/findings/index.ts';
import type { GuessRange, HairOnHead, Look } from '../../core/plan/index.ts';
import type { PlanSession } from '../session/plan-session.ts';
import type { StationId } from '../thread/stations.ts';
import { isLook, type Show } from '../view/layers.ts';
import { type HairView, PLAIN_CHECK, useView } from '../view/view-store.ts';
import type { Answer } from './ask.ts';
import { useFallingHair, useGuessRange, useLook, useLookAs } from './look.ts';

export interface Checked {
  /** How she is looked at: as she chose it at Check, at rest and finished elsewhere. */
  readonly view: HairView;
  /** At rest and finished; of the plan before while the next is worked out. */
  readonly looked: Answer<LookTold> | undefined;
  /** In the pose and age that she chose. */
  readonly lookAs: Look | undefined;
  readonly hair: HairOnHead | undefined;
  readonly range: GuessRange | undefined;
  /** Of the plan and of its look. */
  readonly findings: readonly Finding[];
  /** At Check: knots that nothing hides; at Takedown those that hold to own hair. */
  readonly seenIds: ReadonlySet<string> | undefined;
  /** Where only the knots up to the bead are looked at: how many those are. */
  readonly hooked: number | undefined;
  /** Everything shown is that of this plan. */
  readonly isLooked: boolean;
}

export function useChecked(
  session: PlanSession,
  result: PlanResult | undefined,
  station: StationId,
  show: Show,
): Checked {
  const { plan, isDraft } = session;
  const atCheck = station === 'check';
  const view = useHairView(station);
  const knotsIn = useKnotsIn(result);
  const looked = useLook(plan, isDraft);
  const lookedAs = useLookAs(plan, view, looked, knotsIn);
  const hair = useFallingHair(plan, view, atCheck || isLook(show), isDraft, knotsIn);
  const range = useGuessRange(plan, isDraft);
  const findings = useFindings(result, looked);
  const lit = useView((v) => (station === 'takedown' ? v.lit : undefined));
  const seenIds = useMemo(() => {
    if (lit) return lit;
    const look = atCheck && lookedAs?.isCurrent ? lookedAs.value : undefined;
    return look && new Set(result?.knots.filter((_, i) => look.knots[i]?.by === 'nothing').map((k) => k.id));
  }, [atCheck, lit, lookedAs?.isCurrent, lookedAs?.value, result]);
  const isDrawn = hair?.isCurrent === true && lookedAs?.isCurrent === true;
  const isLooked = looked?.isCurrent === true && (!atCheck || isDrawn);
  return useMemo(
    () => ({
      view,
      looked,
      lookAs: lookedAs?.value,
      hair: hair?.value,
      range,
      findings,
      seenIds,
      hooked: view.soFar ? knotsIn : undefined,
      isLooked,
    }),
    [view, looked, lookedAs?.value, hair?.value, range, findings, seenIds, knotsIn, isLooked],
  );
}

/** As she chose it at Check; at Wear as it is by the day that she looks at. */
function useHairView(station: StationId): HairView {
  const check = useView((v) => (station === 'check' ? v.check : PLAIN_CHECK));
  const age = useView((v) => (station === 'wear' ? v.wornAge : check.age));
  return useMemo(() => (age === check.age ? check : { ...check, age }), [check, age]);
}

/** Knots up to the selected one. */
function useKnotsIn(result: PlanResult | undefined): number | undefined {
  const selectedId = useView((v) => v.selectedId);
  return useMemo(() => {
    const at = result?.knots.findIndex((k) => k.id === selectedId) ?? -1;
    return at < 0 ? undefined : at + 1;
  }, [result, selectedId]);
}

/** The look is that of this very plan or says nothing. */
function useFindings(result: PlanResult | undefined, look: Answer<LookTold> | undefined): readonly Finding[] {
  const current = look?.isCurrent ? look.value : undefined;
  return useMemo(() => {
    if (!result) return [];
    return current ? [...result.findings, ...current.findings] : result.findings;
  }, [result, current]);
}
