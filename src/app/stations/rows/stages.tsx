/** What comes beside rows in the order of work: strands with a job, hair tied down to set. */
import {
  FILL_INFO,
  FILL_WHERES,
  STRAND_INFO,
  STRAND_JOBS,
  type StrandJob,
  upperFirst,
} from '../../../core/trade/index.ts';
import { setFinish } from '../../../model/finish.ts';
import { addStrand, dropStrand, setFill, setStrand } from '../../../model/strands.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Choice } from '../../ui/choice.tsx';
import { NumberField, SelectField } from '../../ui/field.tsx';

export function StagesBench({ session, result }: Required<BenchProps>) {
  const { plan } = session;
  const filled = result?.knots.filter((k) => result.rows[k.row].pass === 'fill').length ?? 0;
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
      <h3 className="mt-4 text-title">What is left over</h3>
      <Choice
        label="What is left over"
        value={plan.fill.where}
        options={FILL_WHERES.map((value) => ({ value, ...FILL_INFO[value] }))}
        onChange={(where) => session.apply(setFill(plan, { where }))}
      />
      {plan.fill.where !== 'none' && (
        <>
          <NumberField
            label="So many"
            testId="fill-pieces"
            value={plan.fill.pieces}
            beside={`0: as many as there are without another pack. ${filled === 0 ? 'No place has room for one, or none is left.' : `${filled} go in, in a pass of their own.`}`}
            onCommit={(pieces) => session.apply(setFill(plan, { pieces }))}
          />
          <SelectField
            label="Of"
            wide
            testId="fill-cut"
            value={plan.fill.cut}
            options={plan.cuts.map((c) => [c.id, c.name] as const)}
            onChange={(cut) => session.apply(setFill(plan, { cut }))}
          />
        </>
      )}
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
