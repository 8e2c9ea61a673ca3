/** The brush by keyboard: a bead that is moved over the head with the arrows and paints with Enter. */
import { useState } from 'react';
import { MARK_NAMES } from '../../core/head/marks.ts';
import type { HeadScene } from '../../core/pipeline/scene.ts';
import { addMark } from '../../model/commands.ts';
import type { PlanSession } from '../state/plan-session.ts';
import { Bead, movedOnScreen } from './bead.tsx';
import type { Projection, V3 } from './projection.ts';
import { surfacePointAt, vertexAt } from './surface-hit.ts';
import { type BrushTool, brushMark } from './use-strokes.ts';

const NUDGE_MM = 8;

export function BrushBead(props: {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly session: PlanSession;
  readonly tool: BrushTool;
  readonly stage: () => DOMRect | undefined;
}) {
  const { view, scene, session, tool } = props;
  const [at, setAt] = useState<V3>(
    () => surfacePointAt(view, scene.cap, view.centreX, view.centreY - 40) ?? [0, 110, 0],
  );
  const paint = (place: V3) => session.apply(addMark(session.plan, brushMark(tool, [place])));
  const onScalp = (place: V3): V3 => {
    const i = 3 * vertexAt(scene.cap, place);
    const p = scene.cap.positions;
    return [p[i], p[i + 1], p[i + 2]];
  };
  return (
    <Bead
      view={view}
      at={at}
      name="brush"
      label={`Brush: ${tool.erase ? 'wipes out' : 'paints'} ${MARK_NAMES[tool.mark]}. Enter paints here`}
      stage={props.stage}
      onDrag={({ x, y }) => {
        const hit = surfacePointAt(view, scene.cap, x, y);
        if (hit) setAt(hit);
      }}
      onDrop={() => paint(at)}
      onCancel={() => undefined}
      onNudge={(right, down) => setAt(onScalp(movedOnScreen(view, at, right * NUDGE_MM, down * NUDGE_MM)))}
      onPress={() => paint(at)}
    />
  );
}
