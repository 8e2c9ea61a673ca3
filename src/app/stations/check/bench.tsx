/** Check: how it falls, what shows, what it weighs, what one change would do, and the best use of the hair at hand. */
import { lazy, Suspense, useEffect, useState } from 'react';
import type { CheckProps } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';

const LookTab = lazy(() => import('./look-tab.tsx').then((m) => ({ default: m.LookTab })));
const SizeTab = lazy(() => import('./size-tab.tsx').then((m) => ({ default: m.SizeTab })));
const LoadTab = lazy(() => import('./load-tab.tsx').then((m) => ({ default: m.LoadTab })));
const BestTab = lazy(() => import('./best-use.tsx').then((m) => ({ default: m.BestTab })));
const WhatIfTab = lazy(() => import('./what-if.tsx').then((m) => ({ default: m.WhatIfTab })));
const GuessesTab = lazy(() => import('./guesses-tab.tsx').then((m) => ({ default: m.GuessesTab })));

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
        { id: 'look', name: 'Look', content: lazily(<LookTab {...props} />) },
        { id: 'size', name: 'Size', content: lazily(<SizeTab {...props} />) },
        { id: 'load', name: 'Load', content: lazily(<LoadTab {...props} />) },
        { id: 'whatIf', name: 'What if', content: lazily(<WhatIfTab {...props} />) },
        { id: 'best', name: 'Best', content: lazily(<BestTab {...props} />) },
        { id: 'guesses', name: 'Guesses', content: lazily(<GuessesTab {...props} />) },
      ]}
    />
  );
}
