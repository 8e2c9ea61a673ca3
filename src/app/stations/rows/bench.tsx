/** Rows and knots: how far apart; which way rows run, brush and hand, which knot, in which order come when they are opened. */
import { lazy, Suspense, useEffect, useState } from 'react';
import type { WithFinding } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';
import { PartBench } from './part-fields.tsx';
import { SpacingBench } from './spacing-fields.tsx';

const SchemeTab = lazy(() => import('./scheme-tab.tsx').then((m) => ({ default: m.SchemeTab })));
const HandTab = lazy(() => import('./hand-tab.tsx').then((m) => ({ default: m.HandTab })));
const KnotTab = lazy(() => import('./knot-tab.tsx').then((m) => ({ default: m.KnotTab })));
const OrderTab = lazy(() => import('./order-tab.tsx').then((m) => ({ default: m.OrderTab })));

export function RowsBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState('gap');
  const hold = useView((v) => v.hold);
  // The tool in hand belongs to its part of the bench.
  useEffect(() => () => hold(TURN_TOOL), [hold]);
  const lazily = (content: React.ReactNode) => <Suspense>{content}</Suspense>;
  return (
    <Parts
      label="What of the rows"
      open={open}
      onOpen={(id) => {
        setOpen(id);
        hold(TURN_TOOL);
      }}
      parts={[
        {
          id: 'gap',
          name: 'Gap',
          content: (
            <>
              <SpacingBench session={session} result={result} />
              {finding}
              <PartBench session={session} />
            </>
          ),
        },
        { id: 'rows', name: 'Rows', content: lazily(<SchemeTab session={session} result={result} />) },
        { id: 'hand', name: 'By hand', content: lazily(<HandTab session={session} result={result} />) },
        { id: 'knots', name: 'Knots', content: lazily(<KnotTab session={session} result={result} />) },
        { id: 'order', name: 'Order', content: lazily(<OrderTab session={session} result={result} />) },
      ]}
    />
  );
}
