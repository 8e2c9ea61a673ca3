/** Where workers disagree: each school with what it is for. */
import { SCHOOL_NAMES, SCHOOL_OPTIONS, type SchoolName, type SchoolOption } from '../../core/trade/index.ts';
import { setSchool } from '../../model/school-choice.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { Choice } from './choice.tsx';
import { Telling } from './telling.tsx';

export function SchoolsBench({
  session,
  names,
}: {
  readonly session: PlanSession;
  readonly names: readonly SchoolName[];
}) {
  return (
    <>
      {names.map((name) => (
        <section key={name} className="mt-5.5">
          <h3 className="mb-2 text-title">
            <Telling text={SCHOOL_NAMES[name]} />
          </h3>
          <Choice
            label={SCHOOL_NAMES[name]}
            value={session.plan.schools[name] as string}
            options={SCHOOL_OPTIONS[name] as readonly SchoolOption[]}
            onChange={(value) => session.apply(setSchool(session.plan, name, value))}
          />
        </section>
      ))}
    </>
  );
}
