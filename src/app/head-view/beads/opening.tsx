/** Two beads on the cap's opening: how far back it runs, and how wide it is. */
import { useRef } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { CAP_LIMITS } from '../../../core/trade/index.ts';
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
  const { view, scene, result, session, stage } = props;
  const held = useHeldOpening(session);
  const { cap } = session.history.present.plan;
  const { lineMm, widthMm } = result.cap.opening;
  if (lineMm.length < 9 || !['stitchedU', 'openU', 'cut'].includes(cap.opening)) return null;
  const n = lineMm.length / 3;
  const point = (i: number): V3 => [lineMm[3 * i], lineMm[3 * i + 1], lineMm[3 * i + 2]];
  const middle = Math.round((n - 1) / 2);
  const at = point(middle);
  const side = sideOf(lineMm, middle);
  const rim: V3 = [0, 1, 2].map((c) => at[c] + (side[c] * widthMm) / 2) as unknown as V3;
  const shared = { view, stage, onDrop: held.drop, onCancel: held.cancel };
  const { openingMm, openingWidthMm } = session.plan.cap;
  return (
    <>
      <Bead
        {...shared}
        at={point(n - 1)}
        name="opening-end"
        label="Back end of the opening"
        onDrag={({ x, y }) => {
          const hit = surfacePointAt(view, scene.cap, x, y);
          if (hit) held.preview(long(arcBetween(point(0), hit)));
        }}
        onNudge={(_, down) => held.commit(long(openingMm - down * ARROW_MM))}
      />
      <Bead
        {...shared}
        at={rim}
        small
        name="opening-side"
        label="Side of the opening"
        onDrag={({ x, y }) => {
          const hit = surfacePointAt(view, scene.cap, x, y);
          if (!hit) return;
          const away = [0, 1, 2].reduce((sum, c) => sum + (hit[c] - at[c]) * side[c], 0);
          held.preview(wide(2 * Math.abs(away)));
        }}
        onNudge={(right) => held.commit(wide(openingWidthMm + right * ARROW_MM))}
      />
    </>
  );
}

type Opening = Partial<Pick<CapAsWritten, 'openingMm' | 'openingWidthMm'>>;

const long = (mm: number): Opening => ({ openingMm: limited(mm, CAP_LIMITS.openingMm) });
const wide = (mm: number): Opening => ({ openingWidthMm: limited(mm, CAP_LIMITS.openingWidthMm) });

/** The opening while a finger has it; kept when it lifts. */
function useHeldOpening(session: PlanSession) {
  const latest = useRef<Opening>(undefined);
  const { plan } = session.history.present;
  const commit = (change: Opening) => {
    const { openingMm, openingWidthMm } = change;
    const words = openingMm === undefined ? `Opening ${openingWidthMm} mm wide` : `Opening ${openingMm} mm long`;
    session.apply(setCap(plan, change, words));
  };
  return {
    commit,
    preview(change: Opening) {
      latest.current = change;
      session.preview(setCap(plan, change).plan);
    },
    drop() {
      const change = latest.current;
      latest.current = undefined;
      if (change) commit(change);
    },
    cancel() {
      latest.current = undefined;
      session.preview(undefined);
    },
  };
}

function limited(mm: number, [low, high]: readonly [number, number]): number {
  return Math.round(Math.min(high, Math.max(low, mm)));
}
