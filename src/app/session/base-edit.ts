/** An edit of the base is tried on her head first: what can't be done is refused with its reason and changes nothing. */
import type { BaseEdit } from '../../core/base/index.ts';
import { editBase } from '../../model/base-commands.ts';
import { planner } from '../ask/clients.ts';
import { inputsOf } from '../ask/fineness.ts';
import { useView } from '../view/view-store.ts';
import type { PlanSession } from './plan-session.ts';

export function useBaseEdit(session: PlanSession) {
  const kept = session.history.present.plan;
  return {
    /** Does it and says true, or refuses it. */
    async tryEdit(edit: BaseEdit, words: string): Promise<boolean> {
      const outcome = await planner.call('tryEdit', { inputs: inputsOf(kept), edit });
      const why =
        outcome.state === 'done'
          ? outcome.value.why
          : outcome.state === 'failed' || outcome.state === 'crashed'
            ? outcome.message
            : undefined;
      const refusal = why ?? (outcome.state === 'done' ? session.apply(editBase(kept, [edit], words)) : undefined);
      useView.getState().refuse(refusal);
      if (refusal !== undefined || outcome.state !== 'done') session.preview(undefined);
      return refusal === undefined && outcome.state === 'done';
    },
  };
}
