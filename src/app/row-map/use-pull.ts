/** A row pulled closer to the next one or wider, by a finger on the cloth or by arrows. */
import { useCallback, useRef } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import { type DirectionDeg, directionDeg } from '../../core/head/index.ts';
import type { PlannedKnot } from '../../core/knots/index.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useLoaded } from '../session/use-loaded.ts';
import { useView } from '../view/view-store.ts';
import type { WeaveLayout } from './layout.ts';

/** A row that is held: how far the finger has come becomes mm through the gap between two threads. */
interface Pull {
  readonly row: number;
  readonly at: DirectionDeg;
  readonly fromY: number;
  readonly mm: number;
}
const STEP_MM = 1;

const directionTo = (knot: PlannedKnot) => directionDeg([knot.xMm, knot.yMm, knot.zMm]);

export function usePull(session: PlanSession, result: PlanResult | undefined, layout: WeaveLayout | undefined) {
  const held = useRef<Pull>(undefined);
  const { plan } = session.history.present;
  const isHeld = useView((v) => v.tool.kind === 'pullRow');
  const load = useCallback(() => import('../../model/rows-by-hand.ts'), []);
  const byHand = useLoaded(isHeld ? load : undefined);
  return {
    /** The tool is in hand, and what it needs is on its way. */
    isComing: isHeld && !byHand,
    take(knot: PlannedKnot, fromY: number) {
      useView.getState().select(knot.id);
      held.current = { row: knot.row, at: directionTo(knot), fromY, mm: 0 };
    },
    pull(y: number) {
      if (!held.current || !result || !layout || !byHand) return;
      const mm = ((held.current.fromY - y) / layout.rowGap) * result.spacing.mm.gapMm;
      held.current = { ...held.current, mm: Math.round(2 * mm) / 2 };
      const { row, at } = held.current;
      session.preview(byHand.pullRow(plan, result.rows[row], at, held.current.mm).plan);
    },
    drop() {
      const pulled = held.current;
      held.current = undefined;
      if (!pulled || !result || !byHand) return;
      if (pulled.mm === 0) return session.preview(undefined);
      useView.getState().refuse(session.apply(byHand.pullRow(plan, result.rows[pulled.row], pulled.at, pulled.mm)));
    },
    cancel() {
      held.current = undefined;
      session.preview(undefined);
    },
    /** Whether the key pulled the row of this knot. */
    byKey(key: string, knot: PlannedKnot | undefined): boolean {
      const way = key === 'ArrowUp' ? 1 : key === 'ArrowDown' ? -1 : 0;
      if (way === 0 || !knot || !result || !byHand) return false;
      const change = byHand.pullRow(plan, result.rows[knot.row], directionTo(knot), way * STEP_MM);
      useView.getState().refuse(session.apply(change));
      return true;
    },
  };
}
