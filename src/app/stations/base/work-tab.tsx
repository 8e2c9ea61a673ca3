/** The order of work on the base. */

import { Link } from 'react-router';
import { duration } from '../../../core/trade/index.ts';
import type { LaidProps } from '../../ui/bench-props.ts';

export function WorkTab({ session, result }: LaidProps) {
  const { work, consumables, minutes } = result.base;
  return (
    <>
      <p className="note">
        {minutes > 0 ? `About ${duration(result.time.baseMinutes)} at your pace.` : 'Nothing to make: it is there.'}{' '}
        Only lines that will show have to be straight.
      </p>
      <ol className="mt-2" data-testid="work">
        {work.map((step) => (
          <li key={step.id} className="line py-1.75">
            <span className="flex justify-between gap-2">
              <b className="font-strong">{step.what}</b>
              <span className="fig shrink-0">{step.minutes > 0 ? duration(step.minutes) : ''}</span>
            </span>
            <span className="note block">{step.how}</span>
          </li>
        ))}
      </ol>
      <h3 className="mt-4 text-title">Have ready</h3>
      <ul className="mt-1">
        {consumables.map((c) => (
          <li key={c.name} className="line py-1.5">
            <span className="fig">
              {c.count}
              {c.unit ? ` ${c.unit}` : ''}
            </span>{' '}
            {c.name} <span className="note block">{c.because}</span>
          </li>
        ))}
      </ul>
      <Link className="button mt-3 text-center" to={`/plan/${session.plan.id}/base/sheet`} data-testid="sheet">
        Sheet to print
      </Link>
      <p className="note mt-3">
        Pain, bumps, a headache or shiny skin at the hairline mean too tight: take it out. Small bands are oiled first
        and cut off later, never dragged off; latex can cause allergy, so try one at the wrist.
      </p>
    </>
  );
}
