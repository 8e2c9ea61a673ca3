/** What every sheet for paper shares: its plan worked out, a way back, and a button to print. */
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import type { PlanResult } from '../../core/findings/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { useResult } from '../ask/plan.ts';
import { usePlanSession } from '../session/plan-session.ts';
import { useTheme } from '../session/theme.ts';
import './sheet.css';

export function Sheet(props: {
  readonly title: string;
  readonly station: 'base' | 'rows' | 'supply';
  readonly children: (plan: PlanDocument, result: PlanResult) => React.ReactNode;
}) {
  const { planId = '' } = useParams();
  const opened = usePlanSession(planId);
  const plan = opened.state === 'open' ? opened.session.plan : undefined;
  const { answer, why: error } = useResult(plan);
  useTheme();
  useEffect(() => {
    document.title = `${props.title}, ${plan?.name ?? ''} · Meshwork`;
  }, [props.title, plan?.name]);
  if (opened.state === 'missing') return <NoSheet why="There is no such plan here." />;
  // The page’s guard has every way out.
  if (opened.state === 'unreadable') throw new Error(opened.why);
  if (error) return <NoSheet why={error} />;
  if (!plan || !answer) {
    return (
      <main className="p-10" aria-busy="true">
        Working it out …
      </main>
    );
  }
  return (
    <main className="sheet" data-ready="yes">
      <nav className="unprinted flex gap-6">
        <Link className="word" to={`/plan/${plan.id}/${props.station}`}>
          Back to the {props.station}
        </Link>
        <button type="button" className="word" onClick={() => window.print()}>
          Print
        </button>
      </nav>
      {props.children(plan, answer.value)}
    </main>
  );
}

function NoSheet({ why }: { readonly why: string }) {
  return (
    <main className="p-10">
      <h1 className="text-heading">{why}</h1>
      <Link className="word mt-2" to="/">
        Back to your plans
      </Link>
    </main>
  );
}

/** A line with a box to tick by pencil. */
export function Tick({ children }: { readonly children: React.ReactNode }) {
  return (
    <li className="line grid grid-cols-tick gap-2 break-inside-avoid py-1.5">
      <span className="mt-1 size-3.5 border-[1.5px] border-ink" aria-hidden="true" />
      {children}
    </li>
  );
}
