/** What comes beside rows in the order of work: strands with a job, hair tied down to set. */
import { STRAND_INFO, STRAND_JOBS, type StrandJob, upperFirst } from '../../../core/trade/index.ts';
import { setFinish } from '../../../model/finish.ts';
import { addStrand, dropStrand, setStrand } from '../../../model/strands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { NumberField, SelectField } from '../../ui/field.tsx';

export function StagesBench({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  return (
    <section className="mt-6" aria-label="Beside the rows">
      <h2>Beside the rows</h2>
      <NumberField
        label="Tied down to set, minutes"
        testId="set-minutes"
        value={plan.finish.setMinutes}
        beside="Hands are free meanwhile: it is told apart from the hours. What is opened, dressed, plaited or cut off is said of a cut, in Hair; what becomes of a leave-out in Base."
        onCommit={(setMinutes) => session.apply(setFinish(plan, { setMinutes }))}
      />
      <h3 className="mt-4 text-title">Strands with a job</h3>
      <SelectField
        label="One that"
        wide
        testId="add-strand"
        value={'' as StrandJob | ''}
        options={[['', 'choose a job'] as const, ...STRAND_JOBS.map((j) => [j, STRAND_INFO[j].name] as const)]}
        onChange={(job) => job !== '' && session.apply(addStrand(plan, job))}
      />
      {plan.strands.map((strand) => (
        <section key={strand.id} className="line py-2" aria-label={upperFirst(STRAND_INFO[strand.job].name)}>
          <div className="flex items-baseline justify-between gap-3" data-testid={`strand-${strand.job}`}>
            <b className="font-strong">{upperFirst(STRAND_INFO[strand.job].name)}</b>
            <button
              type="button"
              className="word text-note"
              aria-label={`None that ${STRAND_INFO[strand.job].name}`}
              onClick={() => session.apply(dropStrand(plan, strand.id))}
            >
              take out
            </button>
          </div>
          <NumberField
            label="How many"
            testId={`strand-count-${strand.job}`}
            value={strand.count}
            onCommit={(count) => session.apply(setStrand(plan, strand.id, { count }))}
          />
          <SelectField
            label="Of"
            wide
            value={strand.cut}
            options={plan.cuts.map((c) => [c.id, c.name] as const)}
            onChange={(cut) => session.apply(setStrand(plan, strand.id, { cut }))}
          />
        </section>
      ))}
    </section>
  );
}
