/** Measure: her head by tape, her hairline, her own hair, and what she marks on her scalp. */
import { useEffect, useState } from 'react';
import { isWorn, type MadeFor } from '../../../core/trade/index.ts';
import type { WithFinding } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView, VIEWS } from '../../view/view-store.ts';
import { AnotherHead } from './another-head.tsx';
import { HairTab } from './hair-tab.tsx';
import { HairlineTab } from './hairline-tab.tsx';
import { MarksTab } from './marks-tab.tsx';
import { TAPE_VIEWS, TapeTab } from './tape-tab.tsx';

const PARTS = ['tape', 'hairline', 'hair', 'marks'] as const;

/** Of a head of which only the size is known tape and hairline are asked, of one that is sold by size nothing. */
function isAsked(id: (typeof PARTS)[number], madeFor: MadeFor): boolean {
  if (id === 'tape') return madeFor.whom === 'me' || madeFor.sizedBy !== 'size';
  return id === 'hairline' || isWorn(madeFor);
}

export function MeasureBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState<string>('tape');
  const hold = useView((v) => v.hold);
  const showTape = useView((v) => v.showTape);
  const turn = useView((v) => v.turn);
  const part = (id: string) => {
    setOpen(id);
    hold(id === 'hairline' ? { kind: 'hairline' } : TURN_TOOL);
    showTape(id === 'tape' ? 'girth' : undefined);
    // From the side her points lie apart.
    if (id === 'hairline') turn(VIEWS.left);
  };
  useEffect(() => {
    const { azimuth: before, elevation: level } = useView.getState();
    const [azimuth, elevation] = TAPE_VIEWS.girth;
    turn({ azimuth, elevation });
    return () => {
      hold(TURN_TOOL);
      turn({ azimuth: before, elevation: level });
    };
  }, [hold, turn]);
  const contents: Readonly<Record<(typeof PARTS)[number], React.ReactNode>> = {
    tape: <TapeTab session={session} result={result} />,
    hairline: <HairlineTab session={session} />,
    hair: <HairTab session={session} result={result} />,
    marks: <MarksTab session={session} />,
  };
  const names = { tape: 'Tape', hairline: 'Hairline', hair: 'Own hair', marks: 'Marks' };
  const { plan } = session;
  const parts = PARTS.filter((id) => isAsked(id, plan.madeFor));
  return (
    <>
      <h2>{plan.madeFor.whom === 'me' ? 'Your head' : 'The head it is for'}</h2>
      {plan.madeFor.whom === 'head' && <AnotherHead session={session} />}
      {finding}
      {parts.length > 0 && (
        <Parts
          label="What is measured"
          open={parts.includes(open as never) ? open : parts[0]}
          onOpen={part}
          parts={parts.map((id) => ({ id, name: names[id], content: contents[id] }))}
        />
      )}
    </>
  );
}
