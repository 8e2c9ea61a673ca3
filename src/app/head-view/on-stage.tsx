/** Words beside the head and beads on it; beads come with the station that has them. */
import { lazy, Suspense } from 'react';
import { WORN_AS_INFO } from '../../core/fall/index.ts';
import type { PlanResult } from '../../core/findings/index.ts';
import type { HairOnHead, HeadScene, Look } from '../../core/plan/index.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { isLook, type Show } from '../view/layers.ts';
import { useWornAs } from '../view/room.ts';
import { useView } from '../view/view-store.ts';
import { PartHandles } from './beads/part.tsx';
import { KnotNote } from './knot-note.tsx';
import { facing, type Projection, screenX, screenY } from './projection.ts';
import type { PictureKind } from './use-head-picture.ts';

const CheckNotes = lazy(() => import('./check-notes.tsx').then((m) => ({ default: m.CheckNotes })));
const CheckLeaders = lazy(() => import('./check-notes.tsx').then((m) => ({ default: m.CheckLeaders })));
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
  /** There it is told what shows most. */
  readonly atCheck: boolean;
  readonly look: Look | undefined;
  readonly hair: HairOnHead | undefined;
  readonly picture: PictureKind;
  readonly stage: () => DOMRect | undefined;
}

/** What is told beside the head, in a column of its own: words never lie over hair or head. */
export function Told(props: Props) {
  const { session, result, show, look, hair, picture } = props;
  const selectedId = useView((v) => v.selectedId);
  const selected = result?.knots.find((k) => k.id === selectedId);
  const [wornAs] = useWornAs(session.plan.base.family);
  const ofKnots = show === 'rows' || show === 'opening';
  return (
    <div className="told">
      {result && (ofKnots || selected) && <KnotNote result={result} knot={selected} />}
      <Suspense>
        {props.atCheck && isLook(show) && result && look && !selected && (
          <CheckNotes result={result} look={look} fingerMm={fingerMm(session.plan)} />
        )}
      </Suspense>
      {show === 'hair' && !hair && result && (
        <p className="note" role="status">
          Laying the hair …
        </p>
      )}
      {hair && !props.atCheck && wornAs !== 'offFace' && (
        <p className="note">Worn {WORN_AS_INFO[wornAs]}, as you chose in Check.</p>
      )}
      {(picture === 'plain' || picture === 'none') && (
        <p className="note" data-testid="plain-picture">
          This browser has no WebGL: the hair is not drawn. {picture === 'plain' && 'The head, '}rows and knots are, and
          all figures are the same.
        </p>
      )}
    </div>
  );
}

export function Beads(
  props: Props & {
    readonly partHandles: boolean;
    readonly onHoldPart: (line: Float32Array | undefined) => void;
  },
) {
  const { show, view, scene, result, session, stage } = props;
  const { tool, selectedId } = useView();
  if (!result || !scene) return null;
  const shared = { view, scene, result, session, stage };
  const turning = tool.kind === 'turn';
  return (
    <Suspense>
      {props.partHandles && turning && <PartHandles {...shared} onHold={props.onHoldPart} />}
      {show === 'tape' && tool.kind === 'hairline' && <HairlineBeads {...shared} />}
      {tool.kind === 'brush' && <BrushBead {...shared} tool={tool} />}
      {show === 'opening' && <OpeningBeads {...shared} />}
      {(show === 'rows' || show === 'opening') && !turning && (
        <KnotBeads {...shared} tool={tool} selected={result.knots.find((k) => k.id === selectedId)} />
      )}
      {tool.kind === 'comb' && <CombBeads {...shared} />}
      {tool.kind === 'tie' && <TieBeads {...shared} id={tool.id} />}
      {show === 'sections' && turning && <BaseBeads {...shared} />}
    </Suspense>
  );
}

/** Slack threads from what is told to its place. */
export function Leader({ view, result, show, look, session, atCheck }: Props) {
  const selectedId = useView((v) => v.selectedId);
  const knot = result?.knots.find((k) => k.id === selectedId);
  if (atCheck && isLook(show) && result && look && !knot) {
    return (
      <Suspense>
        <CheckLeaders view={view} result={result} look={look} fingerMm={fingerMm(session.plan)} />
      </Suspense>
    );
  }
  if (!knot || !(show === 'rows' || show === 'opening') || facing(view, knot.normal) <= 0) return null;
  const at = [knot.xMm, knot.yMm, knot.zMm];
  const from = view.width < 700 ? 150 : 156;
  return (
    <svg className="leader" aria-hidden="true">
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
