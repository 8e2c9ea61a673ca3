/** Base: which way of sectioning, the sections themselves, where their tails lie, and the order of work. */

import { useEffect, useState } from 'react';
import { FAMILY_INFO, isWorn } from '../../../core/trade/index.ts';
import { setMadeFor } from '../../../model/made-for.ts';
import type { WithFinding } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';
import { SectionsTab } from './sections-tab.tsx';
import { TailsTab } from './tails-tab.tsx';
import { WayTab } from './way-tab.tsx';
import { WorkTab } from './work-tab.tsx';

const PARTS = ['way', 'sections', 'tails', 'work'] as const;
const NAMES = { way: 'Way', sections: 'Sections', tails: 'Tails', work: 'Work' };

/** A wig for nobody's base: what it will be worn over can be given later. */
function NoBase({ session }: Pick<WithFinding, 'session'>) {
  return (
    <>
      <h2>No base</h2>
      <p className="mt-2" data-testid="no-base">
        This wig is made for a head of which only the size is known. Nothing is sectioned or tied for it.
      </p>
      <button
        type="button"
        className="button mt-3"
        onClick={() => session.apply(setMadeFor(session.plan, { wornOver: true }))}
      >
        Say what it will be worn over
      </button>
      <p className="note mt-2">Then own hair, base and tender spots count, and how the cap sits and holds is judged.</p>
    </>
  );
}

export function BaseBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState<string>('way');
  const { hold, setShowBumps, selectLine, refuse, refusal } = useView();
  const part = (id: string) => {
    setOpen(id);
    hold(TURN_TOOL);
    selectLine(undefined);
    refuse(undefined);
    setShowBumps(id === 'tails');
  };
  useEffect(
    () => () => {
      hold(TURN_TOOL);
      setShowBumps(false);
      refuse(undefined);
    },
    [hold, setShowBumps, refuse],
  );
  if (!isWorn(session.plan.madeFor)) return <NoBase session={session} />;
  const contents: Readonly<Record<(typeof PARTS)[number], React.ReactNode>> = {
    way: <WayTab session={session} />,
    sections: result && <SectionsTab session={session} result={result} />,
    tails: result && <TailsTab session={session} result={result} />,
    work: result && <WorkTab session={session} result={result} />,
  };
  return (
    <>
      <h2>{FAMILY_INFO[session.plan.base.family].name}</h2>
      {open === 'way' && finding}
      {refusal && (
        <p role="alert" className="mt-2 text-small text-madder" data-testid="refusal">
          {refusal} Nothing was changed.
        </p>
      )}
      <Parts
        label="What of the base"
        open={open}
        onOpen={part}
        parts={PARTS.map((id) => ({ id, name: NAMES[id], content: contents[id] }))}
      />
      {open !== 'way' && finding}
    </>
  );
}
