/** A comb of the cap set on the head: led there by finger or arrows, dropped or Enter. */
import { directionDeg } from '../../../core/head/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { CAP_LIMITS } from '../../../core/trade/index.ts';
import { setCap } from '../../../model/cap-and-hair.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { Projection } from '../projection.ts';
import { PlaceBead } from './place.tsx';

export function CombBeads(props: {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly session: PlanSession;
  readonly stage: () => DOMRect | undefined;
}) {
  const { view, scene, session, stage } = props;
  const { plan } = session;
  if (plan.cap.combsAt.length >= CAP_LIMITS.combsAt) return null;
  return (
    <PlaceBead
      key={plan.cap.combsAt.length}
      view={view}
      scene={scene}
      stage={stage}
      name="comb"
      label="A comb: lead it where it is sewn in, Enter sets it"
      onPlace={(at) =>
        session.apply(setCap(plan, { combsAt: [...plan.cap.combsAt, directionDeg(at)] }, 'A comb set on the head'))
      }
    />
  );
}
