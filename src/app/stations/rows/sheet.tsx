/** The knot chart on paper: the unrolled rows with their signs and hooks, the legend, the work in order, each row in words. */

import type { PlanResult } from '../../../core/findings/index.ts';
import { duration, knotName, lowerFirst, rowWords, SCHEME_INFO, upperFirst } from '../../../core/trade/index.ts';
import { mapSvg } from '../../../formats/paper/knot-chart.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { schemeOf } from '../../../model/to-inputs.ts';

import { Sheet, Tick } from '../../ui/sheet.tsx';
import { StepNote } from '../../ui/step-note.tsx';

export function KnotSheet() {
  return (
    <Sheet title="Knot chart" station="rows">
      {(plan, result) => <Page plan={plan} result={result} />}
    </Sheet>
  );
}

function Page({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult }) {
  const chart = mapSvg(plan, result).replace(/^<\?xml[^>]*>\n/, '');
  return (
    <>
      <h1 className="text-figure">Knot chart</h1>
      <p>
        {[plan.wearer, plan.name].filter(Boolean).join(', ')}. {SCHEME_INFO[schemeOf(plan)].name}, {result.knots.length}{' '}
        knots in {result.rows.length} rows. Left and right are your own; row 1 lies lowest.
      </p>
      {/* biome-ignore lint/security/noDangerouslySetInnerHtml: our own drawing, built from numbers and escaped names */}
      <div className="my-4 *:h-auto *:w-full" dangerouslySetInnerHTML={{ __html: chart }} />
      <h2>The work in order</h2>
      <ol className="mt-2">
        {result.worklist.map((step, i) => (
          <Tick key={i}>
            <span className="grid grid-cols-numbered gap-x-2">
              <span className="fig text-lead">{i + 1}</span>
              <span>
                <b className="font-strong">{step.what}</b>
                <StepNote step={step} />
              </span>
              <span>{step.minutes > 0 && duration(step.minutes)}</span>
            </span>
          </Tick>
        ))}
      </ol>
      <h2>Where a finger finds each knot</h2>
      {result.rows.map((row, i) => (
        <RowInWords key={row.id} result={result} index={i} />
      ))}
    </>
  );
}

function RowInWords({ result, index }: { readonly result: PlanResult; readonly index: number }) {
  const row = result.rows[index];
  const knots = result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
  if (knots.length === 0) return null;
  return (
    <section className="mt-3">
      <h3 className="text-lead">
        {upperFirst(rowWords(row.label))}, {knots.length} knots
      </h3>
      <ol className="columns-2 gap-x-6 text-note">
        {knots.map((k) => (
          <li key={k.id}>
            {k.place}. {knotName(k)}: {lowerFirst(k.where.words)}; hook {k.hookWords}.
          </li>
        ))}
      </ol>
    </section>
  );
}
