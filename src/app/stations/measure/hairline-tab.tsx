/** Her hairline. */
import { mirrorHairline, resetHairline } from '../../../model/measure-commands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { Several } from '../../ui/choice.tsx';

export function HairlineTab({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { hairline } = plan;
  return (
    <>
      <p className="note">
        Drag a bead up or down on the head: high temples, a peak, a low nape. The ears stay where the tape found them.
      </p>
      <div className="mt-2">
        <Several
          label="Sides"
          values={hairline.mirrored ? ['mirrored'] : []}
          options={[['mirrored', 'both sides alike'] as const]}
          onChange={(v) => session.apply(mirrorHairline(plan, v.length > 0))}
        />
      </div>
      <button type="button" className="button mt-3" onClick={() => session.apply(resetHairline(plan))}>
        Back to the line of the tape
      </button>
      <p className="note mt-3">
        By keyboard: the beads follow each other with Tab; up and down move one by 2 mm. Baby hair outside the line goes
        into no band and carries nothing.
      </p>
    </>
  );
}
