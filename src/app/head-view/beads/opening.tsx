/** Two beads on the cap's opening: how far back it runs, and how wide it is. */
import { useRef } from 'react';
import type { PlanResult } from '../../../core/findings/plan-result.ts';
import type { HeadScene } from '../../../core/plan/ask/scene.ts';
import { CAP_LIMITS } from '../../../core/trade/caps.ts';
import { setCap } from '../../../model/cap-and-hair.ts';
import type { CapAsWritten } from '../../../model/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { sideOf } from '../lines/opening.ts';
import type { Projection, V3 } from '../projection.ts';
import { surfacePointAt } from '../surface-hit.ts';
import { Bead } from './bead.tsx';
import { arcBetween } from './part.tsx';

const ARROW_MM = 4;

export function OpeningBeads(props: {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly result: PlanResult;
  readonly session: PlanSession;
  readonly stage: () => DOMRect | undefined;
}) {
  const { view, scene, result, session } = props;
  const latest = useRef<Partial<CapAsWritten>>(undefined);
  const { cap } = session.history.present.plan;
  const { lineMm, widthMm } = result.cap.opening;
  if (lineMm.length < 9 || (cap.opening !== 'stitchedU' && cap.opening !== 'cut')) return null;
  const n = lineMm.length / 3;
  const point = (i: number): V3 => [lineMm[3 * i], lineMm[3 * i + 1], lineMm[3 * i + 2]];
  const middle = Math.round((n - 1) / 2);
  const side = sideOf(lineMm, middle);
  const rim: V3 = [0, 1, 2].map((c) => point(middle)[c] + (side[c] * widthMm) / 2) as unknown as V3;
  const words = (c: Partial<CapAsWritten>) =>
    c.openingMm === undefined ? `Opening ${c.openingWidthMm} mm wide` : `Opening ${c.openingMm} mm long`;
  const preview = (change: Partial<CapAsWritten>) => {
    latest.current = change;
    session.preview(setCap(session.history.present.plan, change).plan);
  };
  const commit = (change: Partial<CapAsWritten>) =>
    session.apply(setCap(session.history.present.plan, change, words(change)));
  const drop = () => {
    const change = latest.current;
    latest.current = undefined;
    if (change) commit(change);
  };
  const cancel = () => {
    latest.current = undefined;
    session.preview(undefined);
  };
  const long = (mm: number) => ({ openingMm: limited(mm, CAP_LIMITS.openingMm) });
  const wide = (mm: number) => ({ openingWidthMm: limited(mm, CAP_LIMITS.openingWidthMm) });
  return (
    <>
      <Bead
        view={view}
        at={point(n - 1)}
        name="opening-end"
        label="Back end of the opening"
        stage={props.stage}
        onDrag={({ x, y }) => {
          const hit = surfacePointAt(view, scene.cap, x, y);
          if (hit) preview(long(arcBetween(point(0), hit)));
        }}
        onDrop={drop}
        onCancel={cancel}
        onNudge={(_, down) => commit(long(session.plan.cap.openingMm - down * ARROW_MM))}
      />
      <Bead
        view={view}
        at={rim}
        small
        name="opening-side"
        label="Side of the opening"
        stage={props.stage}
        onDrag={({ x, y }) => {
          const hit = surfacePointAt(view, scene.cap, x, y);
          if (!hit) return;
          const at = point(middle);
          const away = [0, 1, 2].reduce((sum, c) => sum + (hit[c] - at[c]) * side[c], 0);
          preview(wide(2 * Math.abs(away)));
        }}
        onDrop={drop}
        onCancel={cancel}
        onNudge={(right) => commit(wide(session.plan.cap.openingWidthMm + right * ARROW_MM))}
      />
    </>
  );
}

function limited(mm: number, [low, high]: readonly [number, number]): number {
  return Math.round(Math.min(high, Math.max(low, mm)));
}
