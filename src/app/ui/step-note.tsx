/** What is told at a step of the order of work: how, what to have ready, what goes wrong, what can hurt. */

import type { ToldStep } from '../../core/install/index.ts';
import { duration } from '../../core/trade/index.ts';

import { Telling } from './telling.tsx';

export function StepNote({ step }: { readonly step: ToldStep }) {
  return (
    <>
      <span className="note block">
        <Telling text={step.how} />
      </span>
      {step.waitMinutes > 0 && <span className="note block">Then {duration(step.waitMinutes)} waiting.</span>}
      {step.wrong && <span className="note block">Goes wrong: {step.wrong}</span>}
      {step.caution && <span className="note block text-madder">{step.caution}</span>}
      {step.tools.length > 0 && <span className="note block">Have ready: {step.tools.join(', ')}.</span>}
    </>
  );
}
