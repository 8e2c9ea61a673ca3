/** Cap: what she has or looks for, how it stretches on block and head, what holds it, and where it is opened. */
import { useEffect, useState } from 'react';
import type { WithFinding } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { useView } from '../../view/view-store.ts';
import { HoldTab } from './hold-tab.tsx';
import { KindTab } from './kind-tab.tsx';
import { OpeningTab } from './opening-tab.tsx';
import { SizeTab } from './size-tab.tsx';

export function CapBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState('kind');
  const turn = useView((v) => v.turn);
  useEffect(() => {
    if (open === 'opening') turn({ azimuth: 2.75, elevation: 0.95 });
  }, [open, turn]);
  const capped = session.plan.cap.dome !== 'none';
  const parts = [
    { id: 'kind', name: 'Cap', content: <KindTab session={session} result={result} /> },
    ...(capped
      ? [
          { id: 'size', name: 'Size', content: <SizeTab session={session} result={result} /> },
          { id: 'opening', name: 'Opening', content: <OpeningTab session={session} result={result} /> },
          { id: 'hold', name: 'Hold', content: <HoldTab session={session} result={result} /> },
        ]
      : []),
  ];
  return (
    <>
      <h2>Cap</h2>
      {finding}
      <Parts label="What of the cap" open={capped ? open : 'kind'} onOpen={setOpen} parts={parts} />
    </>
  );
}
