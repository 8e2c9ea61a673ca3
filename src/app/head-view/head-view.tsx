/** The stage: her head, turned with a finger; what is selected stands in one light and is told in words. */
import { useCallback, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { HairOnHead, HeadScene, Look } from '../../core/plan/index.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useLoaded } from '../session/use-loaded.ts';
import { useSize } from '../ui/use-size.ts';
import { useView } from '../view/view-store.ts';
import { MODES, type Show } from './modes/modes.ts';
import { OnStage } from './on-stage.tsx';
import { turnByKey, useTurning } from './turning.ts';
import { useDrawnPicture } from './use-drawn-picture.ts';
import { useLines } from './use-lines.ts';
import { useSeen } from './use-seen.ts';
import { useStrokes } from './use-strokes.ts';
import './head-view.css';

export function HeadView(props: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly show: Show;
  readonly partHandles: boolean;
  /** How the finished style looks, at Check. */
  readonly look?: Look | undefined;
  readonly hair?: HairOnHead | undefined;
}) {
  const { session, result, scene, show, look } = props;
  const box = useRef<HTMLDivElement>(null);
  const glCanvas = useRef<HTMLCanvasElement>(null);
  const lineCanvas = useRef<HTMLCanvasElement>(null);
  const size = useSize(box);
  const { selectedId, tape, sectionId, placeId, lineKey, showBumps, check, mirror, moving, tool } = useView();
  const [oldPart, setOldPart] = useState<Float32Array>();
  const mode = useLoaded(MODES[show]);
  const seen = useSeen(show, size, props.hair);
  const hair = show === 'look' && check.picture === 'hair' ? props.hair : undefined;
  const { plan } = session;
  const picture = useDrawnPicture(glCanvas, { plan, result, scene, show, seen, look, hair });
  const { pixels: stroke, handlers } = useStrokes({ session, result, scene, view: seen, box });
  const lineView = { selectedId, tape, sectionId, placeId, lineKey, showBumps, check };
  const drawn = { ...lineView, plan, result, scene, seen, look, oldPart, stroke };
  useLines(lineCanvas, drawn, mode);
  const drag = useTurning(box, (x, y) => result && mode?.tap(drawn, result, x, y));
  const stage = useCallback(() => box.current?.getBoundingClientRect(), []);
  const counts = result ? ` with ${result.rows.length} rows and ${result.knots.length} knots` : '';
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that is turned is no element HTML has
    <div
      ref={box}
      className="stage"
      role="group"
      aria-label={`Your head${counts}. Arrow keys turn it.`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the arrows turn it
      tabIndex={0}
      {...(handlers ?? drag)}
      data-tool={tool.kind}
      data-moving={moving ? 'yes' : 'no'}
      onKeyDown={turnByKey}
    >
      <canvas ref={glCanvas} className={mirror ? '-scale-x-100' : ''} aria-hidden="true" data-picture={picture} />
      <canvas ref={lineCanvas} aria-hidden="true" />
      <OnStage
        {...{ session, result, scene, show, look, hair, picture, stage, view: seen }}
        onHoldPart={setOldPart}
        partHandles={props.partHandles}
      />
    </div>
  );
}
