/** A plan or an install that came as a link: what it is, before it is taken. */
import { useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { isInstallLink, unpackInstall } from '../../formats/link/install-link.ts';
import { unpackPlan } from '../../formats/link/plan-link.ts';
import { newPlan } from '../../model/defaults.ts';
import { herselfOf, isAsSheIs } from '../../model/herself.ts';
import type { InstallFile } from '../../model/install-schema.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { importPlan, storageSentence } from '../../store/plans.ts';
import { takeInstall } from '../../store/take-install.ts';
import { db, newId } from '../session/database.ts';
import { day } from '../ui/format.ts';
import { PlainPage } from './plain-page.tsx';
import { PlanPicture } from './plan-picture.tsx';
import { useSmallPictures } from './small-pictures.ts';
import './new-plan.css';

export function BringPage() {
  const { hash } = useLocation();
  const link = hash.slice(1);
  return isInstallLink(link) ? <InstallCame link={link} /> : <PlanCame link={link} />;
}

function PlanCame({ link }: { readonly link: string }) {
  const read = unpackPlan(link);
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

function InstallCame({ link }: { readonly link: string }) {
  const read = useMemo(() => unpackInstall(link), [link]);
  if (!read.ok)
    return (
      <PlainPage title="No install here">
        <p role="alert" className="mt-2 max-w-[60ch] text-madder" data-testid="no-plan">
          {read.why} Nothing was changed. Ask for it once more, or for the install as a file.
        </p>
      </PlainPage>
    );
  return (
    <PlainPage title={read.value.session.plan.name}>
      <InstallHanded install={read.value} />
    </PlainPage>
  );
}

function InstallHanded({ install }: { readonly install: InstallFile }) {
  const { session, events } = install;
  return (
    <>
      <p className="mt-2 max-w-[60ch] text-lead">
        An install is handed to you, begun on {day(session.startedAtMs)}, with {events.length} touches.
      </p>
      <Take
        testId="take-install"
        take={() => takeInstall(db, install, Date.now()).then(() => `/install/${session.id}`)}
        note="What is here of it stays; what is new is added. Where its plan is not here, that comes with it."
      />
    </>
  );
}

/** One button, and what the store refuses as a sentence. */
function Take(props: {
  readonly testId: string;
  /** @returns where it is then */
  readonly take: () => Promise<string>;
  readonly note: string;
}) {
  const navigate = useNavigate();
  const [why, setWhy] = useState<string>();
  const press = () => props.take().then(navigate, (error) => setWhy(storageSentence(error)));
  return (
    <>
      {why && (
        <p role="alert" className="text-madder">
          {why}
        </p>
      )}
      <button type="button" className="button primary mt-4 max-w-80" onClick={press} data-testid={props.testId}>
        Take it
      </button>
      <p className="note mt-2">{props.note}</p>
    </>
  );
}

/** Whether it holds nobody's head: that of a plan as it begins. */
const isNobodys = (plan: PlanDocument) => {
  const blank = herselfOf(newPlan('plan-1', 'Nobody'));
  return isAsSheIs(plan, { ...blank, unit: plan.unit, currency: plan.currency });
};

function Handed({ plan }: { readonly plan: PlanDocument }) {
  const pictures = useSmallPictures();
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
      <Take
        testId="take-plan"
        take={() => importPlan(db, plan, newId(), Date.now()).then(({ id }) => `/plan/${id}/rows`)}
        note="It comes beside the plans that are here; none of them changes."
      />
    </>
  );
}
