/** Ways on from where an install is. */
import { useMemo } from 'react';
import type { FromHereAsked, FromHereFound } from '../../core/search/index.ts';
import type { WayOn } from '../../model/from-here.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { inputsOf } from './fineness.ts';
import { type AskedInTurn, type InTurn, useInTurn } from './in-turn.ts';

type Found = FromHereFound | undefined;
export type SeenOn = InTurn<Found, WayOn, Found>;
/** What is left, and how her hands do. */
export type ToldOn = Omit<FromHereAsked, 'steps'>;

/** @param kept the plan as it is followed, with what is in held where it is */
export function useWaysOn(kept: PlanDocument, ways: readonly WayOn[], told: ToldOn): SeenOn {
  const asked = useMemo((): AskedInTurn<Found, WayOn, Found> => {
    const least = (steps: FromHereAsked['steps']) => ({ ...told, steps });
    return {
      ways,
      now: (client) => client.call('leastFromHere', least([[inputsOf(kept)]])),
      find: (client, { steps }) =>
        client.call('leastFromHere', least(steps.map((s) => s.variants.map((v) => inputsOf(v))))),
    };
  }, [kept, ways, told]);
  return useInTurn(asked);
}
