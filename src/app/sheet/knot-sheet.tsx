/** The knot chart on paper: the unrolled rows with their signs and hooks, the legend, the work in order, each row in words. */
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { knotName } from '../../core/knots/rules.ts';
import type { PlanResult } from '../../core/pipeline/result.ts';
import { SCHEME_INFO } from '../../core/rows/choice.ts';
import { mapSvg } from '../../formats/map-svg.ts';
import { usePlanSession } from '../state/plan-session.ts';
import { useTheme } from '../state/theme.ts';
import { useResult } from '../state/use-result.ts';
import { duration } from '../ui/format.ts';

export function KnotSheet() {
  const { planId = '' } = useParams();
  const opened = usePlanSession(planId);
  const plan = opened.state === 'open' ? opened.session.plan : undefined;
  const { computed } = useResult(plan);
  useTheme();
  useEffect(() => {
    document.title = `Knot chart, ${plan?.name ?? ''} · Meshwork`;
  }, [plan?.name]);
  if (opened.state !== 'opening' && opened.state !== 'open') {
    return (
      <main className="p-10">
        <h1 className="text-[27px]">There is no such plan here.</h1>
        <Link className="word mt-2" to="/">
          Back to your plans
        </Link>
      </main>
    );
  }
  if (!plan || !computed) {
    return (
      <main className="p-10" aria-busy="true">
        Working the knots out …
      </main>
    );
  }
  const { result } = computed;
  const chart = mapSvg(plan, result).replace(/^<\?xml[^>]*>\n/, '');
  return (
    <main className="sheet" data-ready="yes">
      <nav className="unprinted flex gap-6">
        <Link className="word" to={`/plan/${plan.id}/rows`}>
          Back to the rows
        </Link>
        <button type="button" className="word" onClick={() => window.print()}>
          Print
        </button>
      </nav>
      <h1 className="text-[31px]">Knot chart</h1>
      <p>
        {[plan.wearer, plan.name].filter(Boolean).join(', ')}. {SCHEME_INFO[plan.rows.scheme].name},{' '}
        {result.knots.length} knots in {result.rows.length} rows. Left and right are your own; row 1 lies lowest.
      </p>
      {/* biome-ignore lint/security/noDangerouslySetInnerHtml: our own drawing, built from numbers and escaped names */}
      <div className="chart my-4" dangerouslySetInnerHTML={{ __html: chart }} />
      <h2 className="mt-6">The work in order</h2>
      <ol className="mt-2">
        {result.worklist.map((step, i) => (
          <li key={i} className="line grid grid-cols-[30px_30px_1fr_auto] gap-x-2 py-[6px]">
            <span className="tick" aria-hidden="true" />
            <span className="fig text-[17px]">{i + 1}</span>
            <span>
              <b className="font-[650]">{step.what}</b>
              <span className="note block">{step.how}</span>
            </span>
            <span>{duration(step.minutes)}</span>
          </li>
        ))}
      </ol>
      <h2 className="mt-6">Where a finger finds each knot</h2>
      {result.rows.map((row, i) => (
        <RowInWords key={row.id} result={result} index={i} />
      ))}
    </main>
  );
}

function RowInWords({ result, index }: { readonly result: PlanResult; readonly index: number }) {
  const row = result.rows[index];
  const knots = result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
  if (knots.length === 0) return null;
  return (
    <section className="mt-3">
      <h3 className="text-[17px]">
        Row {row.label}, {knots.length} knots
      </h3>
      <ol className="columns-2 gap-x-6 text-[13px]">
        {knots.map((k) => (
          <li key={k.id}>
            {k.place}. {knotName(k)}: {k.where.words.toLowerCase()}; hook {k.hookWords}.
          </li>
        ))}
      </ol>
    </section>
  );
}
