/** Words and beads that stand on the stage, each where it belongs; beads come with the station that has them. */
import { lazy, Suspense } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { PlannedKnot } from '../../core/knots/index.ts';
import type { HairOnHead, HeadScene, Look } from '../../core/plan/index.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useView } from '../view/view-store.ts';
import { PartHandles } from './beads/part.tsx';
import { KnotNote } from './knot-note.tsx';
import type { Show } from './modes/modes.ts';
import { facing, type Projection, screenX, screenY } from './projection.ts';
import { ViewRing } from './view-ring.tsx';

const CheckNotes = lazy(() => import('./check-notes.tsx').then((m) => ({ default: m.CheckNotes })));
const Ramp = lazy(() => import('./check-notes.tsx').then((m) => ({ default: m.Ramp })));
const BaseBeads = lazy(() => import('./beads/base.tsx').then((m) => ({ default: m.BaseBeads })));
const BrushBead = lazy(() => import('./beads/brush.tsx').then((m) => ({ default: m.BrushBead })));
const KnotBeads = lazy(() => import('./beads/knots.tsx').then((m) => ({ default: m.KnotBeads })));
const OpeningBeads = lazy(() => import('./beads/opening.tsx').then((m) => ({ default: m.OpeningBeads })));
const CombBeads = lazy(() => import('./beads/combs.tsx').then((m) => ({ default: m.CombBeads })));
const TieBeads = lazy(() => import('./beads/ties.tsx').then((m) => ({ default: m.TieBeads })));
const HairlineBeads = lazy(() => import('./beads/hairline.tsx').then((m) => ({ default: m.HairlineBeads })));

interface Props {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly show: Show;
  readonly view: Projection;
  readonly look: Look | undefined;
  readonly hair: HairOnHead | undefined;
  readonly picture: 'loading' | 'none' | 'ready';
  readonly stage: () => DOMRect | undefined;
  readonly partHandles: boolean;
  readonly onHoldPart: (line: Float32Array | undefined) => void;
}

export function OnStage(props: Props) {
  const { result, show, view, look } = props;
  const { selectedId, check } = useView();
  const selected = result?.knots.find((k) => k.id === selectedId);
  const withRows = show === 'rows' || show === 'opening';
  const plain = show === 'look' && check.picture === 'plain';
  return (
    <>
      {props.picture === 'none' && (
        <p className="note absolute bottom-4 right-4 max-w-[36ch]">
          This browser draws no 3D picture. Rows and knots are drawn all the same.
        </p>
      )}
      {show === 'look' && check.picture === 'hair' && !props.hair && result && (
        <p className="note absolute bottom-4 right-6" role="status">
          Laying the hair …
        </p>
      )}
      {selected && withRows && <Leader view={view} knot={selected} />}
      {result && (withRows || plain || (show === 'look' && selected)) && <KnotNote result={result} knot={selected} />}
      <Suspense>
        {show === 'look' && result && look && !selected && !plain && (
          <CheckNotes view={view} result={result} look={look} fingerMm={fingerMm(props.session.plan)} />
        )}
        {show === 'look' && check.picture === 'cover' && <Ramp />}
        {result && props.scene && <Beads {...props} result={result} scene={props.scene} selected={selected} />}
      </Suspense>
      <ViewRing />
    </>
  );
}

function Beads(
  props: Props & {
    readonly result: PlanResult;
    readonly scene: HeadScene;
    readonly selected: PlannedKnot | undefined;
  },
) {
  const { show, view, scene, result, session, stage } = props;
  const { tool } = useView();
  const shared = { view, scene, result, session, stage };
  const turning = tool.kind === 'turn';
  return (
    <>
      {props.partHandles && turning && <PartHandles {...shared} onHold={props.onHoldPart} />}
      {show === 'tape' && tool.kind === 'hairline' && <HairlineBeads {...shared} />}
      {tool.kind === 'brush' && <BrushBead {...shared} tool={tool} />}
      {show === 'opening' && <OpeningBeads {...shared} />}
      {(show === 'rows' || show === 'opening') && !turning && (
        <KnotBeads {...shared} tool={tool} selected={props.selected} />
      )}
      {tool.kind === 'comb' && <CombBeads {...shared} />}
      {tool.kind === 'tie' && <TieBeads {...shared} id={tool.id} />}
      {show === 'sections' && turning && <BaseBeads {...shared} />}
    </>
  );
}

/** A slack thread from the note of a knot to its place. */
function Leader({ view, knot }: { readonly view: Projection; readonly knot: PlannedKnot }) {
  if (facing(view, knot.normal) <= 0) return null;
  const at = [knot.xMm, knot.yMm, knot.zMm];
  const from = view.width < 700 ? 150 : 156;
  return (
    <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
      <path
        d={slack(from, 80, screenX(view, at) - 2, screenY(view, at) - 13)}
        fill="none"
        stroke="var(--brass)"
        strokeWidth="1.6"
      />
    </svg>
  );
}

function slack(x0: number, y0: number, x1: number, y1: number): string {
  const top = Math.max(4, Math.min(y0, y1) - 44);
  return `M${x0},${y0} C${x0 + 0.42 * (x1 - x0)},${y0 - 6} ${x0 + 0.6 * (x1 - x0)},${top} ${x1 - 40},${top} C${x1 - 12},${top} ${x1},${(top + y1) / 2} ${x1},${y1}`;
}
