/** The gaps for this hair beside her own, and what they would come to. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { Part } from '../../../core/head/index.ts';
import { FULLNESS_INFO, gapsInWords } from '../../../core/trade/index.ts';
import { leaveGapsToHair } from '../../../model/spacing-commands.ts';
import { useLook } from '../../ask/look.ts';
import type { PlanSession } from '../../session/plan-session.ts';

/** The gaps that reach what she aims at with the least of this hair; one tap leaves them to it. */
export function ForThisHair({ session, result }: { readonly session: PlanSession; readonly result: PlanResult }) {
  const { plan } = session;
  const looked = useLook(plan, session.isDraft)?.value;
  if (!looked) return null;
  const { gaps, comesTo } = looked;
  const words = gapsInWords(gaps.forHair, plan.part.kind as Part['kind']);
  if (result.spacing.hers.length === 0)
    return (
      <p className="note mt-2" data-testid="for-hair">
        Left to the hair: the widest at which it comes out {FULLNESS_INFO[plan.finish.fullness].name}
        {gaps.reached ? '' : ', as near as it gets'}. They follow it until you set your own.
      </p>
    );
  return (
    <div className="mt-2" data-testid="for-hair">
      <p className="note">
        For this hair: {words}; {comesTo}.
      </p>
      <button
        type="button"
        className="word text-note underline underline-offset-3"
        onClick={() => session.apply(leaveGapsToHair(plan))}
        data-testid="take-for-hair"
      >
        Take these
      </button>
    </div>
  );
}
