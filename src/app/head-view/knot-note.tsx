/** The selected knot in words: which one, what kind, why, where a finger finds it; or what a finger does. */

import { lazy, Suspense } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { PlannedKnot } from '../../core/knots/index.ts';
import { useView } from '../view/view-store.ts';

const KnotTold = lazy(() => import('./knot-told.tsx').then((m) => ({ default: m.KnotTold })));
const ToolHint = lazy(() => import('./knot-told.tsx').then((m) => ({ default: m.ToolHint })));

/** Tools of which a hint is told. */
const TOLD: ReadonlySet<string> = new Set(['density', 'addKnot', 'moveKnot', 'finger', 'tie', 'pullRow']);

export function KnotNote({ result, knot }: { readonly result: PlanResult; readonly knot: PlannedKnot | undefined }) {
  const tool = useView((v) => v.tool);
  if (!knot && !TOLD.has(tool.kind))
    return (
      <p className="hint note">Touch a knot on the head or a bead on the cloth, and it tells why it is that knot.</p>
    );
  if (!knot)
    return (
      <Suspense fallback={null}>
        <ToolHint tool={tool} />
      </Suspense>
    );
  return (
    <div aria-live="polite" data-testid="knot-note">
      <Suspense fallback={null}>
        <KnotTold result={result} knot={knot} />
      </Suspense>
    </div>
  );
}
