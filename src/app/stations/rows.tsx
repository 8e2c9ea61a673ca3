/** Rows and knots: how far apart; which way rows run, brush and hand, which knot, in which order come when they are opened. */
import { lazy, Suspense, useEffect, useState } from 'react';
import { PartBench } from '../bench/part-bench.tsx';
import { SpacingBench } from '../bench/spacing-bench.tsx';
import { TURN_TOOL, useView } from '../state/view-store.ts';
import { Parts } from '../ui/tabs.tsx';
import type { WithFinding } from './planning.tsx';

const parts = () => import('./rows-parts.tsx');
const SchemePart = lazy(() => parts().then((m) => ({ default: m.SchemePart })));
const HandPart = lazy(() => parts().then((m) => ({ default: m.HandPart })));
const KnotPart = lazy(() => parts().then((m) => ({ default: m.KnotPart })));
const OrderPart = lazy(() => parts().then((m) => ({ default: m.OrderPart })));

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
        { id: 'rows', name: 'Rows', content: lazily(<SchemePart session={session} result={result} />) },
        { id: 'hand', name: 'By hand', content: lazily(<HandPart session={session} result={result} />) },
        { id: 'knots', name: 'Knots', content: lazily(<KnotPart session={session} result={result} />) },
        { id: 'order', name: 'Order', content: lazily(<OrderPart session={session} result={result} />) },
      ]}
    />
  );
}
