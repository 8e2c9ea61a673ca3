/** The order of work. */

import { Link } from 'react-router';
import { duration } from '../../../core/trade/index.ts';
import type { BenchProps } from '../../ui/bench-props.ts';

import { StepNote } from '../../ui/step-note.tsx';
import { useView } from '../../view/view-store.ts';
import { StagesBench } from './stages.tsx';

export function OrderTab({ session, result }: BenchProps) {
  const { plan } = session;
  const select = useView((v) => v.select);
  if (!result) return null;
  return (
    <>
      <h2>In which order</h2>
      <p className="mt-1 flex flex-wrap gap-x-6">
        <Link className="word" to={`/plan/${plan.id}/rows/chart`} data-testid="to-chart">
          Knot chart, to print
        </Link>
        <Link className="word" to={`/plan/${plan.id}/paper`} data-testid="to-paper">
          On paper, at true size
        </Link>
      </p>
      <ol className="mt-2 text-small" data-testid="worklist">
        {result.worklist.map((step, i) => (
          <li key={`${step.what}${i}`} className="line grid grid-cols-numbered gap-x-1 py-1.75" data-step={step.kind}>
            <span className="fig text-lead">{i + 1}</span>
            <span>
              {step.knots ? (
                <button
                  type="button"
                  className="word -my-3 text-left font-strong"
                  onClick={() => select(result.knots[step.knots?.[0] ?? 0]?.id)}
                >
                  {step.what}
                </button>
              ) : (
                <b className="font-strong">{step.what}</b>
              )}
              <StepNote step={step} />
            </span>
            <span className="text-ink2">{step.minutes > 0 && duration(step.minutes)}</span>
          </li>
        ))}
      </ol>
      <StagesBench session={session} result={result} />
    </>
  );
}
