/** Check: how it falls, what shows, what it weighs, what one change would do, and the best use of the hair at hand. */
import { lazy, Suspense, useEffect, useState } from 'react';
import { TURN_TOOL, useView } from '../state/view-store.ts';
import { Parts } from '../ui/tabs.tsx';
import type { CheckProps } from './check-parts.tsx';

const parts = () => import('./check-parts.tsx');
const LookPart = lazy(() => parts().then((m) => ({ default: m.LookPart })));
const SizePart = lazy(() => parts().then((m) => ({ default: m.SizePart })));
const LoadPart = lazy(() => parts().then((m) => ({ default: m.LoadPart })));
const BestPart = lazy(() => import('./check-best.tsx').then((m) => ({ default: m.BestPart })));
const WhatIfPart = lazy(() => import('./check-what-if.tsx').then((m) => ({ default: m.WhatIfPart })));
const GuessesPart = lazy(() => parts().then((m) => ({ default: m.GuessesPart })));

export function CheckBench(props: CheckProps) {
  const [open, setOpen] = useState('look');
  const hold = useView((v) => v.hold);
  // The finger belongs to this bench.
  useEffect(() => () => hold(TURN_TOOL), [hold]);
  const lazily = (content: React.ReactNode) => <Suspense>{content}</Suspense>;
  return (
    <Parts
      label="What to check"
      open={open}
      onOpen={(id) => {
        setOpen(id);
        hold(TURN_TOOL);
      }}
      parts={[
        { id: 'look', name: 'Look', content: lazily(<LookPart {...props} />) },
        { id: 'size', name: 'Size', content: lazily(<SizePart {...props} />) },
        { id: 'load', name: 'Load', content: lazily(<LoadPart {...props} />) },
        { id: 'whatIf', name: 'What if', content: lazily(<WhatIfPart {...props} />) },
        { id: 'best', name: 'Best', content: lazily(<BestPart {...props} />) },
        { id: 'guesses', name: 'Guesses', content: lazily(<GuessesPart {...props} />) },
      ]}
    />
  );
}
