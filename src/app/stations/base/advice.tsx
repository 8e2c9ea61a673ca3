/** Ways of sectioning advised for her hair, with reasons. */
import { dequal } from 'dequal';
import { useState } from 'react';
import type { BaseChoice, Candidate } from '../../../core/base/index.ts';
import { duration, REQUIREMENT_NAMES, REQUIREMENTS } from '../../../core/trade/index.ts';
import { chooseFamily } from '../../../model/base-commands.ts';
import { setField } from '../../../model/commands.ts';
import { useRecommended } from '../../ask/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { Several } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/field.tsx';

export function Advice({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const candidates = useRecommended(session.history.present.plan, session.isDraft);
  const [showAll, setShowAll] = useState(false);
  const wish = (change: Partial<typeof plan.wishes>, words: string) =>
    session.apply(setField(plan, 'wishes', { ...plan.wishes, ...change }, words));
  return (
    <>
      {candidates ? (
        <div data-testid="advice">
          <AdviceLine candidate={candidates[0]} session={session} first />
          <AdviceLine candidate={candidates[1]} session={session} />
          <button type="button" className="word text-note" onClick={() => setShowAll(!showAll)} aria-expanded={showAll}>
            {showAll ? 'Only the two' : 'What every way says'}
          </button>
          {showAll && candidates.slice(2).map((c) => <AdviceLine key={c.schoolId} candidate={c} session={session} />)}
        </div>
      ) : (
        <p className="note" aria-busy="true">
          Laying every way on your head …
        </p>
      )}
      <details className="line mt-2">
        <summary className="min-h-11 cursor-pointer py-2.5">What it has to do</summary>
        <Several
          label="It must"
          values={[...plan.wishes.musts]}
          options={REQUIREMENTS.map((m) => [m, REQUIREMENT_NAMES[m]] as const)}
          onChange={(musts) =>
            wish(
              { musts },
              musts.length === 0 ? 'No wishes' : `It must ${musts.map((m) => REQUIREMENT_NAMES[m]).join(', ')}`,
            )
          }
        />
        <NumberField
          label="Minutes for the base"
          value={plan.wishes.baseMinutes ?? 0}
          onCommit={(minutes) =>
            minutes === 0
              ? session.apply(setField(plan, 'wishes', { musts: plan.wishes.musts }, 'As long as it takes'))
              : wish({ baseMinutes: minutes }, `${minutes} minutes for the base`)
          }
          beside="0 means as long as it takes."
        />
      </details>
    </>
  );
}

function AdviceLine(props: { readonly candidate: Candidate; readonly session: PlanSession; readonly first?: boolean }) {
  const { candidate: c, session, first } = props;
  const { plan } = session;
  return (
    <section className="line py-2" data-school={c.schoolId}>
      <p>
        <b className="font-strong">{first ? `For you: ${c.name}.` : c.name}</b>{' '}
        <span className="text-small">{c.reasons[0] ?? c.says}</span>
      </p>
      {first &&
        c.reasons.slice(1, 3).map((r) => (
          <p key={r} className="note mt-1">
            {r}
          </p>
        ))}
      {!first && <p className="note mt-1">{c.reasons[0] ? c.says : ''}</p>}
      {c.against[0] && <p className="note mt-1">But: {c.against[0]}</p>}
      <p className="note mt-1">
        {c.sections} {c.sections === 1 ? 'section' : 'sections'}, about {duration(c.minutes)}, highest{' '}
        {Math.round(c.highestBumpMm)} mm.
      </p>
      {isLaid(plan.base, c.choice) ? (
        <p className="note mt-1">It is what you have.</p>
      ) : (
        <button
          type="button"
          className={first ? 'button mt-2' : 'word text-note'}
          onClick={() => session.apply(chooseFamily(plan, c.choice.family, shownChoice(c.choice)))}
        >
          Lay {first ? 'it' : 'this'}
        </button>
      )}
    </section>
  );
}

const isLaid = (base: BaseChoice, choice: BaseChoice) =>
  base.family === choice.family && dequal(shownChoice(base), shownChoice(choice));

const shownChoice = ({ behind, front, count, tail }: BaseChoice) => ({ behind, front, count, tail });
