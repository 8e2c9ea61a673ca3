/** Beads of rows and knots: the selected knot is moved, a new one is put in, the density brush is led by keyboard. */
import { useRef, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { directionDeg } from '../../../core/head/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { addKnot, brushRows, moveKnot } from '../../../model/rows-by-hand.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { type Tool, useView } from '../../view/view-store.ts';
import type { Projection, V3 } from '../projection.ts';
import { surfacePointAt } from '../surface-hit.ts';
import { Bead, movedOnScreen } from './bead.tsx';
import { PlaceBead } from './place.tsx';

const NUDGE_MM = 2;

interface BeadsProps {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly result: PlanResult;
  readonly session: PlanSession;
  readonly stage: () => DOMRect | undefined;
}

export function KnotBeads(props: BeadsProps & { readonly tool: Tool; readonly selected: PlannedKnot | undefined }) {
  const { tool, selected } = props;
  if (tool.kind === 'moveKnot') return selected ? <MoveBead key={selected.id} {...props} knot={selected} /> : null;
  if (tool.kind === 'addKnot')
    return (
      <PlaceBead
        {...props}
        name="add-knot"
        label="New knot. Enter puts it in here"
        onPlace={(at) => add(props.session, at)}
      />
    );
  if (tool.kind === 'density') {
    const { factor, radiusMm } = tool;
    const words = factor === 1 ? 'wipes out' : factor < 1 ? 'fuller' : 'thinner';
    return (
      <PlaceBead
        {...props}
        name="density"
        label={`Brush, ${words}. Enter paints here`}
        onPlace={(at) => {
          const { plan } = props.session.history.present;
          useView
            .getState()
            .refuse(props.session.apply(brushRows(plan, { points: [directionDeg(at)], radiusMm }, factor)));
        }}
      />
    );
  }
  return null;
}

function add(session: PlanSession, at: V3) {
  useView.getState().refuse(session.apply(addKnot(session.history.present.plan, directionDeg(at))));
}

function MoveBead({ view, scene, session, knot, stage }: BeadsProps & { readonly knot: PlannedKnot }) {
  const latest = useRef<V3>(undefined);
  const [held, setHeld] = useState<V3>();
  const at: V3 = held ?? [knot.xMm, knot.yMm, knot.zMm];
  const { plan } = session.history.present;
  const from = directionDeg([knot.xMm, knot.yMm, knot.zMm]);
  const commit = (to: V3) => {
    latest.current = undefined;
    setHeld(undefined);
    useView.getState().refuse(session.apply(moveKnot(plan, from, directionDeg(to))));
  };
  return (
    <Bead
      view={view}
      at={at}
      name="knot"
      label={`Knot ${knot.id}`}
      stage={stage}
      onDrag={({ x, y }) => {
        const hit = surfacePointAt(view, scene.cap, x, y);
        if (!hit) return;
        latest.current = hit;
        setHeld(hit);
      }}
      onDrop={() => {
        if (latest.current) commit(latest.current);
      }}
      onCancel={() => {
        latest.current = undefined;
        setHeld(undefined);
      }}
      onNudge={(right, down) => commit(movedOnScreen(view, at, right * NUDGE_MM, down * NUDGE_MM))}
    />
  );
}
