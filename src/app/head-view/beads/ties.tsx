/** Ties that are chosen on the head: a touch or Enter takes one in or leaves it out. */
import type { PlanResult } from '../../../core/findings/index.ts';
import { setInto } from '../../../model/into-base.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { facing, type Projection, screenX, screenY } from '../projection.ts';

export function TieBeads(props: {
  readonly view: Projection;
  readonly result: PlanResult;
  readonly session: PlanSession;
  readonly id: string;
}) {
  const { view, result, session, id } = props;
  const { plan } = session;
  const entry = plan.rows.intoBase.find((e) => e.id === id);
  if (!entry) return null;
  const all = result.base.sections.filter((s) => s.role === 'base');
  const isOn = (section: string) => entry.sections.length === 0 || entry.sections.includes(section);
  const toggle = (section: string) => {
    const on = all.map((s) => s.id).filter((s) => isOn(s) !== (s === section));
    // None would mean all of them again.
    if (on.length > 0) session.apply(setInto(plan, id, { sections: on.length === all.length ? [] : on }));
  };
  return all.map((s) => (
    <button
      key={s.id}
      type="button"
      className={`handle ${isOn(s.id) ? '' : 'middle'}`}
      style={{
        left: screenX(view, s.tieMm),
        top: screenY(view, s.tieMm),
        visibility: facing(view, s.tieMm) > 0 ? 'visible' : 'hidden',
      }}
      aria-pressed={isOn(s.id)}
      aria-label={`Pieces in ${s.name}, ${s.tieWords}`}
      data-bead={`tie-${s.id}`}
      onClick={() => toggle(s.id)}
    />
  ));
}
