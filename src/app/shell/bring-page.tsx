/** A plan that came as a link: what it is, before it is taken. */
import { useEffect, useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { unpackPlan } from '../../formats/link/plan-link.ts';
import { newPlan } from '../../model/defaults.ts';
import { herselfOf, isAsSheIs } from '../../model/herself.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { importPlan, storageSentence } from '../../store/plans.ts';
import { db, newId } from '../session/database.ts';
import { useTheme } from '../session/theme.ts';
import { PlanPicture } from './plan-picture.tsx';
import { useSmallPictures } from './small-pictures.ts';
import './new-plan.css';

export function BringPage() {
  useTheme();
  const { hash } = useLocation();
  const read = unpackPlan(hash.slice(1));
  useEffect(() => {
    document.title = 'A plan for you, Meshwork';
  }, []);
  return (
    <main className="new-plan">
      <div className="daylight" />
      <Link className="word" to="/?choose">
        To your plans
      </Link>
      {read.ok ? <Handed plan={read.value} /> : <NoPlan why={read.why} />}
    </main>
  );
}

function NoPlan({ why }: { readonly why: string }) {
  return (
    <>
      <h1 className="text-great">No plan here</h1>
      <p role="alert" className="mt-2 max-w-[60ch] text-madder" data-testid="no-plan">
        {why} Nothing was changed. Ask for it once more, or for the plan as a file.
      </p>
    </>
  );
}

/** Whether it holds nobody's head: that of a plan as it begins. */
const isNobodys = (plan: PlanDocument) => {
  const blank = herselfOf(newPlan('plan-1', 'Nobody'));
  return isAsSheIs(plan, { ...blank, unit: plan.unit, currency: plan.currency });
};

function Handed({ plan }: { readonly plan: PlanDocument }) {
  const navigate = useNavigate();
  const pictures = useSmallPictures();
  const [why, setWhy] = useState<string>();
  const take = () =>
    importPlan(db, plan, newId(), Date.now()).then(
      ({ id }) => navigate(`/plan/${id}/rows`),
      (error) => setWhy(storageSentence(error)),
    );
  return (
    <>
      <h1 className="text-great">{plan.name}</h1>
      <p className="mt-2 max-w-[60ch] text-lead">
        A plan is handed to you.{' '}
        {isNobodys(plan)
          ? 'No head is in it: yours is asked, and everything follows it.'
          : `It holds the head and hair of ${plan.wearer.trim() || 'the one who made it'}.`}
      </p>
      <div className="card mt-4 max-w-44">
        <PlanPicture plan={plan} pictures={pictures} />
      </div>
      {why && (
        <p role="alert" className="text-madder">
          {why}
        </p>
      )}
      <button type="button" className="button primary mt-4 max-w-80" onClick={take} data-testid="take-plan">
        Take it
      </button>
      <p className="note mt-2">It comes beside the plans that are here; none of them changes.</p>
    </>
  );
}
