/** A plan that came as a link: what it is, before it is taken. */
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { unpackPlan } from '../../formats/link/plan-link.ts';
import { newPlan } from '../../model/defaults.ts';
import { herselfOf, isAsSheIs } from '../../model/herself.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { importPlan, storageSentence } from '../../store/plans.ts';
import { db, newId } from '../session/database.ts';
import { PlainPage } from './plain-page.tsx';
import { PlanPicture } from './plan-picture.tsx';
import { useSmallPictures } from './small-pictures.ts';
import './new-plan.css';

export function BringPage() {
  const { hash } = useLocation();
  const read = unpackPlan(hash.slice(1));
  return read.ok ? (
    <PlainPage title={read.value.name}>
      <Handed plan={read.value} />
    </PlainPage>
  ) : (
    <PlainPage title="No plan here">
      <p role="alert" className="mt-2 max-w-[60ch] text-madder" data-testid="no-plan">
        {read.why} Nothing was changed. Ask for it once more, or for the plan as a file.
      </p>
    </PlainPage>
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
